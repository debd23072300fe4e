import { provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Trip } from '@knapsack/contract';
import { shelf, trip } from '@knapsack/contract/testing/outing';
import { ShelfService } from '../data/shelf.service';
import { SlowWorker } from '../testing/slow-worker';
import { ForecastStore } from './forecast.store';
import { TripStore } from './trip.store';
import { WhatIfStore } from './what-if.store';

const said = (word: string) => ({ whatIf: { fixes: [], failures: [], word }, variants: [] });

describe('what would be otherwise', () => {
  const planned = signal<Trip | null>(trip());
  const gear = signal<readonly Gear[]>(shelf);
  const view = signal<object | null>(null);
  const real = globalThis.Worker;
  let store: WhatIfStore;
  const asked = () => SlowWorker.lastOf<{ trip: Trip }>().sent.map(({ question }) => question.trip.name);
  const rest = (ms = 350) => {
    TestBed.tick();
    jasmine.clock().tick(ms);
  };

  beforeEach(() => {
    jasmine.clock().install();
    globalThis.Worker = SlowWorker as unknown as typeof Worker;
    SlowWorker.last = null;
    planned.set(trip());
    view.set({});
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        WhatIfStore,
        { provide: TripStore, useValue: { trip: planned, calculated: planned } },
        { provide: ForecastStore, useValue: { view } },
        { provide: ShelfService, useValue: { gear } },
      ],
    });
    store = TestBed.inject(WhatIfStore);
  });
  afterEach(() => {
    TestBed.resetTestingModule();
    globalThis.Worker = real;
    jasmine.clock().uninstall();
  });

  it('is asked once the hand rests, of the last plan only', () => {
    rest(349);
    expect(SlowWorker.last).toBeNull();
    planned.set(trip({ name: 'second' }));
    rest(349);
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
    TestBed.tick();
    SlowWorker.lastOf().answer(2, said('second'));
    expect(store.fresh()).toBeFalse();
    expect(store.found()).toEqual(said('first').whatIf as never);
  });

  it('asks nothing anew where the forecast of the same plan is newer', () => {
    rest();
    view.set({});
    rest();
    expect(asked()).toHaveSize(1);
  });
});
