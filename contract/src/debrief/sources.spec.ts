import type { LogEntry, ReadingEntry } from '../documents/log.js';
import { hour } from '../testing/outing.js';
import { disagreements, withoutAside, workedHours } from './sources.js';

const at = (of: number) => new Date(hour(of)).toISOString();
const read = (of: number, outAh: number, source?: ReadingEntry['source']): LogEntry => ({
  ...{ id: `r${of}${source}`, at: at(of), kind: 'reading' as const, outAh },
  ...(source && { source }),
});
const contacts = (from: number, to: number): LogEntry => ({
  ...{ id: `c${from}`, at: at(from), kind: 'contacts', until: at(to), count: 20 },
});
const work: LogEntry = { id: 'w', at: at(8), kind: 'work', do: 'start' };
const said = (...all: Parameters<typeof disagreements>) =>
  disagreements(...all).map(({ of, says }) => [of, ...says.map(({ source, value }) => `${source} ${value}`)]);

describe('sources of an outing', () => {
  it('disagree where their counts cannot both be right, over all of their resets', () => {
    const both = [read(9, 3), { id: 'z', at: at(10), kind: 'reset' } as LogEntry, read(17.5, 4)];
    expect(said([...both, read(17, 7.2, 'meter')], false, 0)).toEqual([]);
    expect(said([...both, read(17, 8, 'meter')], false, 0)).toEqual([['charge', 'typed 7', 'meter 8']]);
    // The meter was read in the morning alone.
    expect(said([...both, read(9, 8, 'meter')], false, 0)).toEqual([]);
  });

  it('leave a battery monitor out where the sun takes a part', () => {
    const all = [read(17, 7), read(17, 4, 'monitor')];
    expect(said(all, false, 0).length).toBe(1);
    expect(said(all, true, 0)).toEqual([]);
  });

  it('disagree on the hours where contacts tell of far fewer than were noted', () => {
    expect(said([work, contacts(8, 10)], false, 5)).toEqual([['hours', 'work 5', 'contacts 2']]);
    expect(said([work, contacts(8, 10)], false, 2.4)).toEqual([]);
    expect(said([contacts(8, 10)], false, 5)).toEqual([]);
    expect(said([work], false, 5)).toEqual([]);
  });

  it('can be set aside, each with its resets', () => {
    const reset: LogEntry = { id: 'z', at: at(10), kind: 'reset', source: 'meter' };
    const all = [read(9, 3), reset, read(17, 8, 'meter'), work, contacts(8, 10)];
    expect(withoutAside(all, [])).toBe(all);
    expect(withoutAside(all, [{ source: 'meter' }, { source: 'contacts' }])).toEqual([all[0], work]);
    expect(withoutAside(all, [{ source: 'work' }, { source: 'typed' }]).length).toBe(3);
  });
});

describe('the hours that were worked', () => {
  it('are those of all blocks together', () => {
    const block = (from: number, to: number) => ({ startMs: from * 3_600_000, endMs: to * 3_600_000 });
    const blocks = [block(100, 102), block(103, 104.5)] as unknown as Parameters<
      typeof workedHours
    >[0]['blocks'];
    expect(workedHours({ blocks })).toBeCloseTo(3.5, 9);
    expect(workedHours({ blocks: [] })).toBe(0);
  });
});
