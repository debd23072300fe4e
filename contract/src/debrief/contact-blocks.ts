import { type ContactStretch } from '@knapsack/core';
import type { Block, Trip } from '../documents/trip.js';
import { usualWork } from '../edits/blocks.js';
import { expandBlocks } from '../resolve/expand-blocks.js';

/** Stretches of one mode that follow each other without a gap as one, whatever their bands; those of no length left out. */
function worked(
  stretches: readonly ContactStretch[],
): readonly Pick<ContactStretch, 'startMs' | 'endMs' | 'mode'>[] {
  const all: { startMs: number; endMs: number; mode: ContactStretch['mode'] }[] = [];
  for (const { startMs, endMs, mode } of stretches) {
    const last = all.at(-1);
    if (last && last.mode === mode && last.endMs === startMs) last.endMs = endMs;
    else all.push({ startMs, endMs, mode });
  }
  return all.filter(({ startMs, endMs }) => endMs > startMs);
}

/**
 * The hours that were really worked, by a contact log: from contact to contact, power and duty cycle as the plan has them for the mode at
 * that time, else for the mode, else as usual. Source: convention of this project.
 */
export function contactBlocks(trip: Trip, stretches: readonly ContactStretch[]): readonly Block[] {
  const planned = expandBlocks(trip);
  const endMs = Date.parse(trip.end);
  const iso = (timeMs: number) => new Date(timeMs).toISOString();
  return worked(stretches)
    .map((stretch) => ({ ...stretch, endMs: Math.min(stretch.endMs, endMs) }))
    .filter(({ startMs, endMs: until }) => until > startMs)
    .map(({ startMs, endMs: until, mode }, index): Block => {
      const overlaps = planned.filter((one) => one.startMs < until && one.endMs > startMs);
      const isMode = ({ block }: (typeof planned)[number]) => mode === null || block.mode === mode;
      const like = overlaps.find(isMode) ?? planned.find(isMode) ?? overlaps[0] ?? planned[0];
      const base = like?.block ?? { ...usualWork(10), id: '', start: '', end: '' };
      const { repeat: _again, modeFactor, processed, ...rest } = base as Block;
      const same = mode === null || mode === base.mode;
      return {
        ...rest,
        ...(same && modeFactor !== undefined && { modeFactor }),
        ...(same && processed !== undefined && { processed }),
        ...(mode !== null && { mode }),
        ...{ id: `contacts-${index + 1}`, start: iso(startMs), end: iso(until) },
      };
    });
}
