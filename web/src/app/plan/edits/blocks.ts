import type { Block, Trip } from '@knapsack/contract';
import { ACTIVITIES, MINUTE_MS, type Span } from '@knapsack/core';

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

/** The free time around a block: from the end of the one before to the start of the one after, inside the outing. */
export function roomAround(trip: Trip, span: Span, exceptId?: string): Span {
  let { startMs, endMs } = spanOf(trip);
  for (const block of trip.blocks) {
    if (block.id === exceptId) continue;
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
    const room = roomAround(trip, span, id);
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
    const room = roomAround(trip, span, id);
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

/** Adds a block where it fits; null where no quarter of an hour is free. */
export function addBlock(trip: Trip, id: string, wanted: Span, work: Work): Trip | null {
  const outing = spanOf(trip);
  const startMs = clamp(wanted.startMs, outing.startMs, outing.endMs);
  const taken = trip.blocks.some((block) => {
    const span = spanOf(block);
    return span.startMs <= startMs && startMs < span.endMs;
  });
  if (taken) return null;
  const room = roomAround(trip, { startMs, endMs: startMs });
  const endMs = Math.min(wanted.endMs, room.endMs);
  if (endMs - startMs < QUARTER_MS) return null;
  const { activity, mode, powerW, share } = work;
  return {
    ...trip,
    blocks: [
      ...trip.blocks,
      { id, start: iso(startMs), end: iso(endMs), activity, mode, powerW, share },
    ].sort((a, b) => Date.parse(a.start) - Date.parse(b.start)),
  };
}

/** The first free stretch of up to some length at or after an instant, or before it where none follows; null where the outing is full. */
export function freeStretch(trip: Trip, fromMs: number, lengthMs: number): Span | null {
  const outing = spanOf(trip);
  const edges = [...trip.blocks].map(spanOf).sort((a, b) => a.startMs - b.startMs);
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

/** Gives the outing other hours; blocks are cut to them, and those outside are taken out. */
export function setOuting(trip: Trip, { startMs, endMs }: Span): Trip {
  const blocks = trip.blocks.flatMap((block) => {
    const span = spanOf(block);
    const from = Math.max(span.startMs, startMs);
    const to = Math.min(span.endMs, endMs);
    if (from >= to) return [];
    return from === span.startMs && to === span.endMs
      ? [block]
      : [{ ...block, start: iso(from), end: iso(to) }];
  });
  return { ...trip, start: iso(startMs), end: iso(endMs), blocks };
}

/** Moves the whole outing with its blocks so that it starts at an instant. */
export function moveOuting(trip: Trip, toMs: number): Trip {
  const byMs = toMs - Date.parse(trip.start);
  const moved = (time: string) => iso(Date.parse(time) + byMs);
  return {
    ...trip,
    start: moved(trip.start),
    end: moved(trip.end),
    blocks: trip.blocks.map((block) => ({ ...block, start: moved(block.start), end: moved(block.end) })),
  };
}

function withBlock(trip: Trip, id: string, change: (block: Block) => Block): Trip {
  const index = trip.blocks.findIndex((block) => block.id === id);
  if (index === -1) return trip;
  const changed = change(trip.blocks[index]);
  if (changed === trip.blocks[index]) return trip;
  return { ...trip, blocks: trip.blocks.with(index, changed) };
}
