import { copperOhm } from './wire.js';

/** A battery as a short circuit sees it: full volts, and the share of its ohmic resistance that acts within milliseconds. */
export interface FaultSource {
  readonly fullV: number;
  /** Ohmic resistance at 25 C, ohm. */
  readonly ohmicOhm: number;
  /** Lead-acid: almost all of its resistance acts at once. */
  readonly isLead?: boolean;
}

/** Wire that a cable is taken to be of where it is not entered, mm2: AWG 12. */
const USUAL_AREA_MM2 = 3.31;
/** Share of the ohmic resistance within milliseconds. Source: sheets at 1 kHz; AGM of 20 Ah 10 to 12 milliohms of 12.5. */
const MILLISECONDS_SHARE = { lead: 0.9, other: 0.5 } as const;
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
  { fullV, ohmicOhm, isLead = false }: FaultSource,
  reachM: number,
  areaMm2 = USUAL_AREA_MM2,
): number {
  const share = isLead ? MILLISECONDS_SHARE.lead : MILLISECONDS_SHARE.other;
  const cableOhm = copperOhm({ areaMm2, runM: reachM, temperatureC: ROOM_C, contactPairs: 0, fusesA: [] });
  return fullV / Math.max(LEAST_OHM, share * ohmicOhm + cableOhm);
}
