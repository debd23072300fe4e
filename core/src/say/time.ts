import { DateTime } from 'luxon';
import { MINUTE_MS } from '../span.js';

const inZone = (timeMs: number, zone: string) => DateTime.fromMillis(timeMs, { zone, locale: 'en-US' });

const toMinute = (timeMs: number): number => Math.round(timeMs / MINUTE_MS) * MINUTE_MS;

/** "Sat 18:40" in a time zone by its IANA name, to the nearest minute. */
export const sayTime = (timeMs: number, zone: string): string =>
  inZone(toMinute(timeMs), zone).toFormat('ccc HH:mm');

/** "18:40" in a time zone. */
export const sayHour = (timeMs: number, zone: string): string =>
  inZone(toMinute(timeMs), zone).toFormat('HH:mm');

/** "Sat 4 Sep" in a time zone. */
export const sayDay = (timeMs: number, zone: string): string => inZone(timeMs, zone).toFormat('ccc d LLL');

/** "Sat 4 September 2027" in a time zone. */
export const sayDate = (timeMs: number, zone: string): string =>
  inZone(timeMs, zone).toFormat('ccc d MMMM yyyy');

/** "2027-09-04T18:40", as a date and time field holds it. */
export const toLocalField = (timeMs: number, zone: string): string =>
  inZone(timeMs, zone).toFormat("yyyy-MM-dd'T'HH:mm");

/**
 * The instant, UTC epoch ms, of a local date and time such as "2027-09-04T18:40", or null where it is not one.
 * A local time that daylight saving skips is taken forward by the skipped hour, one that it repeats is the first.
 */
export function fromLocalField(text: string, zone: string): number | null {
  const time = DateTime.fromISO(text, { zone });
  return time.isValid ? time.toMillis() : null;
}

/** Whether a text is a time zone's IANA name that this machine knows. */
export const isZone = (zone: string): boolean => DateTime.utc().setZone(zone).isValid;

/** The first whole multiple of some local hours at or after an instant, UTC epoch ms, and those that follow, up to an end. */
export function localHours(startMs: number, endMs: number, everyHours: number, zone: string): number[] {
  let time = inZone(startMs, zone).startOf('hour');
  const marks: number[] = [];
  for (; time.toMillis() <= endMs; time = time.plus({ hours: 1 })) {
    if (time.toMillis() >= startMs && time.hour % everyHours === 0) marks.push(time.toMillis());
  }
  return marks;
}
