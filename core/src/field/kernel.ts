import { FURTHEST } from '../chance/sample.js';
import type { Generator } from '../random/generator.js';
import type { Particles } from './particles.js';

/** How little is forgotten with each move, 0 to 1. */
const DISCOUNT = 0.995;
const KEEPS = (3 * DISCOUNT - 1) / (2 * DISCOUNT);
/** On the difference of two, which has twice the covariance of one. */
const STIRS = Math.sqrt((1 - KEEPS ** 2) / 2);

/**
 * Moves particles of equal weight a little, so that copies of one differ, and keeps their mean, their variances and how all of it
 * hangs together: towards the mean by the kernel's shrinkage, and away from it by the difference of two others.
 * Source: Liu and West (2001), Combined parameter and state estimation in simulation-based filtering, in Sequential Monte Carlo
 * Methods in Practice, 197, for the shrinkage; ter Braak (2006), Statistics and Computing 16, 239, for the difference in the place
 * of a normal law. What has come of the parameters is moved with them: else a charge would no longer be that of its currents.
 *
 * @param blocks that are under way
 */
export function move(particles: Particles, blocks: readonly number[], next: Generator): void {
  const { count } = particles;
  const any = () => Math.floor(next() * count);
  const some = Uint32Array.from({ length: count }, any);
  const others = Uint32Array.from({ length: count }, any);
  const { deviations, sums } = particles.movable(blocks);
  for (const column of deviations) stir(column, some, others, -FURTHEST, FURTHEST);
  for (const column of sums) stir(column, some, others, 0, Infinity);
  for (const column of particles.socs) clamp(column);
}

/**
 * Draws particles of equal weight to a reading that is much surer than they are, all that belongs to them with it, as far as it
 * hangs together with what was read: each to the reading as it may have been off. Nothing is thrown away, so that what has
 * nothing to do with the reading stays as various as it was. Source: Evensen (1994), Journal of Geophysical Research 99, 10143.
 *
 * @param blocks that are under way
 * @param predicted what the reading should be in each particle
 * @param read what it may really have been, in each
 * @param errorVariance of the latter
 */
export function drawTo(
  particles: Particles,
  blocks: readonly number[],
  predicted: Float64Array,
  read: Float64Array,
  errorVariance: number,
): void {
  const mean = meanOf(predicted);
  const variance = predicted.reduce((sum, value) => sum + (value - mean) ** 2, 0) / predicted.length;
  if (variance === 0) return;
  const { deviations, sums } = particles.movable(blocks);
  const pull = (column: Float64Array, least: number, most: number) => {
    const own = meanOf(column);
    let together = 0;
    for (let index = 0; index < column.length; index++) {
      together += (column[index] - own) * (predicted[index] - mean);
    }
    const gain = together / predicted.length / (variance + errorVariance);
    for (let index = 0; index < column.length; index++) {
      const moved = column[index] + gain * (read[index] - predicted[index]);
      column[index] = moved < least ? least : moved > most ? most : moved;
    }
  };
  for (const column of deviations) pull(column, -FURTHEST, FURTHEST);
  for (const column of sums) pull(column, 0, Infinity);
  for (const column of particles.socs) clamp(column);
}

function meanOf(values: Float64Array): number {
  let sum = 0;
  for (const value of values) sum += value;
  return sum / values.length;
}

function stir(
  column: Float64Array,
  some: Uint32Array,
  others: Uint32Array,
  least: number,
  most: number,
): void {
  const before = column.slice();
  const mean = meanOf(before);
  for (let index = 0; index < column.length; index++) {
    const stirred = STIRS * (before[some[index]] - before[others[index]]);
    const moved = KEEPS * before[index] + (1 - KEEPS) * mean + stirred;
    column[index] = moved < least ? least : moved > most ? most : moved;
  }
}

function clamp(socs: Float64Array): void {
  for (let index = 0; index < socs.length; index++) if (socs[index] > 1) socs[index] = 1;
}
