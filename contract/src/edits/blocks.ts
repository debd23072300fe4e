import { positionOf } from '../resolve/expand-blocks.js';
import type { Block, RepeatWord, Trip } from '../documents/trip.js';
import { ACTIVITIES, MINUTE_MS, type Assumption, type Mode, type Span } from '@knapsack/core';

/** Blocks begin and end on quarters of an hour, unless their hours are typed. */
export const QUARTER_MS = 15 * MINUTE_MS;

export type Edge = 'start' | 'end';

export const spanOf = ({ start, end }: { start: string; end: string }): Span => ({
  startMs: Date.parse(start),
  endMs: Date.parse(end),
});

const iso = (timeMs: number): string => new Date(timeMs).toISOString();
export const toQuarter = (timeMs: number): number => Math.round(timeMs / QUARTER_MS) * QUARTER_MS;
const clamp = (value: number, low: number, high: number): number => Math.min(Math.max(value, low), high);

/** The free time around a block of an operating position: from the end of the one before to the start of the one after, inside the outing. */
export function roomAround(trip: Trip, span: Span, position: number, exceptId?: string): Span {
  let { startMs, endMs } = spanOf(trip);
  for (const block of trip.blocks) {
    if (block.id === exceptId || positionOf(block) !== position) continue;
    const other = spanOf(block);
    if (other.endMs <= span.startMs) startMs = Math.max(startMs, other.endMs);
    else if (other.startMs >= span.endMs) endMs = Math.min(endMs, other.startMs);
    else if (other.startMs <= span.startMs) startMs = Math.max(startMs, other.endMs);
    else endMs = Math.min(endMs, other.startMs);
  }
  return { startMs, endMs };
}

/** Moves a block so that it starts at an instant, as far as its neighbours let it. */
export function moveBlock(trip: Trip, id: string, toMs: number): Trip {
  return withBlock(trip, id, (block) => {
    const span = spanOf(block);
    const room = roomAround(trip, span, positionOf(block), id);
    const startMs = clamp(toMs, room.startMs, room.endMs - (span.endMs - span.startMs));
    return startMs === span.startMs
      ? block
      : { ...block, start: iso(startMs), end: iso(startMs + span.endMs - span.startMs) };
  });
}

/** Puts one edge of a block at an instant, as far as its neighbours and its other edge let it. */
export function resizeBlock(trip: Trip, id: string, edge: Edge, toMs: number): Trip {
  return withBlock(trip, id, (block) => {
    const span = spanOf(block);
    const room = roomAround(trip, span, positionOf(block), id);
    const least = Math.min(QUARTER_MS, span.endMs - span.startMs);
    const timeMs =
      edge === 'start'
        ? clamp(toMs, room.startMs, span.endMs - least)
        : clamp(toMs, span.startMs + least, room.endMs);
    return timeMs === (edge === 'start' ? span.startMs : span.endMs)
      ? block
      : { ...block, [edge]: iso(timeMs) };
  });
}

/** Changes what is done in a block. */
export const changeBlock = (trip: Trip, id: string, change: Partial<Omit<Block, 'id'>>): Trip =>
  withBlock(trip, id, (block) => ({ ...block, ...change }));

/** Puts a whole block in the place of the one with its id. */
export const replaceBlock = (trip: Trip, block: Block): Trip => withBlock(trip, block.id, () => block);

export const removeBlock = (trip: Trip, id: string): Trip => ({
  ...trip,
  blocks: trip.blocks.filter((block) => block.id !== id),
});

/** What a new block does: as another block does, or answering calls in CW at a power. */
export type Work = Pick<Block, 'activity' | 'mode' | 'powerW' | 'share'>;

export const usualWork = (powerW: number): Work => ({
  activity: 'answering',
  mode: 'CW',
  powerW,
  share: ACTIVITIES.answering.share,
});

/** Adds a block where it fits at an operating position; null where no quarter of an hour is free. */
export function addBlock(trip: Trip, id: string, wanted: Span, work: Work, position = 1): Trip | null {
  const outing = spanOf(trip);
  const startMs = clamp(wanted.startMs, outing.startMs, outing.endMs);
  const taken = trip.blocks.some((block) => {
    const span = spanOf(block);
    return positionOf(block) === position && span.startMs <= startMs && startMs < span.endMs;
  });
  if (taken) return null;
  const room = roomAround(trip, { startMs, endMs: startMs }, position);
  const endMs = Math.min(wanted.endMs, room.endMs);
  if (endMs - startMs < QUARTER_MS) return null;
  const { activity, mode, powerW, share } = work;
  return {
    ...trip,
    blocks: [
      ...trip.blocks,
      {
        id,
        start: iso(startMs),
        end: iso(endMs),
        activity,
        mode,
        powerW,
        share,
        ...(position > 1 && { station: position }),
      },
    ].sort((a, b) => Date.parse(a.start) - Date.parse(b.start)),
  };
}

/** The first free stretch of an operating position, of up to some length, at or after an instant, or before it where none follows; null where the outing is full. */
export function freeStretch(trip: Trip, fromMs: number, lengthMs: number, position = 1): Span | null {
  const outing = spanOf(trip);
  const edges = trip.blocks
    .filter((block) => positionOf(block) === position)
    .map(spanOf)
    .sort((a, b) => a.startMs - b.startMs);
  const gaps: Span[] = [];
  let startMs = outing.startMs;
  for (const span of [...edges, { startMs: outing.endMs, endMs: outing.endMs }]) {
    if (span.startMs - startMs >= QUARTER_MS) gaps.push({ startMs, endMs: span.startMs });
    startMs = Math.max(startMs, span.endMs);
  }
  const after = gaps.find(({ endMs }) => endMs - fromMs >= QUARTER_MS);
  const gap = after ?? gaps.at(-1);
  if (!gap) return null;
  const begins = after ? Math.max(gap.startMs, fromMs) : gap.startMs;
  return { startMs: begins, endMs: Math.min(gap.endMs, begins + lengthMs) };
}

/** Has a block done again, or only once (null). */
export const repeatBlock = (trip: Trip, id: string, repeat: RepeatWord | null): Trip =>
  withBlock(trip, id, ({ repeat: _before, ...block }) => ({ ...block, ...(repeat && { repeat }) }));

/** Rates a block otherwise than the trip, or as the trip (null). */
export const assumeForBlock = (trip: Trip, id: string, assumption: Assumption | null): Trip =>
  withBlock(trip, id, ({ rating: _before, ...block }) => ({
    ...block,
    ...(assumption && { rating: assumption }),
  }));

/** Gives a block to another operating position. */
export const giveToPosition = (trip: Trip, id: string, position: number): Trip =>
  withBlock(trip, id, ({ station: _before, ...block }) => ({
    ...block,
    ...(position > 1 && { station: position }),
  }));

function withBlock(trip: Trip, id: string, change: (block: Block) => Block): Trip {
  const index = trip.blocks.findIndex((block) => block.id === id);
  if (index === -1) return trip;
  const changed = change(trip.blocks[index]);
  if (changed === trip.blocks[index]) return trip;
  return { ...trip, blocks: trip.blocks.with(index, changed) };
}

/** The blocks of a mode with a transmit duty cycle that was found, 0 to 1; a trip that has none of it, or has it already, stays the same. */
export function withDutyCycle(trip: Trip, mode: Mode, share: number): Trip {
  const blocks = trip.blocks.map((block) =>
    block.mode === mode && block.share !== share ? { ...block, share } : block,
  );
  return blocks.some((block, index) => block !== trip.blocks[index]) ? { ...trip, blocks } : trip;
}
