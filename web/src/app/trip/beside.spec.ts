import { noTicks, type PackingDocument } from '@knapsack/contract';
import { tick } from '@knapsack/contract/edits';
import { Beside } from './beside';
import { DraftBox } from './draft-box';
import { BesideInMemory } from './testing/beside-in-memory';

const ticked = (...gear: readonly string[]) => gear.reduce(tick, noTicks('islet'));

describe('what is ticked of a trip', () => {
  let server: BesideInMemory;
  let box: DraftBox<PackingDocument>;
  let reachable: boolean;
  let open: Beside<PackingDocument>[];

  /** A tab on the trip. */
  function tab(drafts = box): Beside<PackingDocument> {
    const beside = new Beside<PackingDocument>(
      drafts,
      noTicks,
      (id) => server.beside('packings', id),
      (document, revision) => server.keepBeside('packings', document, revision),
    );
    open.push(beside);
    return beside;
  }
  const packed = (beside: Beside<PackingDocument>) =>
    beside
      .document()
      ?.packed.map(({ gear }) => gear)
      .sort();
  const there = () =>
    (server.stored('packings', 'islet') as PackingDocument | null)?.packed.map(({ gear }) => gear).sort();
  const saved = async (beside: Beside<PackingDocument>) => {
    for (let tries = 0; tries < 500 && beside.saving().is !== 'saved'; tries++)
      await new Promise((done) => setTimeout(done, 10));
    expect(beside.saving().is).toBe('saved');
  };

  beforeEach(() => {
    localStorage.clear();
    reachable = true;
    open = [];
    server = new BesideInMemory(() => reachable);
    box = new DraftBox('here', 'knapsack.test-draft.');
  });
  afterEach(() => {
    for (const one of open) one.close();
    localStorage.clear();
  });

  it('is none until something is ticked, and is saved then', async () => {
    const mine = tab();
    await mine.open('islet');
    expect(packed(mine)).toEqual([]);
    expect(there()).toBeUndefined();
    mine.change((now) => tick(now, 'shale'));
    expect(box.find('islet')?.document).toEqual(ticked('shale'));
    await saved(mine);
    expect(there()).toEqual(['shale']);
    expect(box.find('islet')).toBeNull();
    mine.change((now) => tick(now, 'shale'));
    await saved(mine);
    expect(there()).toEqual([]);
  });

  it('in two tabs is brought together without a question, the first tick of all too', async () => {
    const [mine, theirs] = [tab(), tab(new DraftBox('there', 'knapsack.test-draft.'))];
    await Promise.all([mine.open('islet'), theirs.open('islet')]);
    mine.change((now) => tick(now, 'shale'));
    theirs.change((now) => tick(now, 'curlew'));
    await Promise.all([saved(mine), saved(theirs)]);
    expect(there()).toEqual(['curlew', 'shale']);
    mine.change((now) => tick(now, 'rill'));
    await saved(mine);
    theirs.change((now) => tick(now, 'curlew'));
    await saved(theirs);
    expect(there()).toEqual(['rill', 'shale']);
    expect(packed(theirs)).toEqual(['rill', 'shale']);
  });

  it('follows what another takes off again that was brought together a moment before', async () => {
    const mine = tab();
    await mine.open('islet');
    server.meanwhile.push(
      () => server.put('packings', ticked('shale')),
      () => server.put('packings', ticked('rill')),
    );
    mine.change((now) => tick(now, 'curlew'));
    await saved(mine);
    expect(server.meanwhile.length).toBe(0);
    expect(there()).toEqual(['curlew', 'rill']);
    expect(packed(mine)).toEqual(['curlew', 'rill']);
  });

  it('is made anew where it was deleted with its trip, which came back', async () => {
    server.put('packings', ticked('shale'));
    const mine = tab();
    await mine.open('islet');
    server.remove('packings', 'islet');
    mine.change((now) => tick(now, 'curlew'));
    await saved(mine);
    expect(there()).toContain('curlew');
  });

  it('is taken up from another tab, unless something is unsaved here', async () => {
    const mine = tab();
    await mine.open('islet');
    server.put('packings', ticked('shale'));
    await mine.refresh();
    expect(packed(mine)).toEqual(['shale']);
    reachable = false;
    mine.change((now) => tick(now, 'curlew'));
    reachable = true;
    server.put('packings', ticked('rill'));
    await mine.refresh();
    expect(packed(mine)).toEqual(['curlew', 'shale']);
  });

  it('and was not saved is there after a reload, together with what others have saved meanwhile', async () => {
    reachable = false;
    const mine = tab();
    await mine.open('islet');
    mine.change((now) => tick(now, 'shale'));
    const again = tab();
    await again.open('islet');
    expect(packed(again)).toEqual(['shale']);
    reachable = true;
    server.put('packings', ticked('curlew'));
    const online = tab();
    await online.open('islet');
    expect(packed(online)).toEqual(['curlew', 'shale']);
    await saved(online);
    expect(there()).toEqual(['curlew', 'shale']);
  });
});
