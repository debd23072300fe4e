import { MINUTE_MS } from '../span.js';
import type { FieldReading } from './reading.js';

/** Readings that are weighed at the most. */
export const MOST_READINGS = 40;

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
    const place = taken.findLastIndex(
      ({ timeMs, source, state }) =>
        source === reading.source && state === reading.state && reading.timeMs - timeMs < MINUTE_MS,
    );
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
