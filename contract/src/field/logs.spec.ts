import fc from 'fast-check';
import { emptyLog, type LogDocument, type LogEntry } from '../documents/log.js';
import { mergeLogs, withEntries } from './merge-logs.js';
import { standingEntries } from './standing.js';

const note = (id: string, change: Partial<LogEntry> = {}): LogEntry =>
  ({ id, at: '2027-09-04T10:00:00Z', kind: 'note', note: id, ...change }) as LogEntry;
const log = (...entries: LogEntry[]): LogDocument => ({ ...emptyLog('islet'), entries });
const ids = (entries: readonly LogEntry[]) => entries.map(({ id }) => id);

const anyEntry = fc
  .record({
    id: fc.constantFrom('a', 'b', 'c', 'd', 'e'),
    hour: fc.integer({ min: 10, max: 20 }),
    replaces: fc.option(fc.constantFrom('a', 'b', 'c', 'd', 'e'), { nil: undefined }),
    takesBack: fc.boolean(),
  })
  .map(({ id, hour, replaces, takesBack }) =>
    note(id, {
      at: `2027-09-04T${hour}:00:00Z`,
      ...(replaces !== undefined && replaces !== id && { replaces, ...(takesBack && { void: true }) }),
    }),
  );
const anyLog = fc
  .array(anyEntry, { maxLength: 8 })
  .map((entries) => withEntries(emptyLog('islet'), ...entries));

describe('logs that are joined', () => {
  it('hold every entry of either, each once, in the order of time', () => {
    const early = note('z', { at: '2027-09-04T09:00:00Z' });
    expect(ids(mergeLogs(log(note('a'), note('b')), log(note('b'), early)).entries)).toEqual(['z', 'a', 'b']);
  });

  it('are the same whichever comes first, however often, and in whatever groups', () => {
    fc.assert(
      fc.property(anyLog, anyLog, anyLog, (one, two, three) => {
        expect(mergeLogs(one, two)).toEqual(mergeLogs(two, one));
        expect(mergeLogs(one, one)).toEqual(one);
        expect(mergeLogs(mergeLogs(one, two), two)).toEqual(mergeLogs(one, two));
        expect(mergeLogs(mergeLogs(one, two), three)).toEqual(mergeLogs(one, mergeLogs(two, three)));
      }),
    );
  });

  it('lose no id', () => {
    fc.assert(
      fc.property(anyLog, anyLog, (one, two) => {
        const joined = new Set(ids(mergeLogs(one, two).entries));
        expect(joined).toEqual(new Set([...ids(one.entries), ...ids(two.entries)]));
      }),
    );
  });

  it('choose between two entries of one id whatever the order of their fields', () => {
    const turned = { note: 'a', kind: 'note', id: 'a', at: '2027-09-04T10:00:00Z' } as LogEntry;
    expect(mergeLogs(log(note('a')), log(turned)).entries.length).toBe(1);
  });
});

describe('entries that stand', () => {
  it('are in the order of time', () => {
    const late = note('a', { at: '2027-09-04T12:00:00+02:00' });
    const early = note('b', { at: '2027-09-04T09:30:00Z' });
    expect(ids(standingEntries(log(late, early)))).toEqual(['b', 'a']);
  });

  it('are not those that another replaces or takes back', () => {
    const corrected = log(
      note('a'),
      note('b', { replaces: 'a' }),
      note('c'),
      note('d', { replaces: 'c', void: true }),
    );
    expect(ids(standingEntries(corrected))).toEqual(['b']);
  });

  it('are the last of a chain of corrections', () => {
    expect(
      ids(standingEntries(log(note('a'), note('b', { replaces: 'a' }), note('c', { replaces: 'b' })))),
    ).toEqual(['c']);
  });

  it('are one of two that two devices put in the place of the same one', () => {
    const both = [note('a'), note('b', { replaces: 'a' }), note('c', { replaces: 'a' })];
    expect(ids(standingEntries(log(...both)))).toEqual(['c']);
    expect(ids(standingEntries(log(...both.toReversed())))).toEqual(['c']);
  });

  it('are a correction whose first entry has not arrived yet, too', () => {
    expect(ids(standingEntries(log(note('b', { replaces: 'a' }))))).toEqual(['b']);
    expect(ids(standingEntries(log(note('b', { replaces: 'a', void: true }))))).toEqual([]);
  });

  it('do not depend on the order in which they lie', () => {
    fc.assert(
      fc.property(anyLog, (one) => {
        const turned = { ...one, entries: one.entries.toReversed() };
        expect(standingEntries(turned)).toEqual(standingEntries(one));
      }),
    );
  });
});
