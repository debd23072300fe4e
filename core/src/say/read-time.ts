import { DateTime } from 'luxon';
import { MONTH_NAMES } from './time.js';

const WEEKDAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];
const DAYS_IN_HALF_A_WEEK = 3;

/**
 * The instant that a person means by a day and an hour, UTC epoch ms, or null where the text is neither: "4 Sep 16:30",
 * "Sep 4, 2027 4:30 pm", "Sat 16:30", "16:30", "4 Sep", "2027-09-04 16:30". What is left out stays as it is: the hour of
 * `nearMs`, its day, or of a day without a year, or of a day of the week, the one nearest to it. Days in figures alone ("4/9") are
 * not taken, since half of the world reads them the other way round. Local times that daylight saving skips or repeats: as
 * fromLocalField has them.
 */
export function readLocalTime(text: string, nearMs: number, zone: string): number | null {
  const near = DateTime.fromMillis(nearMs, { zone });
  const words = text
    .toLowerCase()
    .replaceAll(',', ' ')
    .replace(/[\s\u00A0\u202F]+/g, ' ')
    .trim();
  if (words === '') return null;
  const hour = HOUR.exec(words);
  const clock = hour ? readHour(hour) : { hour: near.hour, minute: near.minute };
  const dayWords = (hour ? words.slice(0, hour.index) + words.slice(hour.index + hour[0].length) : words)
    .replace(/\bat\b/, ' ')
    .replace(/\s+/g, ' ')
    .trim();
  const day = dayWords === '' ? near : readDay(dayWords, near);
  if (!clock || !day) return null;
  const time = day.startOf('day').set(clock);
  return time.isValid ? time.toMillis() : null;
}

/** "16:30", "16h30", "4:30 pm", "4 pm", "T16:30"; "1630" alone or after a day of the week, since elsewhere it is a year. */
const HOUR =
  /(?:^|[ t])(?:(\d{1,2})(?:[:h](\d{2}))? ?([ap])\.?m\.?|(\d{1,2})[:h](\d{2})|(?<=^|^\p{L}+ )(\d{2})(\d{2})(?=$))(?= |$)/u;

function readHour([, halfHour, halfMinute, half, full, minutes, fullShort, minutesShort]: RegExpExecArray) {
  const hour = Number(halfHour ?? full ?? fullShort);
  const minute = Number((halfHour ? halfMinute : (minutes ?? minutesShort)) ?? 0);
  if (minute > 59 || (half ? hour < 1 || hour > 12 : hour > 23)) return null;
  return { hour: half ? (hour % 12) + (half === 'p' ? 12 : 0) : hour, minute };
}

/** A day by its words; midnight or not is not told. */
function readDay(words: string, near: DateTime): DateTime | null {
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(words);
  if (iso) return valid(Number(iso[1]), Number(iso[2]), Number(iso[3]), near);
  const [first, ...rest] = words.split(' ');
  const weekday = WEEKDAYS.indexOf(first.slice(0, 3));
  const named = weekday >= 0 && first.length >= 3;
  // A day of the week before a date is what the page itself says: the date decides.
  if (named && rest.length > 0) return readDay(rest.join(' '), near);
  if (named) {
    const ahead = (weekday + 1 - near.weekday + 7) % 7;
    return near.plus({ days: ahead > DAYS_IN_HALF_A_WEEK ? ahead - 7 : ahead });
  }
  const parts = /^(?:(\d{1,2})\.? (\p{L}{3,})|(\p{L}{3,}) (\d{1,2}))\.?(?: (\d{4}))?$/u.exec(words);
  if (!parts) return null;
  const month = MONTH_NAMES.findIndex((name) => name.toLowerCase().startsWith(parts[2] ?? parts[3])) + 1;
  const day = Number(parts[1] ?? parts[4]);
  if (month === 0) return null;
  if (parts[5]) return valid(Number(parts[5]), month, day, near);
  const years = [near.year - 1, near.year, near.year + 1].flatMap(
    (year) => valid(year, month, day, near) ?? [],
  );
  const apart = (time: DateTime) => Math.abs(time.toMillis() - near.toMillis());
  return years.reduce<DateTime | null>(
    (best, time) => (best && apart(best) <= apart(time) ? best : time),
    null,
  );
}

function valid(year: number, month: number, day: number, near: DateTime): DateTime | null {
  const time = DateTime.fromObject({ year, month, day }, { zone: near.zone });
  return time.isValid ? time : null;
}
