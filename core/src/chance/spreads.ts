import { sheetReceiveFactor, SHEET_RECEIVE_MEAN } from '../load/sheet-receive.js';
import type { AimPlan, AimError } from '../sun/aim.js';
import type { Source, Trust } from '../source.js';
import { normalProbability } from './beta.js';

/** Deviations of a figure as shares of it, by where it comes from: one standard deviation of a normal law. */
type BySource = Readonly<Record<Source, number>>;

/**
 * How far the figures of a plan may be off, as one standard deviation. Source: convention of this project, docs/model.md, as are
 * the mode factor, the transmit duty cycle and the aim below.
 */
const RECEIVE: BySource = { simulated: 0.15, assumed: 0.15, datasheet: 0.1, learned: 0.05, measured: 0.03 };
const KEY_DOWN: BySource = { simulated: 0.15, assumed: 0.15, datasheet: 0.08, learned: 0.05, measured: 0.03 };
const ACCESSORY: BySource = { simulated: 0.15, assumed: 0.15, datasheet: 0.1, learned: 0.05, measured: 0.03 };
const CAPACITY: BySource = { simulated: 0.15, assumed: 0.15, datasheet: 0.05, learned: 0.03, measured: 0.02 };
const TRUTH: BySource = { simulated: 0.08, assumed: 0.08, datasheet: 0.08, learned: 0.05, measured: 0.03 };
/** Of the logarithm of the factor on both resistances. */
const RESISTANCE: BySource = { simulated: 0.3, assumed: 0.3, datasheet: 0.3, learned: 0.2, measured: 0.1 };

/** A figure that comes with a spread of its own has that one. */
const spreadOf = (by: BySource, { source, spread }: Trust): number =>
  source !== 'datasheet' && spread !== undefined ? spread : by[source];

const LEAST_FACTOR = 0.2;

/**
 * Factor on a planned receive current. A sheet's figure is an upper bound more often than a mean: a triangle from 0.55 to
 * 1.1 of it with its top at 1.0; others are spread evenly about what they say.
 *
 * @param deviation in standard deviations
 */
export function receiveFactor(trust: Trust, deviation: number): number {
  if (trust.source === 'datasheet') {
    return sheetReceiveFactor(normalProbability(deviation)) / SHEET_RECEIVE_MEAN;
  }
  return Math.max(LEAST_FACTOR, 1 + deviation * spreadOf(RECEIVE, trust));
}

/** A factor around 1 by its spread and so many standard deviations. */
export const factorBy = (spread: number, deviation: number): number =>
  Math.max(LEAST_FACTOR, 1 + deviation * spread);

const factor = (by: BySource) => (trust: Trust, deviation: number) =>
  factorBy(spreadOf(by, trust), deviation);

/** Factor on a planned key-down current, continuous carriers too. */
export const keyDownFactor = factor(KEY_DOWN);
/** Factor on what an accessory takes. */
export const accessoryFactor = factor(ACCESSORY);

export const accessorySpread = (trust: Trust): number => spreadOf(ACCESSORY, trust);
export const capacitySpread = (trust: Trust): number => spreadOf(CAPACITY, trust);
export const truthSpread = (trust: Trust): number => spreadOf(TRUTH, trust);

/** Factor on both resistances of a battery: a lognormal law with a median of 1. */
export const resistanceFactor = (trust: Trust, deviation: number): number =>
  Math.exp(deviation * spreadOf(RESISTANCE, trust));

/** Share of m (1 - m) by which a mode factor may be off: much for speech, nothing for a carrier. */
const MODE_FACTOR = 0.25;
const MEASURED_MODE_FACTOR = 0.08;

/** Standard deviation of a mode factor, 0 where the key is down all the time. */
export const modeFactorSpread = (mode: number, isMeasured: boolean): number =>
  (isMeasured ? MEASURED_MODE_FACTOR : MODE_FACTOR) * mode * (1 - mode);

/**
 * How firmly a transmit duty cycle is kept to: the beta law's a + b. With 30, a planned half is between 38 and 62 % in four
 * of five outings, a planned fifth between 11 and 30 %.
 */
const SHARE_FIRMNESS = 30;

/** How much of a block's duty cycle is the operator's habit, the same all through the outing; the rest is its own. */
const HABIT = 0.7;

/** No habit is known better than to so much of its variance: another day is another day. */
const LEAST_OF_HABIT = 0.1;

/** How a block's transmit duty cycle is sampled. */
export interface ShareLaw {
  /** The beta law's a + b. */
  readonly firmness: number;
  /** How much of its deviation is the operator's habit, 0 to 1. */
  readonly habit: number;
}

/**
 * The law of a transmit duty cycle. One that was learned has a habit as sure as that; what each block has of its own stays. Source:
 * convention of this project, docs/model.md.
 *
 * @param share 0 to 1
 */
export function shareLaw(share: number, from?: Trust): ShareLaw {
  const usual = { firmness: SHARE_FIRMNESS, habit: HABIT };
  if (!from || share <= 0 || share >= 1) return usual;
  const whole = (share * (1 - share)) / (SHARE_FIRMNESS + 1);
  const own = (1 - HABIT ** 2) * whole;
  const asUsual = HABIT ** 2 * whole;
  const habit = Math.min(
    asUsual,
    Math.max(LEAST_OF_HABIT * asUsual, (share * (from.spread ?? Infinity)) ** 2),
  );
  return {
    firmness: (share * (1 - share)) / (own + habit) - 1,
    habit: Math.sqrt(habit / (own + habit)),
  };
}

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
    case 'then':
      return aimSpread(aim.then);
  }
}
