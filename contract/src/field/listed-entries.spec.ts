import type { LogEntry } from '../documents/log.js';
import { isByHand, listedEntries } from './listed-entries.js';

const reading = (id: string, source?: LogEntry['source'], change: Partial<LogEntry> = {}) =>
  ({
    id,
    at: '2027-09-04T10:00:00Z',
    kind: 'reading',
    volts: 13,
    ...(source && { source }),
    ...change,
  }) as LogEntry;
const listed = (entries: readonly LogEntry[], odd: readonly string[] = []) =>
  listedEntries(entries, (id) => odd.includes(id)).map(({ entry, earlier }) => `${entry.id} ${earlier}`);

describe('entries in a list', () => {
  it('are the last first; of an instrument its last reading, which stands for those before it', () => {
    const sent = ['m1', 'm2', 'm3'].map((id) => reading(id, 'monitor'));
    const [first, ...rest] = sent;
    expect(listed([first, reading('a'), reading('c1', 'controller'), ...rest, reading('b')])).toEqual([
      'b 0',
      'm3 2',
      'c1 0',
      'a 0',
    ]);
  });

  it('leave out nothing that does not fit, that a person corrected, or that is no reading', () => {
    const corrected = reading('m2', 'monitor', { replaces: 'm0' });
    const reset = reading('z', 'monitor', { kind: 'reset' } as Partial<LogEntry>);
    const sent = [
      reading('m1', 'monitor'),
      corrected,
      reset,
      reading('m3', 'monitor'),
      reading('m4', 'monitor'),
    ];
    expect(listed(sent, ['m1'])).toEqual(['m4 2', 'z 0', 'm2 0', 'm1 0']);
    expect(sent.filter(isByHand).map(({ id }) => id)).toEqual(['m2']);
  });
});
