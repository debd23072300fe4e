import type { LogEntry } from '@knapsack/contract';
import { PendingEntries } from './pending-entries';

const note = (id: string): LogEntry => ({ id, at: '2027-09-04T20:00:00Z', kind: 'note', note: id });
const ids = (entries: readonly LogEntry[]) => entries.map(({ id }) => id).sort();

describe('entries that the server does not have', () => {
  beforeEach(() => localStorage.clear());
  afterEach(() => localStorage.clear());

  it('are kept by each tab under a name of its own, and found by any', () => {
    const [one, other] = [new PendingEntries('islet', 'one'), new PendingEntries('islet', 'other')];
    one.keep([note('a'), note('b')]);
    other.keep([note('b'), note('c')]);
    expect(ids(one.all())).toEqual(['a', 'b', 'c']);
    expect(ids(new PendingEntries('islet', 'third').all())).toEqual(['a', 'b', 'c']);
    expect(new PendingEntries('isle', 'one').all()).toEqual([]);
    one.keep([]);
    expect(ids(other.all())).toEqual(['b', 'c']);
    expect(localStorage.length).toBe(1);
  });

  it('are let go of once they have arrived, whichever tab has kept them', () => {
    const [one, other] = [new PendingEntries('islet', 'one'), new PendingEntries('islet', 'other')];
    one.keep([note('a'), note('b')]);
    other.keep([note('b')]);
    one.arrived(new Set(['b']));
    expect(ids(other.all())).toEqual(['a']);
    expect(localStorage.length).toBe(1);
    one.arrived(new Set(['a']));
    expect(localStorage.length).toBe(0);
  });

  it('are none where what was kept cannot be read', () => {
    localStorage.setItem('knapsack.log-pending.islet.one', '{broken');
    localStorage.setItem('knapsack.log-pending.islet.other', '{"id":"a"}');
    expect(new PendingEntries('islet', 'third').all()).toEqual([]);
  });

  it('say where the browser keeps nothing, as long as there is something to keep', () => {
    const pending = new PendingEntries('islet', 'one');
    spyOn(Storage.prototype, 'setItem').and.throwError('full');
    pending.keep([note('a')]);
    expect(pending.failing()).toBeTrue();
    pending.keep([]);
    expect(pending.failing()).toBeFalse();
  });
});
