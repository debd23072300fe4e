import type { Span } from '@knapsack/core';
import type { Block, Trip } from '../documents/trip.js';
import type { LogEntry, WorkEntry } from '../documents/log.js';
import { expandBlocks, positionOf } from '../resolve/expand-blocks.js';
import { usualWork } from '../edits/blocks.js';

/** A stretch of work, and what is done in it. */
interface Piece extends Span {
  readonly block: Block;
}

/**
 * What was really worked, and what is planned from then on: the plan where the log is silent. A start begins work at its time (and
 * not before it in the planned block that it falls into), a stop ends it, a change goes on otherwise; what was begun ends where the
 * planned block ends that it fell into, else where the next one begins. Source: convention of this project.
 *
 * @param entries that stand, in the order of time, none after now
 */
export function workedBlocks(trip: Trip, entries: readonly LogEntry[]): readonly Block[] {
  const planned = expandBlocks(trip);
  const endMs = Date.parse(trip.end);
  const startMs = Date.parse(trip.start);
  let pieces: readonly Piece[] = planned.map(({ startMs: from, endMs: to, block }) => ({
    startMs: from,
    endMs: to,
    block,
  }));
  const told = new Set<Piece>();
  for (const entry of entries) {
    if (entry.kind !== 'work') continue;
    const atMs = Date.parse(entry.at);
    if (atMs < startMs || atMs >= endMs) continue;
    const position = entry.station ?? 1;
    const isOwn = ({ block }: Piece) => positionOf(block) === position;
    const under = pieces.find((piece) => isOwn(piece) && piece.startMs <= atMs && atMs < piece.endMs);
    const others = pieces.filter((piece) => piece !== under);
    if (entry.do === 'stop') {
      pieces = under ? [...others, ...upTo(under, atMs)] : pieces;
      continue;
    }
    const next = Math.min(
      endMs,
      ...pieces.filter((piece) => isOwn(piece) && piece.startMs > atMs).map((piece) => piece.startMs),
    );
    const block = blockFor(trip, entry, under?.block ?? null);
    const begun: Piece = { startMs: atMs, endMs: under?.endMs ?? next, block };
    // A start in a planned block says that it was not worked before; in one that was started, it goes on from there.
    const before = under && (entry.do === 'change' || told.has(under)) ? upTo(under, atMs) : [];
    before.forEach((piece) => told.add(piece));
    told.add(begun);
    pieces = [...others, ...before, begun];
  }
  return pieces
    .filter((piece) => piece.endMs > piece.startMs)
    .toSorted((a, b) => a.startMs - b.startMs)
    .map(({ block, startMs: from, endMs: to }, index): Block => {
      const { repeat: _again, ...once } = block;
      return { ...once, id: `worked-${index + 1}`, start: iso(from), end: iso(to) };
    });
}

const upTo = (piece: Piece, atMs: number): readonly Piece[] =>
  atMs > piece.startMs ? [{ ...piece, endMs: atMs }] : [];

const iso = (timeMs: number): string => new Date(timeMs).toISOString();

/** What an entry says is worked: its block of the plan, what was under way, or the usual; then its own words. */
function blockFor(trip: Trip, entry: WorkEntry, under: Block | null): Block {
  const { activity, mode, powerW, share, station: position = 1 } = entry;
  const nearest = trip.blocks.find((block) => positionOf(block) === position);
  const like = trip.blocks.find(({ id }) => id === entry.block) ?? under ?? nearest;
  const base = like ?? { ...usualWork(powerW ?? 10), start: trip.start, end: trip.end };
  // Another mode has another factor, and a figure of one's own for the old one does not go with it.
  const { modeFactor, processed, ...rest } = base as Block;
  const same = mode === undefined || mode === base.mode;
  return {
    ...rest,
    id: entry.id,
    ...(same && modeFactor !== undefined && { modeFactor }),
    ...(same && processed !== undefined && { processed }),
    ...(activity !== undefined && { activity }),
    ...(mode !== undefined && { mode }),
    ...(powerW !== undefined && { powerW }),
    ...(share !== undefined && { share }),
    ...(position > 1 && { station: position }),
  };
}
