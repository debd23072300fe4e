import { onAir, stretchesOf, type Contact } from '@knapsack/core';
import { emptyLog } from '../documents/log.js';
import { standingEntries } from '../field/standing.js';
import { withEntries } from '../field/merge-logs.js';
import { readLog } from '../schemas/read.js';
import { hour, trip } from '../testing/outing.js';
import { entriesOfContacts, stretchesIn, withoutEarlierContacts } from './entries-of-contacts.js';

const contact = (of: number, change: Partial<Contact> = {}): Contact => ({
  ...{ timeMs: hour(of), mode: 'CW', modeName: 'CW', band: '40m' },
  ...change,
});
const MORNING = [
  contact(8),
  contact(8.1),
  contact(8.2, { band: '20m' }),
  contact(8.3, { mode: null, modeName: 'ODD', band: '' }),
];
function taken(contacts: readonly Contact[]) {
  const found = entriesOfContacts(trip(), contacts);
  if (!found.ok) throw new Error(found.problems[0].sentence);
  return found.value;
}
let ids = 0;
const newId = () => `new-${ids++}`;

describe('a contact log in the log of an outing', () => {
  it('is a stretch of each mode and band, which tells the same as the contacts', () => {
    const { entries } = taken(MORNING);
    expect(
      entries.map(({ at, until, count, mode, band }) => [
        at.slice(11, 16),
        until.slice(11, 16),
        count,
        mode,
        band,
      ]),
    ).toEqual([
      ['08:00', '08:06', 2, 'CW', '40m'],
      ['08:06', '08:12', 1, 'CW', '20m'],
      ['08:12', '08:18', 1, 'ODD', undefined],
    ]);
    const log = withEntries(emptyLog('islet'), ...entries);
    expect(readLog(log)).toEqual({ ok: true, value: log });
    expect(stretchesIn(standingEntries(log))).toEqual(stretchesOf(MORNING));
    expect(onAir(stretchesIn(entries))).toEqual(onAir(stretchesOf(MORNING)));
    expect(stretchesIn([{ ...entries[0], mode: 'constructor' }])[0].mode).toBeNull();
  });

  it('is of this outing alone, up to its end', () => {
    const { entries, others } = taken([
      contact(5),
      contact(6),
      contact(17.9),
      contact(18, { endMs: hour(18.2) }),
      contact(18.1),
    ]);
    expect(others).toBe(2);
    expect(entries.at(-1)!.until).toBe(new Date(hour(18)).toISOString());
    const none = entriesOfContacts(trip(), [contact(5)]);
    expect(!none.ok && none.problems[0].sentence).toBe(
      'No contact of this file is of the hours of Islet. Nothing was taken in.',
    );
  });

  it('taken in twice does no harm; a longer one takes the place of the earlier', () => {
    const { entries } = taken(MORNING);
    const log = withEntries(withEntries(emptyLog('islet'), ...entries), ...taken(MORNING).entries);
    expect(log.entries.length).toBe(3);
    expect(withoutEarlierContacts(standingEntries(log), entries, newId)).toEqual([]);
    const longer = taken([...MORNING, contact(8.35, { mode: null, modeName: 'ODD', band: '' })]).entries;
    const gone = withoutEarlierContacts(standingEntries(log), longer, newId);
    expect(gone.map(({ replaces, void: isVoid }) => [replaces, isVoid])).toEqual([[entries[2].id, true]]);
    const standing = standingEntries(withEntries(log, ...longer, ...gone));
    expect(onAir(stretchesIn(standing)).contacts).toBe(5);
  });
});
