import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Trip } from '@knapsack/contract';
import { shelf, trip } from '@knapsack/contract/testing/outing';
import { ShelfService } from '../data/shelf.service';
import { SlowWorker } from '../testing/slow-worker';
import { withSlowWorkers } from '../testing/slow-workers';
import { ChanceStore } from './chance.store';
import { ForecastStore } from './forecast.store';
import { TripStore } from './trip.store';
import { WhatIfStore } from './what-if.store';

const said = (word: string) => ({ whatIf: { fixes: [], failures: [], word }, variants: [] });

describe('what would be otherwise', () => {
  const planned = signal<Trip | null>(trip());
  const gear = signal<readonly Gear[]>(shelf);
  const view = signal<object | null>(null);
  const isMoving = signal(false);
  const isWorking = signal(false);
  const mark = signal('look');
  const hand = withSlowWorkers();
  let store: WhatIfStore;
  const asked = () => SlowWorker.lastOf<{ trip: Trip }>().sent.map(({ question }) => question.trip.name);
  const rest = (ms = 200) => hand(ms);

  beforeEach(() => {
    planned.set(trip());
    view.set({});
    isMoving.set(false);
    isWorking.set(false);
    mark.set('look');
    TestBed.configureTestingModule({
      providers: [
        WhatIfStore,
        { provide: TripStore, useValue: { trip: planned, calculated: planned, isMoving } },
        { provide: ForecastStore, useValue: { view } },
        { provide: ChanceStore, useValue: { isWorking, mark } },
        { provide: ShelfService, useValue: { gear } },
      ],
    });
    store = TestBed.inject(WhatIfStore);
  });

  it('is asked once the hand rests, of the last plan only', () => {
    rest(199);
    expect(SlowWorker.last).toBeNull();
    planned.set(trip({ name: 'second' }));
    rest(199);
    expect(SlowWorker.last).toBeNull();
    rest(1);
    expect(asked()).toEqual(['second']);
  });

  it('is not asked while there is no forecast, or no trip', () => {
    view.set(null);
    rest();
    planned.set(null);
    view.set({});
    rest();
    expect(SlowWorker.last).toBeNull();
  });

  it('is of the plan as it stands, or says that it is of one before', () => {
    rest();
    expect(store.fresh()).toBeFalse();
    SlowWorker.lastOf().answer(1, said('first'));
    expect(store.fresh()).toBeTrue();
    expect(store.found()).toEqual(said('first').whatIf as never);
    planned.set(trip({ name: 'second' }));
    TestBed.tick();
    expect(store.fresh()).toBeFalse();
    expect(store.found()).not.toBeNull();
    rest();
    // Of a plan that has changed again while it was worked out nothing is told.
    planned.set(trip({ name: 'third' }));
    SlowWorker.lastOf().answer(2, said('second'));
    expect(store.fresh()).toBeFalse();
    expect(store.found()).toEqual(said('first').whatIf as never);
  });

  it('of a plan that has changed is worked at no longer, and that of the plan before is asked for again', () => {
    rest();
    planned.set(trip({ name: 'second' }));
    rest(0);
    const sent = () => SlowWorker.lastOf<unknown>().sent.map(({ question }) => question !== null);
    expect(sent()).toEqual([true, false]);
    const [{ trip: first }] = SlowWorker.lastOf<{ trip: Trip }>().sent.map(({ question }) => question);
    planned.set(first);
    rest();
    expect(sent()).toEqual([true, false, true]);
    SlowWorker.lastOf().answer(3, said('first'));
    expect(store.fresh()).toBeTrue();
    // Where it is known, a plan that comes and goes is asked for anew all the same.
    planned.set(trip({ name: 'third' }));
    rest(100);
    planned.set(first);
    rest();
    expect(sent().filter(Boolean).length).toBe(3);
  });

  it('is not asked while a hand holds what it moves, and once it lets go', () => {
    rest();
    SlowWorker.lastOf().answer(1, said('first'));
    isMoving.set(true);
    rest();
    expect(store.fresh()).toBeTrue();
    planned.set(trip({ name: 'second' }));
    rest(5000);
    expect([asked().length, store.fresh()]).toEqual([1, false]);
    isMoving.set(false);
    rest();
    expect(asked()).toEqual(['Islet', 'second']);
  });

  it('waits for the chances, which are worked out first', () => {
    isWorking.set(true);
    rest(5000);
    expect(SlowWorker.last).toBeNull();
    isWorking.set(false);
    rest(199);
    expect(SlowWorker.last).toBeNull();
    rest(1);
    expect(asked()).toEqual(['Islet']);
  });

  it('is asked of a good plan once somebody is about to look, and of every plan from there on', () => {
    for (const good of ['fine', 'calculating']) {
      mark.set(good);
      rest(5000);
      expect(SlowWorker.last).toBeNull();
    }
    mark.set('fine');
    store.look();
    rest();
    SlowWorker.lastOf().answer(1, said('first'));
    planned.set(trip({ name: 'second' }));
    rest();
    expect(asked()).toEqual(['Islet', 'second']);
  });

  it('is asked of a good plan that has variants', () => {
    mark.set('fine');
    planned.set(trip({ variants: [{ ...trip(), id: 'v', name: 'another' }] }));
    rest();
    expect(asked()).toEqual(['Islet']);
  });

  it('tells no more of the plan before once a plan is good', () => {
    rest();
    SlowWorker.lastOf().answer(1, said('first'));
    planned.set(trip({ name: 'second' }));
    mark.set('calculating');
    TestBed.tick();
    // Its own chance is not there yet: what would fix the plan before stands, faded.
    expect(store.found()).not.toBeNull();
    mark.set('fine');
    rest();
    expect([store.found(), asked().length]).toEqual([null, 1]);
  });

  it('asks nothing anew where the forecast of the same plan is newer', () => {
    rest();
    view.set({});
    rest();
    expect(asked()).toHaveSize(1);
  });
});
