import type { MeanAndSpread } from '@knapsack/core';
import { entriesOf, type FigureEntry } from '../documents/figure.js';
import type { Battery, Gear, Panel, Radio } from '../documents/gear.js';
import type { OutingRow } from './outing-row.js';

/** A figure of the gear on a day. */
export interface FigureOnDay {
  /** UTC epoch ms. */
  readonly timeMs: number;
  readonly value: number;
  readonly sd: number;
  /** What an outing has taught, accepted or not, or what stands with the gear. */
  readonly from: 'outing' | 'gear';
}

/** How a figure of the gear went over the years. */
export interface FigureOverTime {
  readonly gear: string;
  readonly name: string;
  readonly at: 'measuredAh' | 'receiveA' | 'truth';
  /** In the order of time. */
  readonly days: readonly FigureOnDay[];
  /** What the label says; null where it says nothing of it. */
  readonly label: number | null;
}

/** Capacity, receive current and panel output over the years, of the gear that outings or the bench have said something of at least twice. */
export const figuresOverTime = (
  rows: readonly OutingRow[],
  shelf: readonly Gear[],
): readonly FigureOverTime[] =>
  shelf.flatMap((gear): readonly FigureOverTime[] => {
    if (gear.kind === 'battery') return seriesOf(rows, gear, 'measuredAh', gear.ratedAh.value);
    if (gear.kind === 'radio') return seriesOf(rows, gear, 'receiveA', sheetOf(gear));
    return gear.kind === 'panel' ? seriesOf(rows, gear, 'truth', 1) : [];
  });

const sheetOf = ({ receiveA, receiveSheetA }: Radio): number | null =>
  receiveSheetA?.value ?? (receiveA.source === 'datasheet' ? receiveA.value : null);

function seriesOf(
  rows: readonly OutingRow[],
  gear: Battery | Radio | Panel,
  at: FigureOverTime['at'],
  label: number | null,
): readonly FigureOverTime[] {
  const figure = (gear as unknown as Readonly<Record<string, Parameters<typeof entriesOf>[0] | undefined>>)[
    at
  ];
  const measured = (figure ? entriesOf(figure) : [])
    .filter(({ source, date }) => source === 'measured' && date !== undefined)
    .map(dayOf);
  const taught = rows.flatMap(({ taught: all, endMs }) =>
    all
      .filter((one) => one.gear === gear.id && one.at === at)
      .map(({ after }): FigureOnDay => onDay(endMs, after)),
  );
  const days = [...measured, ...taught].sort((a, b) => a.timeMs - b.timeMs);
  return days.length < 2 ? [] : [{ gear: gear.id, name: gear.name, at, days, label }];
}

const dayOf = ({ value, spread = 0, date }: FigureEntry): FigureOnDay => ({
  ...{ timeMs: Date.parse(`${date}T12:00:00Z`), value, sd: spread, from: 'gear' },
});

const onDay = (timeMs: number, { mean, sd }: MeanAndSpread): FigureOnDay => ({
  ...{ timeMs, value: mean, sd, from: 'outing' },
});

/** A straight line through the days of a figure, by least squares weighed by how sure each is; null where all are of one day. */
export interface Trend {
  /** The value at the time 0, and its change a ms. */
  readonly valueAt: (timeMs: number) => number;
  readonly perYear: number;
}

const YEAR_MS = 365.25 * 24 * 3_600_000;

export function trendOf(days: readonly FigureOnDay[]): Trend | null {
  const weight = days.map(({ value, sd }) => 1 / Math.max(sd, 0.01 * value) ** 2);
  const sum = weight.reduce((all, each) => all + each, 0);
  const mean = (valueOf: (day: FigureOnDay) => number) =>
    days.reduce((all, day, place) => all + weight[place] * valueOf(day), 0) / sum;
  const [timeMs, value] = [mean((day) => day.timeMs), mean((day) => day.value)];
  const spread = mean((day) => (day.timeMs - timeMs) ** 2);
  if (spread === 0) return null;
  const slope = mean((day) => (day.timeMs - timeMs) * (day.value - value)) / spread;
  return { valueAt: (at) => value + slope * (at - timeMs), perYear: slope * YEAR_MS };
}

/** No trend is believed for longer than this. */
const FURTHEST_MS = 10 * YEAR_MS;

/**
 * When a figure that falls comes down to what is needed, UTC epoch ms; null where it does not within ten years.
 *
 * @param nowMs UTC epoch ms
 */
export function tooSmallFrom(days: readonly FigureOnDay[], needed: number, nowMs: number): number | null {
  const trend = trendOf(days);
  if (!trend) return null;
  if (trend.valueAt(nowMs) <= needed) return nowMs;
  if (trend.perYear >= 0) return null;
  const atMs = nowMs + ((needed - trend.valueAt(nowMs)) / trend.perYear) * YEAR_MS;
  return atMs - nowMs > FURTHEST_MS ? null : atMs;
}
