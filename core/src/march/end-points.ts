import { openCircuitVolts, socAtOpenCircuitVolts, type BatteryPack } from '../battery/battery-pack.js';
import { HOUR_MS } from '../span.js';

/** When each end point comes first, UTC epoch ms; null where it does not come within the march. */
export interface EndPoints {
  readonly reserveMs: number | null;
  readonly radioDropoutMs: number | null;
  readonly cutoffMs: number | null;
}

/** A level that the state of charge never falls to. */
export const NEVER = -1;
/** A level that it is below from the start. */
export const AT_ONCE = 2;

/** State of charge at which the cut-off opens under a mean current out of the pack, A: its volts at the terminals, or empty. */
export const cutoffLevel = (pack: BatteryPack, amps: number): number =>
  Math.max(0, socAtOpenCircuitVolts(pack, pack.cutoffV + amps * (pack.ohmicOhm + pack.polarisationOhm)));

/**
 * State of charge at which the volts at the radio fall under what it needs while the key is down; {@link NEVER} or
 * {@link AT_ONCE} where they never or always do.
 *
 * @param dipV volts lost between open circuit and radio while the key is down; behind a socket, between socket and radio
 */
export function dropoutLevel(pack: BatteryPack, radioDropoutV: number, dipV: number): number {
  if (pack.socket) return pack.socket.volts - dipV < radioDropoutV ? AT_ONCE : NEVER;
  const neededV = radioDropoutV + dipV;
  if (neededV <= pack.openCircuitV[0]) return NEVER;
  return openCircuitVolts(pack, 1) < neededV ? AT_ONCE : socAtOpenCircuitVolts(pack, neededV);
}

/**
 * Volts that a pack itself takes while the key is down: its polarisation by the mean current, its ohmic resistance by that of
 * the moment; none behind a socket, which holds its volts. The sun's help is not counted, since a cloud may pass.
 *
 * @param meanA mean load out of the pack, A
 * @param keyDownA load while the key is down, A
 */
export const insideDip = (pack: BatteryPack, meanA: number, keyDownA: number): number =>
  pack.socket ? 0 : meanA * pack.polarisationOhm + keyDownA * pack.ohmicOhm;

/** When a straight fall from one state of charge to another passes a level; its start where it is below it already. */
export function crossing(
  startMs: number,
  hours: number,
  before: number,
  after: number,
  level: number,
): number | null {
  if (before <= level) return before < level || after < level ? startMs : null;
  if (after > level || after >= before) return null;
  return startMs + ((before - level) / (before - after)) * hours * HOUR_MS;
}
