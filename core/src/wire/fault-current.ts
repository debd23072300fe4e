import { copperOhm } from './wire.js';

/** A battery as a short circuit sees it: full volts, and half of its ohmic resistance, which is what milliseconds meet. */
export interface FaultSource {
  readonly fullV: number;
  /** Ohmic resistance at 25 C, ohm. */
  readonly ohmicOhm: number;
}

/** Wire that a cable is taken to be of where it is not entered, mm2: AWG 12. */
const USUAL_AREA_MM2 = 3.31;
const MILLISECONDS_SHARE = 0.5;
const ROOM_C = 20;
/** No short circuit has less, ohm. */
const LEAST_OHM = 1e-5;

/**
 * Short-circuit current just behind a fuse, A: full volts / (half of the ohmic resistance + the lead to the fuse, there and
 * back). Source: convention of this project, docs/model.md; direct current's ohmic resistance is about twice that of milliseconds.
 *
 * @param reachM how far from the battery the fuse sits, m
 */
export function faultCurrent(
  { fullV, ohmicOhm }: FaultSource,
  reachM: number,
  areaMm2 = USUAL_AREA_MM2,
): number {
  const cableOhm = copperOhm({ areaMm2, runM: reachM, temperatureC: ROOM_C, contactPairs: 0, fusesA: [] });
  return fullV / Math.max(LEAST_OHM, MILLISECONDS_SHARE * ohmicOhm + cableOhm);
}
