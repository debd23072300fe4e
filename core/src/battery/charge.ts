import type { BatteryPack, PackCharge } from './battery-pack.js';

/** Current that the pack accepts at a state of charge, A. */
export function acceptance({ maxA, taperSoc, endA }: PackCharge, soc: number): number {
  if (soc <= taperSoc) return maxA;
  return maxA - ((maxA - endA) * (Math.min(soc, 1) - taperSoc)) / (1 - taperSoc);
}

/**
 * Charges for a while at a steady offered current, following the falling acceptance exactly:
 * below it the current is the offer and the charge rises straight; on it, dSoC/dt = efficiency x
 * acceptance(SoC) / Ah has an exponential as its solution. Source: convention of this project, docs/model.md.
 *
 * @param availableA offered current, A, 0 or more
 * @param hours how long, 0 or more; may be infinite
 * @returns the state of charge reached and the time spent charging (less than hours when it became full)
 */
export function chargeFor(
  pack: BatteryPack,
  charge: PackCharge,
  soc: number,
  availableA: number,
  hours: number,
): { soc: number; hours: number } {
  if (availableA <= 0 || soc >= 1) return { soc, hours: 0 };
  const socPerAh = charge.efficiency / pack.storedAh;
  const bend = socWhereAcceptanceIs(charge, availableA);

  let reached = soc;
  let spent = 0;
  if (soc < bend) {
    const rate = socPerAh * Math.min(availableA, charge.maxA);
    spent = Math.min(hours, (bend - soc) / rate);
    reached = spent < hours ? bend : soc + rate * spent;
    if (spent === hours || reached >= 1) return { soc: Math.min(reached, 1), hours: spent };
  }

  const slopeA = (charge.maxA - charge.endA) / (1 - charge.taperSoc);
  const startA = acceptance(charge, reached);
  const left = hours - spent;
  const toFull =
    slopeA > 0 ? Math.log(startA / charge.endA) / (socPerAh * slopeA) : (1 - reached) / (socPerAh * startA);
  if (left >= toFull) return { soc: 1, hours: spent + toFull };
  const gained =
    slopeA > 0 ? (startA / slopeA) * -Math.expm1(-socPerAh * slopeA * left) : socPerAh * startA * left;
  return { soc: Math.min(1, reached + gained), hours };
}

/** Hours to a full pack at a steady offered current, A; infinite where none is offered. */
export const hoursToFull = (
  pack: BatteryPack,
  charge: PackCharge,
  soc: number,
  availableA: number,
): number =>
  soc >= 1 ? 0 : availableA <= 0 ? Infinity : chargeFor(pack, charge, soc, availableA, Infinity).hours;

/** State of charge from which the acceptance, not the offer, sets the current: the taper's start or later. */
function socWhereAcceptanceIs({ maxA, taperSoc, endA }: PackCharge, availableA: number): number {
  if (availableA >= maxA) return taperSoc;
  if (availableA <= endA) return 1;
  return taperSoc + ((1 - taperSoc) * (maxA - availableA)) / (maxA - endA);
}
