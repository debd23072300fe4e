import { DateTime } from 'luxon';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import { habits } from './habits.js';

const inZone = (timeMs: number, zone: string) => DateTime.fromMillis(timeMs, { zone, locale: 'en-US' });

/** Sayings that are kept. */
const MOST_SAID = 1000;
const said = new Map<string, string>();

/** An instant in words. While a hand moves one thing, all other times are said again and again; a zone's clock is slow to ask. */
function inWords(timeMs: number, zone: string, format: string): string {
  const key = `${timeMs} ${zone} ${format}`;
  const before = said.get(key);
  if (before !== undefined) return before;
  if (said.size >= MOST_SAID) said.clear();
  const words = inZone(timeMs, zone).toFormat(format);
  said.set(key, words);
  return words;
}

const toMinute = (timeMs: number): number => Math.round(timeMs / MINUTE_MS) * MINUTE_MS;

const clock = (): string => (habits().clock === 24 ? 'HH:mm' : 'h:mm\u00A0a');

/** "Sat 18:40", or "Sat 6:40 PM", in a time zone by its IANA name, to the nearest minute. */
export const sayTime = (timeMs: number, zone: string): string =>
  inWords(toMinute(timeMs), zone, `ccc ${clock()}`);

/** "18:40", or "6:40 PM", in a time zone. */
export const sayHour = (timeMs: number, zone: string): string => inWords(toMinute(timeMs), zone, clock());

/** The hour alone, for an axis: "18", or "6 PM", in a time zone. */
export const sayFullHour = (timeMs: number, zone: string): string =>
  inWords(toMinute(timeMs), zone, habits().clock === 24 ? 'HH' : 'h\u00A0a');

/** "Sat 4": the day as an axis has it, in a time zone. */
export const sayWeekday = (timeMs: number, zone: string): string => inWords(timeMs, zone, 'ccc d');

/** "Sat 4 Sep", or where units are US customary "Sat Sep 4", in a time zone. */
export const sayDay = (timeMs: number, zone: string): string =>
  inWords(timeMs, zone, habits().units === 'us' ? 'ccc LLL d' : 'ccc d LLL');

/** "Sat 4 September 2027", or where units are US customary "Sat September 4, 2027", in a time zone. */
export const sayDate = (timeMs: number, zone: string): string =>
  inWords(timeMs, zone, habits().units === 'us' ? 'ccc MMMM d, yyyy' : 'ccc d MMMM yyyy');

/** "2027-09-04T18:40", as a date and time field holds it. */
export const toLocalField = (timeMs: number, zone: string): string =>
  inWords(timeMs, zone, "yyyy-MM-dd'T'HH:mm");

/**
 * The instant, UTC epoch ms, of a local date and time such as "2027-09-04T18:40", or null where it is not one.
 * A local time that daylight saving skips is taken forward by the skipped hour, one that it repeats is the first.
 */
export function fromLocalField(text: string, zone: string): number | null {
  const time = DateTime.fromISO(text, { zone });
  return time.isValid ? time.toMillis() : null;
}

/** The instant at which the clock of another zone shows what the clock of one shows at an instant, UTC epoch ms. */
export const sameClock = (timeMs: number, fromZone: string, toZone: string): number =>
  inZone(timeMs, fromZone).setZone(toZone, { keepLocalTime: true }).toMillis();

/** The same local time on the next day, UTC epoch ms; one that daylight saving skips is an hour later. */
export const sameHourNextDay = (timeMs: number, zone: string): number =>
  inZone(timeMs, zone).plus({ days: 1 }).toMillis();

/** How often a zone's clock is looked at for a change: no two changes come closer together. */
const CLOCK_EVERY_MS = 7 * 86_400_000;

/** Whether the clocks of a zone stay as they are from one instant to another, so that each day has 24 hours. */
export function isSteadyClock(fromMs: number, toMs: number, zone: string): boolean {
  const { offset } = inZone(fromMs, zone);
  for (let at = fromMs; at < toMs; at += CLOCK_EVERY_MS) if (inZone(at, zone).offset !== offset) return false;
  return inZone(toMs, zone).offset === offset;
}

/** The start of the local day that an instant falls into, UTC epoch ms. */
export const midnightBefore = (timeMs: number, zone: string): number =>
  inZone(timeMs, zone).startOf('day').toMillis();

/** The start of the local day after the one that an instant falls into, UTC epoch ms. */
export const midnightAfter = (timeMs: number, zone: string): number =>
  inZone(timeMs, zone).startOf('day').plus({ days: 1 }).toMillis();

/**
 * The next such day of the week at an hour of the local day, UTC epoch ms; always after an instant.
 *
 * @param weekday 1 for Monday to 7
 */
export function nextWeekday(afterMs: number, weekday: number, hour: number, zone: string): number {
  const after = inZone(afterMs, zone);
  const day = after.startOf('day').plus({ days: (weekday - after.weekday + 7) % 7 });
  const time = day.set({ hour });
  return (time > after ? time : day.plus({ days: 7 }).set({ hour })).toMillis();
}

/** Whether a text is a time zone's IANA name that this machine knows. */
export const isZone = (zone: string): boolean => DateTime.utc().setZone(zone).isValid;

/**
 * The first whole multiple of some local hours at or after an instant, UTC epoch ms, and those that follow, up to an end.
 *
 * @param everyHours a part of an hour, whole hours that divide the day, or whole days (from midnight)
 */
export function localHours(startMs: number, endMs: number, everyHours: number, zone: string): number[] {
  const midnightMs = midnightBefore(startMs, zone);
  return isSteadyClock(midnightMs, endMs, zone)
    ? steadyHours(midnightMs, startMs, endMs, everyHours)
    : walkedHours(startMs, endMs, everyHours, zone);
}

/** {@link localHours} where each day has 24 hours: a zone's clock, slow to ask, is not asked for each of them. */
function steadyHours(midnightMs: number, startMs: number, endMs: number, everyHours: number): number[] {
  const stepMs = everyHours * HOUR_MS;
  const fromMs = Math.min(stepMs, 24 * HOUR_MS);
  const firstMs = midnightMs + Math.ceil((startMs - midnightMs) / fromMs) * fromMs;
  return Array.from(
    { length: Math.max(0, Math.floor((endMs - firstMs) / stepMs) + 1) },
    (_, index) => firstMs + index * stepMs,
  );
}

function walkedHours(startMs: number, endMs: number, everyHours: number, zone: string): number[] {
  const everyMinutes = Math.round(everyHours * 60);
  const ofDays = everyHours >= 24;
  const step = ofDays ? { days: everyHours / 24 } : { minutes: Math.min(60, everyMinutes) };
  let time = inZone(startMs, zone).startOf(ofDays ? 'day' : 'hour');
  const marks: number[] = [];
  for (; time.toMillis() < startMs; time = time.plus(ofDays ? { days: 1 } : step));
  for (; time.toMillis() <= endMs; time = time.plus(step)) {
    if (ofDays || (time.hour * 60 + time.minute) % everyMinutes === 0) marks.push(time.toMillis());
  }
  return marks;
}

/** Hour of the local day, 0 to below 24. */
export function localHour(timeMs: number, zone: string): number {
  const { hour, minute } = inZone(timeMs, zone);
  return hour + minute / 60;
}

/** The months by their names, January first. */
export const MONTH_NAMES = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const;
