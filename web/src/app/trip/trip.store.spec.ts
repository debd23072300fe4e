import { provideZonelessChangeDetection } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { ApiService } from '../data/api.service';
import { tick } from '@knapsack/contract/edits';
import { trip } from '@knapsack/contract/testing/outing';
import { ServerWatch } from '../data/server-watch.service';
import { NoticesService } from '../shell/notices.service';
import { draftBox } from './draft-box';
import { BagStore } from './bag.store';
import { ForecastStore } from './forecast.store';
import { GhostStore } from './ghost.store';
import { SelectionStore } from './selection.store';
import { TripInMemory } from './testing/trip-in-memory';
import { packingDrafts, rehearsalDrafts, TicksStore } from './ticks.store';
import { TripStore } from './trip.store';

const until = async (fits: () => boolean) => {
  for (let tries = 0; tries < 500 && !fits(); tries++) await new Promise((done) => setTimeout(done, 10));
  expect(fits()).toBeTrue();
};

/** Waits until the worker has answered what was asked last. */
const forecastIn = async (forecast: ForecastStore, fits: () => boolean) => {
  for (let tries = 0; tries < 2000 && !fits(); tries++) {
    TestBed.tick();
    await new Promise((done) => setTimeout(done, 10));
  }
  expect(fits()).withContext(forecast.problems().join()).toBeTrue();
};

// A worker starts in its own time on a busy machine.
jasmine.DEFAULT_TIMEOUT_INTERVAL = 120_000;

describe('the trip, its forecast, its ghost and what is chosen of it', () => {
  let api: TripInMemory;
  let store: TripStore;
  let forecast: ForecastStore;
  let ticks: TicksStore;
  let ghost: GhostStore;
  /** No test leaves anything unsaved to the next. */
  const forget = () => {
    for (const box of [draftBox, packingDrafts, rehearsalDrafts]) box.drop('islet');
    localStorage.clear();
  };

  beforeEach(async () => {
    forget();
    api = new TripInMemory();
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        TripStore,
        TicksStore,
        BagStore,
        GhostStore,
        SelectionStore,
        ForecastStore,
        { provide: ApiService, useValue: api },
      ],
    });
    store = TestBed.inject(TripStore);
    forecast = TestBed.inject(ForecastStore);
    ghost = TestBed.inject(GhostStore);
    ticks = TestBed.inject(TicksStore);
    await store.open('islet');
  });
  afterEach(() => {
    TestBed.resetTestingModule();
    forget();
  });

  it('forecasts in the worker, anew after each edit', async () => {
    await forecastIn(forecast, () => forecast.view() !== null);
    const before = forecast.view()!.verdict.marginAh;
    store.edit((now) => ({ ...now, startSoc: 0.6 }));
    await forecastIn(forecast, () => forecast.view()!.verdict.marginAh < before - 1);
  });

  it('keeps the last picture and says what is wrong while the plan cannot be calculated', async () => {
    await forecastIn(forecast, () => forecast.view() !== null);
    store.edit((now) => ({ ...now, loadout: [] }));
    await forecastIn(forecast, () => forecast.problems().length > 0);
    expect(forecast.problems()[0]).toContain('Put a radio in the bag');
    expect(forecast.view()).not.toBeNull();
    store.undo();
    await forecastIn(forecast, () => forecast.problems().length === 0);
  });

  it('refuses an edit that makes no valid trip, with the sentence', () => {
    expect(store.tryEdit((now) => ({ ...now, end: now.start }))).toContain('must end after it starts');
    expect(store.trip()).toEqual(trip());
    expect(store.canUndo()).toBeFalse();
  });

  it('opens with what was typed and not yet saved', async () => {
    draftBox.keep({ revision: 1, document: trip({ name: 'Typed' }) });
    await store.open('islet');
    expect(store.trip()?.name).toBe('Typed');
    expect(store.saving().is).toBe('saving');
  });

  it('asks, where what was typed grew from an older revision', async () => {
    draftBox.keep({ revision: 1, document: trip({ name: 'Typed' }) });
    api.stored = { revision: 2, document: trip({ name: 'Other tab' }) };
    await store.open('islet');
    expect(store.saving().is).toBe('conflict');
    expect(store.trip()?.name).toBe('Typed');
    await store.conflict.takeTheirs();
    expect(store.trip()?.name).toBe('Other tab');
    store.undo();
    expect(store.trip()?.name).toBe('Typed');
  });

  it('brings two versions together that changed different things, without asking, and says so', async () => {
    draftBox.keep({ revision: 1, document: trip({ name: 'Typed' }), base: trip() });
    api.stored = { revision: 2, document: trip({ note: 'Of another device' }) };
    await store.open('islet');
    expect(store.trip()).toEqual(trip({ name: 'Typed', note: 'Of another device' }));
    await until(() => store.saving().is === 'saved');
    expect(api.stored).toEqual({ revision: 3, document: store.trip()! });

    store.edit((now) => ({ ...now, name: 'Typed again' }));
    api.stored = { revision: 4, document: { ...store.trip()!, name: 'Typed', note: 'Once more' } };
    await until(() => store.saving().is === 'saved');
    expect(api.stored.document).toEqual(trip({ name: 'Typed again', note: 'Once more' }));
    expect(TestBed.inject(NoticesService).notice()?.text).toContain('Both changes stand.');
    store.undo();
    expect(store.trip()?.name).toBe('Typed');
    await until(() => store.saving().is === 'saved');
  });

  it('that was opened from this device looks at the gear too when the server is back', async () => {
    api.keptAtMs = 1_800_000_000_000;
    await store.open('islet');
    expect(store.asOfMs()).toBe(1_800_000_000_000);
    const asked = spyOn(api, 'gear').and.callThrough();
    const watch = TestBed.inject(ServerWatch);
    watch.missed();
    await store.refresh();
    expect(asked).not.toHaveBeenCalled();
    watch.heard();
    await until(() => store.asOfMs() === null);
    expect(asked).toHaveBeenCalledTimes(1);
    await store.refresh();
    expect(asked).toHaveBeenCalledTimes(1);
  });

  it('does not ask about its own writing whose answer a reload has lost', async () => {
    const sent = trip({ name: 'Sent' });
    draftBox.keep({ revision: 1, document: trip({ name: 'Typed after' }), sent });
    api.stored = { revision: 2, document: sent };
    await store.open('islet');
    expect(store.trip()?.name).toBe('Typed after');
    expect(store.saving().is).toBe('saving');
    draftBox.keep({ revision: 1, document: sent });
    await store.open('islet');
    expect(store.saving().is).toBe('saved');
    expect(draftBox.find('islet')).toBeNull();
  });

  it('opens what it kept while the server is stopped', async () => {
    draftBox.keep({ revision: 1, document: trip({ name: 'Typed' }) });
    api.reachable = false;
    await store.open('islet');
    expect(store.trip()?.name).toBe('Typed');
    draftBox.drop('islet');
    await store.open('islet');
    expect(store.openProblem()).toContain('does not answer');
  });

  it('takes up what another tab has saved, one undo away', async () => {
    api.stored = { revision: 2, document: trip({ name: 'Other tab' }) };
    await store.refresh();
    expect(store.trip()?.name).toBe('Other tab');
    expect(store.saving().is).toBe('saved');
  });

  it('keeps the plan before as a ghost with the difference in words, until it is kept or undone', async () => {
    await forecastIn(forecast, () => forecast.view() !== null);
    const first = forecast.view();
    store.edit((now) => ({ ...now, startSoc: 0.9 }));
    store.edit((now) => ({ ...now, loadout: [now.loadout[0], { gear: 'shale', count: 1 }] }));
    // Two packs of 10 Ah, full, against one at 90 %: 10 Ah less, of which 97 % come out at 12 °C
    await forecastIn(forecast, () => ghost.words()[0] === '−9.7 Ah to spare');
    expect(ghost.shown()?.view).toBe(first!);
    store.undo();
    expect(ghost.before()).not.toBeNull();
    store.undo();
    expect(ghost.before()).toBeNull();
    store.redo();
    ghost.keep();
    expect(ghost.words()).toEqual([]);
    store.redo();
    ghost.takeBack();
    expect(store.trip()!.startSoc).toBe(0.9);
    expect(store.trip()!.loadout[1].count).toBe(2);
  });

  it('calculates nothing anew for a tick, a note or a name, and undo leaves ticks alone', async () => {
    await forecastIn(forecast, () => forecast.view() !== null);
    const view = forecast.view();
    const planned = store.calculated();
    store.edit((now) => ({ ...now, startSoc: 0.9 }));
    ticks.packing.change((now) => tick(now, 'shale'));
    store.edit((now) => ({ ...now, name: 'Another name' }));
    const ninety = store.calculated();
    expect(ninety).not.toBe(planned);
    ticks.packing.change((now) => tick(now, 'curlew'));
    expect(store.calculated()).toBe(ninety);
    await forecastIn(forecast, () => forecast.view() !== view);
    store.undo();
    store.undo();
    expect([store.trip()!.startSoc, store.trip()!.name]).toEqual([1, 'Islet']);
    expect(store.canUndo()).toBeFalse();
    expect([...ticks.packed()]).toEqual(['shale', 'curlew']);
    store.redo();
    expect(store.trip()!.startSoc).toBe(0.9);
    expect([...ticks.packed()]).toEqual(['shale', 'curlew']);
  });

  it('takes a remedy without what was named meanwhile being lost', () => {
    const asked = store.trip()!;
    store.edit((now) => ({ ...now, name: 'Named meanwhile' }));
    store.takePlan({ ...asked, startSoc: 0.5 });
    const { startSoc, name } = store.trip()!;
    expect([startSoc, name]).toEqual([0.5, 'Named meanwhile']);
  });

  it('has what was ticked saved beside the plan, and says how both stand', async () => {
    ticks.packing.change((now) => tick(now, 'shale'));
    expect(store.saving().is).toBe('saving');
    await until(() => store.saving().is === 'saved');
    expect(api.ticks.stored('packings', 'islet')).toEqual(
      jasmine.objectContaining({ packed: [{ gear: 'shale' }] }),
    );
    expect(api.stored).toEqual({ revision: 1, document: trip() });
    api.ticks.failsWith = 507;
    ticks.packing.change((now) => tick(now, 'curlew'));
    await until(() => store.saving().is === 'refused');
    // A plan in conflict is worse.
    store.edit((now) => ({ ...now, name: 'Mine' }));
    api.stored = { revision: 2, document: trip({ name: 'Theirs' }) };
    await until(() => store.saving().is === 'conflict');
  });

  it('takes ticks out of a draft that an earlier release had left, and the plan without them', async () => {
    const [first, ...others] = trip().loadout;
    const old = { ...trip({ name: 'Typed' }), version: 5, loadout: [{ ...first, packed: true }, ...others] };
    localStorage.setItem('knapsack.draft.islet', JSON.stringify({ revision: 1, trip: old }));
    await store.open('islet');
    expect(store.trip()).toEqual(trip({ name: 'Typed' }));
    expect([...ticks.packed()]).toEqual([first.gear]);
  });

  it('puts a plan back that was deleted elsewhere, with its ticks', async () => {
    ticks.packing.change((now) => tick(now, 'shale'));
    await until(() => store.saving().is === 'saved');
    api.isDeleted = true;
    await store.conflict.keepMine();
    expect(api.created?.packed).toEqual([{ gear: 'shale' }]);
    expect(store.saving().is).toBe('saved');
  });
});
