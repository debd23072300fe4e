import { trip } from '@knapsack/contract/testing/outing';
import { DraftBox } from './draft-box';
import { DeviceStore } from '../data/device-store';
import { takeUpDrafts } from './take-up-drafts';

/** The browser's locks as two tabs see them. */
function lockTable() {
  const held = new Set<string>();
  return {
    held,
    request: (name: string) => {
      held.add(name);
      return new Promise<never>(() => undefined);
    },
    query: () => Promise.resolve({ held: [...held].map((name) => ({ name })), pending: [] }),
  };
}

describe('the drafts of several tabs', () => {
  const locks = lockTable();
  const large = new DeviceStore<never>('knapsack-test', 'drafts');
  const tab = (name: string, there = large) =>
    new DraftBox(name, 'knapsack.draft.', locks as unknown as LockManager, there as DeviceStore<never>);
  const close = (name: string) => locks.held.delete(`knapsack.tab.${name}`);
  beforeEach(() => {
    locks.held.clear();
    localStorage.clear();
  });
  afterEach(() => localStorage.clear());
  const name = (text: string) => ({ revision: 1, document: trip({ name: text }), base: trip() });
  const names = async (box: DraftBox) => (await box.left('islet')).map((draft) => draft.document.name);

  it('never overwrite each other, and are taken up when their tab has gone', async () => {
    const [one, two] = [tab('one'), tab('two')];
    one.keep(name('First'));
    await new Promise((done) => setTimeout(done, 5));
    two.keep(name('Second'));
    expect([one.find('islet')?.document.name, two.find('islet')?.document.name]).toEqual(['First', 'Second']);
    // A tab that is open keeps its own for itself.
    expect(await names(two)).toEqual(['Second']);
    close('one');
    expect(await names(two)).toEqual(['First', 'Second']);
    const [first] = await two.left('islet');
    two.drop('islet', first.key);
    expect(await names(two)).toEqual(['Second']);
  });

  it('of an earlier release and of a trip with a longer name are told apart', async () => {
    // As earlier releases kept one: by the trip alone, and by another name, with a tick in its bag.
    const [first, ...others] = trip().loadout;
    const old = { ...trip({ name: 'Old' }), version: 5, loadout: [{ ...first, packed: true }, ...others] };
    localStorage.setItem('knapsack.draft.islet', JSON.stringify({ revision: 1, trip: old, base: old }));
    localStorage.setItem('knapsack.draft.islet-2.gone', JSON.stringify(name('Other trip')));
    localStorage.setItem('knapsack.draft.islet.torn', '{"revision":');
    expect(await names(tab('one'))).toEqual(['Old']);
    const [draft] = await tab('one').left('islet');
    expect(draft.document).toEqual({ ...trip({ name: 'Old' }), packed: [{ gear: first.gear }] });
    expect(draft.base).toEqual(draft.document);
    expect(Object.keys(draft).sort()).toEqual(['base', 'document', 'key', 'revision']);
  });

  it('go where there is more room once the first place is full, and come back to it', async () => {
    const [one, two] = [tab('one'), tab('two')];
    one.keep(name('Small'));
    const setItem = spyOn(Storage.prototype, 'setItem').and.throwError('QuotaExceededError');
    one.keep(name('Large'));
    expect(await large.all()).toHaveSize(1);
    expect(one.failing()).toBeFalse();
    close('one');
    expect(await names(two)).toEqual(['Large']);
    setItem.and.callThrough();
    one.keep(name('Small again'));
    expect(await names(two)).toEqual(['Small again']);
    one.drop('islet');
    expect(await names(two)).toEqual([]);
    expect(await large.all()).toEqual([]);
  });

  it('stay in memory where the browser keeps nothing, and say so', async () => {
    const nothing = {
      put: () => Promise.resolve(false),
      all: () => Promise.resolve([]),
      drop: () => undefined,
    };
    const box = tab('one', nothing as never);
    const setItem = spyOn(Storage.prototype, 'setItem').and.throwError('QuotaExceededError');
    box.keep(name('Typed'));
    expect(box.failing()).toBeTrue();
    expect(box.find('islet')?.document.name).toBe('Typed');
    expect(await names(box)).toEqual(['Typed']);
    setItem.and.callThrough();
    box.keep(name('Typed on'));
    expect(box.failing()).toBeFalse();
  });
});

describe('unsaved versions of one trip', () => {
  const stored = { revision: 1, document: trip() };
  const left = (key: string, change: Parameters<typeof trip>[0], revision = 1) => ({
    key,
    revision,
    base: trip(),
    document: trip(change),
  });

  it('are brought together where they go together', () => {
    const { draft, isCurrent, done, others } = takeUpDrafts(
      [left('a', { name: 'Named' }), left('b', { temperatureC: -5 })],
      stored,
    );
    expect([draft?.document.name, draft?.document.temperatureC]).toEqual(['Named', -5]);
    expect([isCurrent, done, others.length]).toEqual([true, ['b'], 0]);
  });

  it('are offered where they do not, and never thrown away', () => {
    const { draft, done, others } = takeUpDrafts(
      [left('a', { name: 'One' }), left('b', { name: 'Two' }), left('c', { temperatureC: 3 }, 2)],
      stored,
    );
    expect(draft?.document.name).toBe('One');
    expect(done).toEqual([]);
    expect(others.map(({ key }) => key)).toEqual(['b', 'c']);
  });

  it('are done with where the server has them, and asked about where they grew from another revision', () => {
    expect(takeUpDrafts([left('a', {})], stored)).toEqual({
      draft: null,
      isCurrent: false,
      done: ['a'],
      others: [],
    });
    expect(takeUpDrafts([left('a', { name: 'Late' }, 7)], stored).isCurrent).toBeFalse();
    expect(takeUpDrafts([left('a', { name: 'Off line' })], null).draft?.document.name).toBe('Off line');
  });
});
