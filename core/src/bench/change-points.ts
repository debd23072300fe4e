import type { Readings, Stretch } from './readings.js';

/** A change of level is worth this many times the noise's own gain; larger finds fewer. */
const PENALTY = 6;
/** Noise under this is the meter's last digit, A. */
const LEAST_NOISE_A = 0.002;

/**
 * The stretches of one level that a trace falls into: where its mean current changes. Binary segmentation: the cut that
 * takes most off the sum of squares is made where it takes off more than the noise would, and so on in both parts.
 * Source: Scott and Knott (1974), Biometrics 30, 507; the noise from the median step between neighbours.
 *
 * @param leastSeconds shortest stretch that is looked for
 */
export function proposeStretches(readings: Readings, leastSeconds: number): Stretch[] {
  const { timesMs, amps } = readings;
  const count = amps.length;
  if (count === 0) return [];
  const sums = new Float64Array(count + 1);
  const squares = new Float64Array(count + 1);
  for (let index = 0; index < count; index++) {
    sums[index + 1] = sums[index] + amps[index];
    squares[index + 1] = squares[index] + amps[index] ** 2;
  }
  const worth = PENALTY * noiseOf(amps) ** 2 * Math.log(count + 1);
  const error = (from: number, to: number) =>
    squares[to] - squares[from] - (sums[to] - sums[from]) ** 2 / (to - from);
  const longEnough = (from: number, to: number) =>
    timesMs[to - 1] - timesMs[from] >= leastSeconds * 1000 * 0.99 && to > from;

  const found: Stretch[] = [];
  const open: Stretch[] = [{ from: 0, to: count }];
  for (let part = open.pop(); part; part = open.pop()) {
    const { from, to } = part;
    const whole = error(from, to);
    let best = -1;
    let most = worth;
    for (let cut = from + 1; cut < to; cut++) {
      if (!longEnough(from, cut) || !longEnough(cut, to)) continue;
      const gain = whole - error(from, cut) - error(cut, to);
      if (gain > most) [best, most] = [cut, gain];
    }
    if (best === -1) found.push(part);
    else open.push({ from, to: best }, { from: best, to });
  }
  return found.sort((a, b) => a.from - b.from);
}

/** Noise of single readings, A: the median step between neighbours, which the few changes of level do not move. */
function noiseOf(amps: Float64Array): number {
  const steps = Float64Array.from({ length: Math.max(0, amps.length - 1) }, (_, index) =>
    Math.abs(amps[index + 1] - amps[index]),
  ).sort();
  // The median of |N(0, 2 s2)| is 0.954 s.
  return Math.max(LEAST_NOISE_A, (steps[steps.length >> 1] ?? 0) / 0.954);
}
