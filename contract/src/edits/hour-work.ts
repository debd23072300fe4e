import { type Span } from '@knapsack/core';
import type { Block, Trip } from '../documents/trip.js';
import { expandBlocks, positionOf } from '../resolve/expand-blocks.js';
import { spanOf } from './blocks.js';

/** All that is said of what is worked, apart from when and where: its duty cycle, speech processing, assumptions. */
export type WholeWork = Omit<Block, 'id' | 'start' | 'end' | 'repeat' | 'station'>;

const iso = (timeMs: number): string => new Date(timeMs).toISOString();

/** What is worked, apart from when: two blocks that are the same in it are one where they meet. */
const workOf = ({ id: _id, start: _start, end: _end, ...work }: Block): string =>
  JSON.stringify(Object.entries(work).toSorted(([a], [b]) => a.localeCompare(b)));

/**
 * Gives a stretch of the outing to another work at an operating position, or to none (null): what was worked there gives way, in
 * two parts where the stretch lies within it, and joins what is worked just before and after it where that is the same. A block
 * that is done again stays as it is.
 *
 * @param newId makes the ids of blocks that come to be
 */
export function setWork(
  trip: Trip,
  wanted: Span,
  work: WholeWork | null,
  newId: () => string,
  position = 1,
): Trip {
  const outing = spanOf(trip);
  const span = {
    startMs: Math.max(wanted.startMs, outing.startMs),
    endMs: Math.min(wanted.endMs, outing.endMs),
  };
  if (span.endMs <= span.startMs || isRepeated(trip, span, position)) return trip;
  const given = trip.blocks.flatMap((block) =>
    positionOf(block) === position ? withoutStretch(block, span, newId) : [block],
  );
  if (work) {
    // Of a block that is taken for a pattern its own hours stay behind.
    const { id, start, end, repeat, station, ...whole } = work as Block;
    given.push({
      ...whole,
      ...{ id: newId(), start: iso(span.startMs), end: iso(span.endMs) },
      ...(position > 1 && { station: position }),
    });
  }
  given.sort((a, b) => Date.parse(a.start) - Date.parse(b.start));
  return { ...trip, blocks: joined(given, position) };
}

/** Whether a block that is done again is worked in a stretch, at its own hours or at a repeat: it is changed as a whole. */
const isRepeated = (trip: Trip, span: Span, position: number): boolean =>
  expandBlocks(trip).some(
    ({ block, ...worked }) => block.repeat && positionOf(block) === position && meets(worked, span),
  );

const meets = (a: Span, b: Span): boolean => a.startMs < b.endMs && b.startMs < a.endMs;

/** What of a block lies outside a stretch. */
function withoutStretch(block: Block, span: Span, newId: () => string): Block[] {
  const { startMs, endMs } = spanOf(block);
  if (!meets({ startMs, endMs }, span)) return [block];
  const before = startMs < span.startMs ? [{ ...block, end: iso(span.startMs) }] : [];
  const after = endMs > span.endMs ? [{ ...block, start: iso(span.endMs) }] : [];
  return before.length > 0 && after.length > 0
    ? [...before, ...after.map((part) => ({ ...part, id: newId() }))]
    : [...before, ...after];
}

/** Blocks of one position that meet and do the same, as one. */
function joined(blocks: readonly Block[], position: number): Block[] {
  const done: Block[] = [];
  for (const block of blocks) {
    const at = done.findLastIndex((other) => positionOf(other) === positionOf(block));
    const last = done[at];
    const isOne =
      last !== undefined &&
      positionOf(block) === position &&
      !last.repeat &&
      Date.parse(last.end) === Date.parse(block.start) &&
      workOf(last) === workOf(block);
    if (isOne) done[at] = { ...last, end: block.end };
    else done.push(block);
  }
  return done;
}
