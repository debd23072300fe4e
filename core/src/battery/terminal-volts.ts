import { acceptance } from './charge.js';
import { openCircuitVolts, type BatteryPack, type PackCharge } from './battery-pack.js';

/** Current under which the hysteresis of a charge has not built up in full, as a share of the capacity, C. */
const HYSTERESIS_C = 0.01;
/** How the volts of lead rise with the share of its acceptance that it is given. */
const LEAD_EXPONENT = 0.7;

/**
 * Volts at the terminals of a pack that gives a mean current, V: rest volts less both resistances.
 *
 * @param amps mean of minutes, A, 0 or more
 */
export const dischargingVolts = (pack: BatteryPack, soc: number, amps: number): number =>
  openCircuitVolts(pack, soc) - amps * (pack.ohmicOhm + pack.polarisationOhm);

/**
 * Volts at the terminals of a pack while it is charged, V; what a controller works against and a meter shows. Lead: rest volts
 * and the way from there to the absorption volts by (current / acceptance)^0.7. Others: rest volts, both resistances and the
 * hysteresis; past the taper's start on towards the absorption volts. Never above those, and at them when it is full.
 * Source: convention of this project, docs/model.md.
 *
 * @param amps what it is given, A; more than its acceptance is not taken
 */
export function chargingVolts(pack: BatteryPack, charge: PackCharge, soc: number, amps: number): number {
  if (soc >= 1) return charge.absorptionV;
  const restV = openCircuitVolts(pack, soc);
  if (amps <= 0) return restV;
  const acceptedA = acceptance(charge, soc);
  const taken = Math.min(amps, acceptedA);
  const share = acceptedA > 0 ? taken / acceptedA : 1;
  const { absorptionV, isLead, hysteresisV, taperSoc } = charge;
  if (isLead) return Math.min(absorptionV, restV + Math.max(0, absorptionV - restV) * share ** LEAD_EXPONENT);
  const builtUp = Math.min(1, taken / (HYSTERESIS_C * pack.ratedAh));
  const raisedV = restV + taken * (pack.ohmicOhm + pack.polarisationOhm) + hysteresisV * builtUp;
  if (soc <= taperSoc) return Math.min(absorptionV, raisedV);
  const along = (share * (soc - taperSoc)) / (1 - taperSoc);
  return Math.min(absorptionV, raisedV + (absorptionV - raisedV) * along);
}

/**
 * Volts at the terminals under a net current, V.
 *
 * @param netA out of the pack, A; negative: offered to it, of which it takes what it accepts
 */
export function terminalVolts(pack: BatteryPack, soc: number, netA: number): number {
  if (netA >= 0) return dischargingVolts(pack, soc, netA);
  return pack.charge ? chargingVolts(pack, pack.charge, soc, -netA) : openCircuitVolts(pack, soc);
}
