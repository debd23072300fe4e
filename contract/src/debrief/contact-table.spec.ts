import type { Contact } from '@knapsack/core';
import { emptyLog } from '../documents/log.js';
import { hour, shelf, trip } from '../testing/outing.js';
import { contactTable } from './contact-table.js';
import { debriefOf } from './debrief.js';
import { entriesOfContacts } from './entries-of-contacts.js';

const contacts = (band: string, from: number, count: number): readonly Contact[] =>
  Array.from({ length: count }, (_, place) => ({
    ...{ timeMs: hour(from) + place * 180_000, mode: 'CW', modeName: 'CW', band },
  }));
function tableOf(seconds: Parameters<typeof contactTable>[1] = []) {
  const taken = entriesOfContacts(trip(), [...contacts('40m', 8, 21), ...contacts('20m', 10, 11)]);
  if (!taken.ok) throw new Error(taken.problems[0].sentence);
  const found = debriefOf(trip(), { ...emptyLog('islet'), entries: taken.value.entries }, shelf, {
    seconds,
    calling: false,
  });
  if (!found.ok) throw new Error(found.problems[0].sentence);
  return contactTable(found.value, seconds)!;
}

describe('what contacts tell by mode and band', () => {
  it('is how many an hour, the duty cycle that they mean, and the pauses', () => {
    const { modes, bands, pauses, pauseHours } = tableOf();
    expect(modes.map(({ name, contacts: count, seconds }) => [name, count, seconds])).toEqual([
      ['CW', 32, 18],
    ]);
    // Thirty-two in an hour and a half.
    expect(modes[0].perHour).toBeCloseTo(32 / 1.5, 6);
    expect(modes[0].duty!.mean).toBeCloseTo(((32 / 1.5) * 18) / 3600, 6);
    expect(bands.map(({ name, contacts: count }) => [name, count])).toEqual([
      ['40m', 21],
      ['20m', 11],
    ]);
    expect(pauses.length).toBe(1);
    expect(pauseHours).toBeCloseTo(1, 9);
  });

  it('goes by the seconds that somebody says', () => {
    const [{ seconds, duty }] = tableOf([{ mode: 'CW', seconds: 27 }]).modes;
    expect(seconds).toBe(27);
    expect(duty!.mean).toBeCloseTo(((32 / 1.5) * 27) / 3600, 6);
  });

  it('is nothing where nobody counted', () => {
    expect(contactTable({ onAir: null, duties: new Map() }, [])).toBeNull();
  });
});
