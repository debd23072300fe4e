import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { tick } from '@knapsack/contract/edits';
import { trip } from '@knapsack/contract/testing/outing';
import { Subject } from 'rxjs';
import { ApiService } from '../data/api.service';
import { ServerWatch } from '../data/server-watch.service';
import { ShelfService } from '../data/shelf.service';
import { NoticesService, type Notice } from '../shell/notices.service';
import { DraftBox, draftBox } from './draft-box';
import { TripInMemory } from './testing/trip-in-memory';
import { packingDrafts, rehearsalDrafts, TicksStore } from './ticks.store';
import { TripStore, type Turn } from './trip.store';

describe('the trip in hand, without its forecast', () => {
  const away = signal(false);
  let back: Subject<void>;
  let api: TripInMemory;
  let store: TripStore;
  let said: Notice[];
  let turns: (Turn | null)[];
  const forget = () => {
    for (const box of [draftBox, packingDrafts, rehearsalDrafts]) box.drop('islet');
    localStorage.clear();
  };

  beforeEach(async () => {
    forget();
    away.set(false);
    back = new Subject();
    api = new TripInMemory();
    [said, turns] = [[], []];
    TestBed.configureTestingModule({
      providers: [
        TripStore,
        TicksStore,
        { provide: ApiService, useValue: api },
        { provide: ServerWatch, useValue: { away, back } },
        { provide: NoticesService, useValue: { show: (notice: Notice) => said.push(notice) } },
      ],
    });
    store = TestBed.inject(TripStore);
    store.turned.subscribe((turn) => turns.push(turn));
    await store.open('islet');
  });
  afterEach(() => {
    TestBed.resetTestingModule();
    forget();
  });
  const name = () => store.trip()?.name;
  const call = (word: string, key: string | null = null) =>
    store.edit((now) => ({ ...now, name: word }), key);
  const rests = () => new Promise((done) => setTimeout(done, 5));

  it('moves while a pointer changes it, and no longer once that is let go', () => {
    expect(store.isMoving()).toBeFalse();
    for (const key of ['drag one 12', 'stretch one end 3', 'paint sky', 'skyline 3']) {
      call('moved', key);
      expect(store.isMoving()).withContext(key).toBeTrue();
      store.settle();
      expect(store.isMoving()).toBeFalse();
    }
    for (const key of ['typed name', 'skyline name', 'no drag', null]) {
      call(`other ${key}`, key);
      expect(store.isMoving()).withContext(`${key}`).toBeFalse();
    }
  });

  it('is as it was where a drag is called off, with nothing to undo', () => {
    call('moved', 'drag one 1');
    call('moved on', 'drag one 1');
    expect(store.canUndo()).toBeTrue();
    store.callOff('drag one 1');
    expect([name(), store.canUndo(), store.canRedo()]).toEqual(['Islet', false, false]);
  });

  it('tells each turn from what to what, and none where nothing changed or another trip is opened', async () => {
    call('a');
    call('b');
    store.undo();
    store.redo();
    store.redo();
    store.edit((now) => now);
    expect(turns.map((turn) => turn && `${turn.from.name} ${turn.to.name}`)).toEqual([
      ...[null, 'Islet a', 'a b', 'b a', 'a b'],
    ] as string[]);
    await store.open('islet');
    expect(turns.at(-1)).toBeNull();
    expect(store.canUndo()).toBeFalse();
  });

  it('is calculated anew for what counts alone', () => {
    const before = store.calculated();
    call('another name');
    expect(store.calculated()).toBe(before);
    store.edit((now) => ({ ...now, startSoc: 0.5 }));
    expect(store.calculated()).toBe(store.trip());
  });

  it('is saved as badly as the worst of it, its ticks too', async () => {
    expect(store.saving()).toEqual({ is: 'saved' });
    const ticks = TestBed.inject(TicksStore);
    ticks.packing.change((now) => tick(now, 'shale'));
    expect(store.saving().is).toBe('saving');
    api.reachable = false;
    call('typed');
    TestBed.inject(TripStore);
    for (let tries = 0; tries < 400 && store.saving().is !== 'offline'; tries++) await rests();
    expect(store.saving().is).toBe('offline');
    expect(store.keepsNothing()).toBeFalse();
    draftBox.failing.set(true);
    expect(store.keepsNothing()).toBeTrue();
    draftBox.failing.set(false);
    packingDrafts.failing.set(true);
    expect(store.keepsNothing()).toBeTrue();
    packingDrafts.failing.set(false);
  });

  it('says why it cannot be opened: that it is not on this device, or is no more', async () => {
    api.reachable = false;
    await store.open('islet');
    expect(store.openProblem()).toMatch(/^This trip is not on this device\. .*does not answer/);
    api.reachable = true;
    api.isDeleted = true;
    await store.open('islet');
    expect(store.openProblem()).not.toContain('on this device.');
    expect(store.openProblem()).not.toBeNull();
    api.isDeleted = false;
    await store.open('islet');
    expect(store.openProblem()).toBeNull();
  });

  it('offers what another tab had typed otherwise, and keeps it until it is taken', async () => {
    const other = new DraftBox('another-tab');
    draftBox.keep({ revision: 1, document: trip({ name: 'Mine' }), base: trip() });
    await rests();
    other.keep({ revision: 1, document: trip({ name: 'Theirs' }), base: trip() });
    // A tab that is closed holds no lock.
    spyOn(navigator.locks, 'query').and.resolveTo({ held: [], pending: [] });
    await store.open('islet');
    expect(name()).toBe('Mine');
    const offer = said.find(({ action }) => action?.label === 'Take that version')!;
    expect(offer.text).toContain('Another tab');
    expect(other.find('islet')).not.toBeNull();
    offer.action!.run();
    expect(name()).toBe('Theirs');
    expect(localStorage.getItem('knapsack.draft.islet.another-tab')).toBeNull();
    store.undo();
    expect(name()).toBe('Mine');
  });

  it('takes up what another tab has saved, unless the server is away, nothing is new or something is unsaved here', async () => {
    const opened = turns.length;
    await store.refresh();
    expect([store.canUndo(), turns.length]).toEqual([false, opened]);
    api.stored = { revision: 2, document: trip({ name: 'Other tab' }) };
    away.set(true);
    await store.refresh();
    expect(name()).toBe('Islet');
    away.set(false);
    call('Typed');
    await store.refresh();
    expect(name()).toBe('Typed');
  });

  it('looks again by itself when the server is back', async () => {
    api.stored = { revision: 2, document: trip({ name: 'Other tab' }) };
    const loaded = spyOn(TestBed.inject(ShelfService), 'load').and.callThrough();
    back.next();
    for (let tries = 0; tries < 400 && name() !== 'Other tab'; tries++) await rests();
    expect(name()).toBe('Other tab');
    // The gear of it may be another as well.
    await rests();
    expect(loaded).toHaveBeenCalledTimes(1);
    store.undo();
    expect(name()).toBe('Islet');
  });

  it('does nothing before it is there', async () => {
    const fresh = TestBed.runInInjectionContext(() => new TripStore());
    expect(fresh.tryEdit((now) => now)).toBeNull();
    fresh.edit((now) => now);
    fresh.settle();
    fresh.undo();
    await fresh.refresh();
    expect([fresh.trip(), fresh.calculated(), fresh.isMoving(), fresh.saving().is]).toEqual([
      ...[null, null, false, 'saved'],
    ] as never);
  });

  it('takes an edit that makes a valid trip, and keeps what a row of edits has made once it is settled', () => {
    expect(store.tryEdit((now) => ({ ...now, name: 'Tried' }))).toBeNull();
    expect(name()).toBe('Tried');
    call('moved', 'drag one 1');
    store.settle();
    expect(draftBox.find('islet')?.document.name).toBe('moved');
  });
});
