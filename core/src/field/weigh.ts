/** Weights of particles are kept as logarithms; none is larger than the exponential can take. */

/** The weights themselves, summing to 1. */
export function sharesOf(weight: Float64Array): Float64Array {
  const shares = new Float64Array(weight.length);
  let most = -Infinity;
  for (const value of weight) if (value > most) most = value;
  let sum = 0;
  for (let index = 0; index < weight.length; index++) sum += shares[index] = Math.exp(weight[index] - most);
  for (let index = 0; index < weight.length; index++) shares[index] /= sum;
  return shares;
}

/** How many particles of equal weight would say as much: 1 / sum of squares. Source: Kong, Liu and Wong (1994), JASA 89, 278. */
export const effectiveNumber = (weight: Float64Array): number => effectiveWith(weight, weight, 0);

/** The same if a part of what something says of each were taken in as well. */
function effectiveWith(weight: Float64Array, says: Float64Array, part: number): number {
  let most = -Infinity;
  for (let index = 0; index < weight.length; index++)
    most = Math.max(most, weight[index] + part * says[index]);
  let [sum, squares] = [0, 0];
  for (let index = 0; index < weight.length; index++) {
    const share = Math.exp(weight[index] + part * says[index] - most);
    sum += share;
    squares += share * share;
  }
  return (sum * sum) / squares;
}

/**
 * Which particles live on, each as often as its weight says: systematic resampling. Source: Kitagawa (1996), Journal of
 * Computational and Graphical Statistics 5, 1.
 *
 * @param start where in its first cell the comb begins, 0 to below 1
 * @param count how many are wanted
 */
export function survivors(weight: Float64Array, start: number, count = weight.length): Uint32Array {
  const shares = sharesOf(weight);
  const from = new Uint32Array(count);
  let index = 0;
  let sum = shares[0];
  for (let place = 0; place < count; place++) {
    const tooth = (place + start) / count;
    while (sum < tooth && index < shares.length - 1) sum += shares[++index];
    from[place] = index;
  }
  return from;
}

/**
 * The largest part of what a reading says that leaves at least so many effective particles, up to a whole: a reading that few
 * agree with is taken in by parts. Source: tempering as in Neal (2001), Statistics and Computing 11, 125.
 *
 * @param says logarithm of what the reading says of each particle
 * @param left how much of it has not been taken yet, 0 to 1
 */
export function partToTake(weight: Float64Array, says: Float64Array, left: number, least: number): number {
  const enough = (part: number) => effectiveWith(weight, says, part) >= least;
  if (enough(left)) return left;
  let [low, high] = [0, left];
  for (let halving = 0; halving < 12; halving++) {
    const middle = (low + high) / 2;
    if (enough(middle)) low = middle;
    else high = middle;
  }
  return Math.max(low, left / 64);
}

/** Bins that values are counted in before the few of one bin are put in order. */
const BINS = 256;
const binned = new Float64Array(BINS);

/** The least of the values that a share of the weight, 0 to 1, lies at or below. */
export function weightedQuantile(
  values: ArrayLike<number>,
  shares: ArrayLike<number>,
  share: number,
): number {
  const count = values.length;
  let [low, high] = [Infinity, -Infinity];
  for (let index = 0; index < count; index++) {
    const value = values[index];
    if (value < low) low = value;
    if (value > high) high = value;
  }
  const scale = (BINS - 1e-9) / (high - low);
  if (!(scale < Infinity)) return low;
  const binOf = (value: number) => Math.floor((value - low) * scale);
  binned.fill(0);
  for (let index = 0; index < count; index++) binned[binOf(values[index])] += shares[index];
  let bin = 0;
  let sum = 0;
  while (bin < BINS - 1 && sum + binned[bin] < share) sum += binned[bin++];
  const inside: number[] = [];
  for (let index = 0; index < count; index++) if (binOf(values[index]) === bin) inside.push(index);
  inside.sort((one, other) => values[one] - values[other]);
  for (const index of inside) {
    sum += shares[index];
    if (sum >= share) return values[index];
  }
  return inside.length > 0 ? values[inside[inside.length - 1]] : high;
}

export interface MeanAndSpread {
  readonly mean: number;
  /** One standard deviation. */
  readonly sd: number;
}

export function weightedMean(values: ArrayLike<number>, shares: ArrayLike<number>): MeanAndSpread {
  let [mean, squares] = [0, 0];
  for (let index = 0; index < values.length; index++) mean += shares[index] * values[index];
  for (let index = 0; index < values.length; index++) squares += shares[index] * (values[index] - mean) ** 2;
  return { mean, sd: Math.sqrt(squares) };
}
