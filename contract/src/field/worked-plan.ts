import { HOUR_MS, succeed, type AimPlan, type PlanInput, type Result } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { LogEntry, PanelEntry, PanelLaid } from '../documents/log.js';
import type { Trip } from '../documents/trip.js';
import { resolve } from '../resolve/resolve.js';
import { workedBlocks } from './worked-blocks.js';

/** A panel that somebody sees in shade stays there for so long, unless something else is said. Source: convention of this project. */
const SHADE_MS = HOUR_MS;

/**
 * The plan as it was really worked up to now, and as it is planned from then on: blocks, batteries one after the other where one
 * was swapped, how the panel lay, and an end that was called.
 *
 * @param entries that stand, in the order of time, none after now
 */
export function workedPlan(
  trip: Trip,
  entries: readonly LogEntry[],
  shelf: readonly Gear[],
): Result<PlanInput> {
  const worked = workedTrip(trip, entries, shelf);
  const plan = resolve(worked, shelf);
  if (!plan.ok || !plan.value.sun) return plan;
  const laid = entries.filter((entry): entry is PanelEntry => entry.kind === 'panel');
  const { sun } = plan.value;
  const spans = [...sun.shade.spans, ...shadeOf(laid)];
  return succeed({
    ...plan.value,
    sun: { ...sun, aim: laid.reduce(laidFrom, sun.aim), shade: { ...sun.shade, spans } },
  });
}

/** The trip with what the log says of its work and its batteries. */
export function workedTrip(trip: Trip, entries: readonly LogEntry[], shelf: readonly Gear[]): Trip {
  const called = entries.findLast(({ kind }) => kind === 'end');
  const endMs = called ? Math.max(Date.parse(called.at), Date.parse(trip.start) + 1) : Date.parse(trip.end);
  const end = new Date(Math.min(endMs, Date.parse(trip.end))).toISOString();
  const swapped = [
    ...new Set(
      entries.flatMap((entry) => (entry.kind === 'battery' && entry.do !== 'full' ? [entry.gear] : [])),
    ),
  ];
  const known = new Set([...shelf, ...(trip.gear ?? [])].map(({ id }) => id));
  const inBag = new Set(trip.loadout.map(({ gear }) => gear));
  const borrowed = swapped.filter((gear) => !inBag.has(gear) && known.has(gear));
  const charges = entries.some((entry) => entry.kind === 'battery' && entry.do === 'charge');
  // Other variants of the outing were not worked, and their blocks may lie after its end.
  const { variants: _variants, ...own } = trip;
  const ended: Trip = called ? { ...own, end } : own;
  return {
    ...ended,
    blocks: workedBlocks(trip, entries)
      .filter(({ start }) => Date.parse(start) < Date.parse(end))
      .map((block) => (Date.parse(block.end) > Date.parse(end) ? { ...block, end } : block)),
    loadout: [...trip.loadout, ...borrowed.map((gear) => ({ gear, count: 1 }))],
    ...(swapped.length > 0 && { batteryUse: 'turns' as const }),
    ...(charges && { chargeIdle: true }),
  };
}

/** How the panel lies from an entry on. */
function laidFrom(before: AimPlan, { at, aim }: PanelEntry): AimPlan {
  if (!aim) return before;
  const fromMs = Date.parse(at);
  return { how: 'then', first: before, fromMs, then: aimOf(aim, fromMs) };
}

const aimOf = (aim: PanelLaid, fromMs: number): AimPlan =>
  aim.how === 'sun' ? { how: 'at', timesMs: [fromMs] } : aim;

/** Hours of shade that were seen, each until the next word on it. */
function shadeOf(laid: readonly PanelEntry[]) {
  const told = laid.filter(({ shade }) => shade !== undefined);
  return told.flatMap(({ at, shade = 0 }, index) => {
    const startMs = Date.parse(at);
    const nextMs = index + 1 < told.length ? Date.parse(told[index + 1].at) : Infinity;
    return shade > 0 ? [{ startMs, endMs: Math.min(startMs + SHADE_MS, nextMs), fraction: shade }] : [];
  });
}
