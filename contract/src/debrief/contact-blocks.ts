import { PAUSE_MS, type Contact, type Mode, type Span } from '@knapsack/core';
import type { Block, Trip } from '../documents/trip.js';
import { usualWork } from '../edits/blocks.js';
import { expandBlocks } from '../resolve/expand-blocks.js';

/** Contacts within an outing, and those that are not. */
export function contactsWithin(
  { start, end }: Pick<Trip, 'start' | 'end'>,
  contacts: readonly Contact[],
): { readonly within: readonly Contact[]; readonly others: number } {
  const [startMs, endMs] = [Date.parse(start), Date.parse(end)];
  const within = contacts.filter(({ timeMs }) => timeMs >= startMs && timeMs <= endMs);
  return { within, others: contacts.length - within.length };
}

interface Stretch extends Span {
  readonly mode: Mode | null;
}

/** Stretches of one mode without a pause, from contact to contact. */
function stretchesOf(contacts: readonly Contact[]): readonly Stretch[] {
  const stretches: { startMs: number; endMs: number; mode: Mode | null }[] = [];
  for (const { timeMs, endMs = timeMs, mode } of contacts.toSorted((a, b) => a.timeMs - b.timeMs)) {
    const last = stretches.at(-1);
    const goesOn = last !== undefined && timeMs - last.endMs <= PAUSE_MS;
    if (goesOn && last.mode === mode) last.endMs = Math.max(last.endMs, endMs);
    // What lies between two modes belongs to the later one, as its rate is counted.
    else {
      const startMs = goesOn ? last.endMs : timeMs;
      stretches.push({ startMs, endMs: Math.max(startMs, endMs), mode });
    }
  }
  return stretches.filter(({ startMs, endMs }) => endMs > startMs);
}

/**
 * The hours that were really worked, by a contact log: from contact to contact, power and duty cycle as the plan has them for the mode at
 * that time, else for the mode, else as usual. Source: convention of this project.
 */
export function contactBlocks(trip: Trip, contacts: readonly Contact[]): readonly Block[] {
  const planned = expandBlocks(trip);
  const endMs = Date.parse(trip.end);
  const iso = (timeMs: number) => new Date(timeMs).toISOString();
  return stretchesOf(contacts)
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
