import { HOUR_MS, isSteadyClock, sameHourNextDay, type Span } from '@knapsack/core';
import type { Block, Trip } from '../documents/trip.js';

/** One time that a block is worked. */
export interface Occurrence extends Span {
  readonly block: Block;
  /** The block itself, not one of its repeats. */
  readonly first: boolean;
}

/** The operating position that a block belongs to, 1 for the first. */
export const positionOf = ({ station: position = 1 }: Block): number => position;

/**
 * Every time that the blocks of a trip are worked, in order of time. A repeat that does not fit wholly into the outing, or
 * would run into another block of its operating position, is left out: what was drawn by hand goes before.
 */
export function expandBlocks(trip: Worked): readonly Occurrence[] {
  const known = expanded.get(trip);
  if (known) return known;
  const all = expand(trip);
  expanded.set(trip, all);
  return all;
}

type Worked = Pick<Trip, 'blocks' | 'end' | 'place'>;
/** By trip: several things on a page ask for the same with each move of a hand. */
const expanded = new WeakMap<Worked, readonly Occurrence[]>();

function expand({ blocks, end, place }: Worked): readonly Occurrence[] {
  const endMs = Date.parse(end);
  const planned = blocks.map((block): Occurrence => ({
    startMs: Date.parse(block.start),
    endMs: Date.parse(block.end),
    block,
    first: true,
  }));
  const all = [...planned];
  for (const { block, startMs, endMs: blockEndMs } of planned) {
    if (!block.repeat) continue;
    const length = blockEndMs - startMs;
    const steady = block.repeat === 'hour' || isSteadyClock(startMs, endMs, place.timeZone);
    const period = block.repeat === 'hour' ? HOUR_MS : 24 * HOUR_MS;
    const next = (timeMs: number) => (steady ? timeMs + period : sameHourNextDay(timeMs, place.timeZone));
    for (let from = next(startMs); from + length <= endMs; from = next(from)) {
      const taken = all.some(
        (other) =>
          positionOf(other.block) === positionOf(block) &&
          other.startMs < from + length &&
          other.endMs > from,
      );
      if (!taken) all.push({ startMs: from, endMs: from + length, block, first: false });
    }
  }
  return all.sort((a, b) => a.startMs - b.startMs);
}
