import { positionOf, skyOf, type Block, type Trip } from '@knapsack/contract';
import { cloudWord, foggyHours, hourOf, spanOf } from '@knapsack/contract/edits';
import { CLOUD_WORDS, HOUR_MS, MINUTE_MS, sayHour, sayWork, valueAt, type Span } from '@knapsack/core';
import type { ForecastView } from '../../work/forecast-protocol';

/** What the sky does in an hour, as it is chosen. */
export type SkyWord = keyof typeof CLOUD_WORDS | 'fog' | 'rain';

/** What is worked in an hour at an operating position. */
export interface HourWork {
  readonly position: number;
  /** The block that is worked for the longest of the hour; null for none. */
  readonly block: Block | null;
  /** "CW 10 W", with its minutes where it is not the whole hour; "off". */
  readonly words: string;
  /** Whether it is not worked for the whole hour. */
  readonly isPart: boolean;
  /** It is done again and again, so that it is changed as a whole. */
  readonly repeated: boolean;
}

/** One hour of the outing in words. */
export interface HourRow {
  readonly span: Span;
  readonly hour: string;
  readonly sky: SkyWord;
  readonly work: readonly HourWork[];
  /** State of charge at the hour's end, 0 to 1; null before a forecast. */
  readonly soc: number | null;
}

/** A block as often as it is worked: once, or again and again. */
interface Worked extends Span {
  readonly block: Block;
}

/**
 * The hours of a stretch of the outing, one by one, the first and the last cut where the outing begins and ends.
 *
 * @param worked all blocks and their repeats
 */
export function hourRows(
  trip: Trip,
  worked: readonly Worked[],
  view: ForecastView | null,
  positions: number,
  stretch: Span,
): readonly HourRow[] {
  const outing = spanOf(trip);
  const skyAt = skyOf(trip);
  const foggy = foggyHours(trip);
  const rows: HourRow[] = [];
  const startMs = Math.max(outing.startMs, stretch.startMs);
  const endMs = Math.min(outing.endMs, stretch.endMs);
  for (let hourMs = hourOf(startMs); hourMs < endMs; hourMs += HOUR_MS) {
    const span = {
      startMs: Math.max(hourMs, outing.startMs),
      endMs: Math.min(hourMs + HOUR_MS, outing.endMs),
    };
    const sky = skyAt(span.startMs);
    rows.push({
      span,
      // "10 AM" rather than "10:00 AM": the column is narrow.
      hour: sayHour(span.startMs, trip.place.timeZone).replace(/:00(?=\s)/, ''),
      sky: sky.rain ? 'rain' : foggy.has(hourMs) ? 'fog' : cloudWord(sky.cloud),
      work: Array.from({ length: positions }, (_, index) => workIn(worked, span, index + 1)),
      soc: view ? valueAt(view.edgesMs, view.soc, span.endMs) : null,
    });
  }
  return rows;
}

function workIn(worked: readonly Worked[], span: Span, position: number): HourWork {
  const there = worked
    .filter(({ block }) => positionOf(block) === position)
    .map((one) => ({
      block: one.block,
      lengthMs: Math.min(one.endMs, span.endMs) - Math.max(one.startMs, span.startMs),
    }))
    .filter(({ lengthMs }) => lengthMs > 0)
    .sort((a, b) => b.lengthMs - a.lengthMs);
  const repeated = there.some(({ block }) => block.repeat !== undefined);
  if (there.length === 0) return { position, block: null, words: 'off', isPart: false, repeated };
  const [{ block, lengthMs }] = there;
  const isPart = lengthMs < span.endMs - span.startMs;
  const howLong = isPart ? `, ${Math.round(lengthMs / MINUTE_MS)} min` : '';
  const also = there.length > 1 ? ' and more' : '';
  return { position, block, words: `${sayWork(block)}${howLong}${also}`, isPart, repeated };
}
