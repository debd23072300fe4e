import type { AimPlan, AimError } from '../sun/aim.js';
import type { Source, Trust } from '../source.js';

/** Deviations of a figure as shares of it, by where it comes from: one standard deviation of a normal law. */
type BySource = Readonly<Record<Source, number>>;

/**
 * How far the figures of a plan may be off. Source: design model, section 5, its "±" read as one standard deviation, which
 * is the wider reading; assumed figures, the mode factor, the transmit share and the aim are rules of thumb of our own.
 */
const RECEIVE: BySource = { assumed: 0.15, datasheet: 0.1, learned: 0.05, measured: 0.03 };
const CAPACITY: BySource = { assumed: 0.08, datasheet: 0.05, learned: 0.03, measured: 0.02 };
const TRUTH: BySource = { assumed: 0.08, datasheet: 0.08, learned: 0.05, measured: 0.03 };

const spreadOf = (by: BySource, { source, spread }: Trust): number =>
  source === 'measured' && spread !== undefined ? spread : by[source];

export const receiveSpread = (trust: Trust): number => spreadOf(RECEIVE, trust);
export const capacitySpread = (trust: Trust): number => spreadOf(CAPACITY, trust);
export const truthSpread = (trust: Trust): number => spreadOf(TRUTH, trust);

/** Share of m (1 - m) by which a mode factor may be off: much for speech, nothing for a carrier. */
const MODE_FACTOR = 0.25;
const MEASURED_MODE_FACTOR = 0.08;

/** Standard deviation of a mode factor, 0 where the key is down all the time. */
export const modeFactorSpread = (factor: number, isMeasured: boolean): number =>
  (isMeasured ? MEASURED_MODE_FACTOR : MODE_FACTOR) * factor * (1 - factor);

/**
 * How firmly a share on transmit is kept to: the beta law's a + b. With 30, a planned half is between 38 and 62 % in four
 * of five outings, a planned fifth between 11 and 30 %.
 */
export const SHARE_FIRMNESS = 30;

/** How much of a block's share is the operator's habit, the same all through the outing; the rest is its own. */
export const HABIT = 0.7;

/** How far a panel lies from where it is meant to, degrees, one standard deviation. */
export function aimSpread(aim: AimPlan): AimError {
  switch (aim.how) {
    case 'flat':
      return { tiltDeg: 4, azimuthDeg: 0 };
    case 'fixed':
      return { tiltDeg: 5, azimuthDeg: 10 };
    case 'every':
    case 'at':
      return { tiltDeg: 6, azimuthDeg: 8 };
    case 'hung':
      return { tiltDeg: 0, azimuthDeg: 0 };
  }
}
