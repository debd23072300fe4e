import { cloudAt, OVERCAST, RAIN } from '../sun/light-table.js';
import type { FieldMarch } from './field-march.js';
import { KNOWN_STATES, predict } from './predict.js';
import {
  readingScale,
  type FieldReading,
  type ReadingState,
  type ReadQuantity,
  type SkyNote,
} from './reading.js';
import { studentBelow, studentLogDensity } from './student.js';
import { weightedMean, weightedQuantile } from './weigh.js';

/** How far apart particles stand for each other, as a share of their spread: about Silverman's rule (1986) for a few thousand. */
const BETWEEN = 0.2;

/** An hour that somebody saw: cloud is told to within so much of the sky; rain that falls within an hour need not fall just then. */
const CLOUD_SCALE = 0.15;
const RAIN_SEEN = 0.5;
const RAIN_ELSEWHERE = 0.03;

/** What a quantity should be in each particle, in one state, and the scale of what it may be off. */
export interface Prediction {
  readonly values: Float64Array;
  readonly scales: Float64Array;
}

/** How often so odd a value comes by chance, 0 to 1: both tails of all that it could be. */
export function tailOf(predictions: readonly Prediction[], shares: Float64Array, read: number): number {
  let below = 0;
  for (const { values, scales } of predictions) {
    const { sd } = weightedMean(values, shares);
    for (let index = 0; index < values.length; index++) {
      // Between and beyond the particles as well: so many of them stand for a law without gaps.
      const smooth = Math.hypot(scales[index], BETWEEN * sd);
      below += shares[index] * studentBelow((read - values[index]) / smooth);
    }
  }
  const share = below / predictions.length;
  return 2 * Math.min(share, 1 - share);
}

export function middleOf(predictions: readonly Prediction[], shares: Float64Array): number {
  const means = shares.map((_, index) => predictions.reduce((sum, { values }) => sum + values[index], 0));
  return weightedQuantile(means, shares, 0.5) / predictions.length;
}

/** Logarithm of what a value says of each particle. */
export function saidBy(predictions: readonly Prediction[], read: number): Float64Array {
  const logOf = ({ values, scales }: Prediction, index: number) =>
    studentLogDensity((read - values[index]) / scales[index]) - Math.log(scales[index]);
  const [first, ...others] = predictions;
  return first.values.map((_, index) => {
    const only = logOf(first, index);
    if (others.length === 0) return only;
    const density = others.reduce((sum, one) => sum + Math.exp(logOf(one, index)), Math.exp(only));
    return Math.log(Math.max(density / predictions.length, Number.MIN_VALUE));
  });
}

/** What a quantity should be in each particle, for each state that it may have been read in. */
export function predictionsOf(
  march: FieldMarch,
  { source, state: given }: Pick<FieldReading, 'source' | 'state'>,
  quantity: ReadQuantity,
): readonly Prediction[] {
  const { count } = march.particles;
  return statesOf(given, quantity).map((state) => {
    const values = new Float64Array(count);
    const scales = new Float64Array(count);
    const as = { source, state };
    for (let index = 0; index < count; index++) {
      const { value, isCharging } = predict(march, index, quantity, as, state);
      values[index] = value;
      scales[index] = readingScale(quantity, as, value, isCharging);
    }
    return { values, scales };
  });
}

/** What was counted, and a state of charge, are the same in all states. */
const statesOf = (state: ReadingState, quantity: ReadQuantity): readonly ReadingState[] =>
  quantity === 'outAh' || quantity === 'inAh' || quantity === 'percent' || state !== 'unknown'
    ? [state]
    : KNOWN_STATES;

/** Logarithm of what somebody's look at the sky says of an hour of it. */
export function skySays({ cloud, rain, fog }: SkyNote, place: number): number {
  if (fog) return 0;
  const rains = place === RAIN;
  const chance = rains ? RAIN_SEEN : RAIN_ELSEWHERE;
  const seen = cloudAt(Math.min(place, OVERCAST));
  return Math.log(rain ? chance : 1 - chance) + studentLogDensity(((rain ? 1 : cloud) - seen) / CLOUD_SCALE);
}
