import { MINUTE_MS } from '../span.js';
import type { FieldReading } from './reading.js';

/** Readings that are weighed at the most. */
export const MOST_READINGS = 40;

/** Readings that are looked at at the most, where instruments send them by the minute. */
export const MOST_MET = 48;

/** One reading, or several within a minute that count as one. */
export interface Taken extends FieldReading {
  /** All readings that it stands for. */
  readonly ids: readonly string[];
}

/**
 * Readings in the order of time, those of one source and state within a minute as one: its latest values count.
 * Source: convention of this project, docs/model.md.
 */
export function asOne(readings: readonly FieldReading[]): readonly Taken[] {
  const taken: Taken[] = [];
  for (const reading of readings.toSorted((a, b) => a.timeMs - b.timeMs)) {
    const place = withinTheMinute(taken, reading);
    if (place < 0) taken.push({ ...reading, ids: [reading.id] });
    else {
      const before = taken[place];
      const counts = before.counts === true || reading.counts === true;
      taken[place] = {
        ...before,
        id: reading.id,
        ids: [...before.ids, reading.id],
        values: { ...before.values, ...reading.values },
        ...(counts && { counts }),
      };
    }
  }
  return taken;
}

/** The place of the reading that another one counts as one with; −1 for none. */
function withinTheMinute(taken: readonly Taken[], { timeMs, source, state }: FieldReading): number {
  for (let place = taken.length - 1; place >= 0 && timeMs - taken[place].timeMs < MINUTE_MS; place--) {
    if (taken[place].source === source && taken[place].state === state) return place;
  }
  return -1;
}

/**
 * Fewer where instruments send by the minute: of each its first and its last, its last before each reset, and the last of each slot of
 * time. The slots lie fast and are as narrow as the number allows, so that what was kept is kept while time goes on. What a person
 * read, and what somebody says counts, is kept unless that alone is too much. Source: convention of this project, docs/model.md.
 *
 * @param taken ascending in time
 * @param resetsMs when counters were set to zero, UTC epoch ms
 */
export function thinned(
  taken: readonly Taken[],
  resetsMs: readonly number[],
  most = MOST_MET,
): readonly Taken[] {
  if (taken.length <= most) return taken;
  const spares = (people: boolean) => (reading: Taken) =>
    people && (reading.source === 'typed' || reading.counts === true);
  for (let slotMs = 2 * MINUTE_MS; ; slotMs *= 2) {
    // A day's slot is as wide as they get: then people's readings are too many.
    const kept = keptOf(taken, resetsMs, slotMs, spares(slotMs <= WIDEST_SLOT_MS));
    if (kept.length <= most || slotMs > WIDEST_SLOT_MS * 64) return kept;
  }
}

const WIDEST_SLOT_MS = 1024 * MINUTE_MS;

function keptOf(
  taken: readonly Taken[],
  resetsMs: readonly number[],
  slotMs: number,
  isSpared: (reading: Taken) => boolean,
): readonly Taken[] {
  /** By source and slot: the last of it; and by source and stretch between resets. */
  const lasts = new Map<string, Taken>();
  const firsts = new Map<string, Taken>();
  for (const reading of taken) {
    const { source, timeMs } = reading;
    const resets = resetsMs.filter((resetMs) => resetMs < timeMs).length;
    if (!firsts.has(source)) firsts.set(source, reading);
    lasts.set(`${source} slot ${Math.floor(timeMs / slotMs)}`, reading);
    lasts.set(`${source} reset ${resets}`, reading);
  }
  const kept = new Set([...firsts.values(), ...lasts.values()]);
  return taken.filter((reading) => kept.has(reading) || isSpared(reading));
}

/**
 * Those to weigh where there are very many: the first and the last, the last before each reset, and those between which the spread
 * of the state of charge changes most.
 *
 * @param spreads of the state of charge as planned at each of them, 0 to 1
 * @param resetsMs when counters were set to zero, UTC epoch ms
 * @returns their places, ascending
 */
export function chooseReadings(
  taken: readonly Pick<Taken, 'timeMs'>[],
  spreads: readonly number[],
  resetsMs: readonly number[],
  most = MOST_READINGS,
): readonly number[] {
  const all = taken.map((_, place) => place);
  if (all.length <= most) return all;
  const chosen = new Set([0, all.length - 1]);
  for (const resetMs of resetsMs.toSorted((a, b) => b - a)) {
    const last = taken.findLastIndex(({ timeMs }) => timeMs <= resetMs);
    if (last >= 0 && chosen.size < most) chosen.add(last);
  }
  const change = (place: number) => (place === 0 ? 0 : Math.abs(spreads[place] - spreads[place - 1]));
  for (const place of all.toSorted((a, b) => change(b) - change(a) || a - b)) {
    if (chosen.size >= most) break;
    chosen.add(place);
  }
  return [...chosen].sort((a, b) => a - b);
}
