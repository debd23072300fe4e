import { provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Trip } from '@knapsack/contract';
import type { Chance } from '@knapsack/core';
import { ShelfService } from '../data/shelf.service';
import { shelf, trip } from '@knapsack/contract/testing/outing';
import { SlowWorker } from '../testing/slow-worker';
import { ForecastStore } from './forecast.store';
import { TripStore } from './trip.store';
import { ChanceStore } from './chance.store';

/** Lets the worker say to a question in how many of 400 simulated outings it lasts, with more to come. */
function answer(number: number, finished: number): void {
  const chance = { finished, samples: 400, chance: finished / 400 } as Chance;
  SlowWorker.lastOf().answer(number, { chance, tornado: null }, true);
}

describe('the chances of the page', () => {
  const planned = signal<Trip | null>(trip());
  const gear = signal<readonly Gear[]>(shelf);
  const isMoving = signal(false);
  const real = globalThis.Worker;
  let store: ChanceStore;
  const rest = () => {
    TestBed.tick();
    jasmine.clock().tick(1000);
  };

  beforeEach(() => {
    jasmine.clock().install();
    globalThis.Worker = SlowWorker as unknown as typeof Worker;
    planned.set(trip());
    gear.set(shelf);
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        ChanceStore,
        { provide: TripStore, useValue: { trip: planned, calculated: planned, isMoving } },
        {
          provide: ForecastStore,
          useValue: { view: signal({}), problems: signal([]), moveSky: () => undefined },
        },
        { provide: ShelfService, useValue: { gear } },
      ],
    });
    store = TestBed.inject(ChanceStore);
    rest();
  });
  afterEach(() => {
    TestBed.resetTestingModule();
    globalThis.Worker = real;
    jasmine.clock().uninstall();
  });

  it('are told as they grow surer', () => {
    answer(1, 100);
    expect(store.words()).toBe('lasts in 25 of 100 simulated outings');
    answer(1, 120);
    expect(store.words()).toBe('lasts in 30 of 100 simulated outings');
  });

  it('are never those of a plan before, not even until the next are asked for', () => {
    answer(1, 100);
    planned.set(trip({ startSoc: 0.5 }));
    expect(store.chance()).toBeNull();
    answer(1, 110);
    expect(store.chance()).toBeNull();
    rest();
    answer(2, 40);
    expect(store.words()).toBe('lasts in 10 of 100 simulated outings');
  });

  it('wait longer while a hand still holds what it moves, and come once it lets go', () => {
    const asked = () => SlowWorker.lastOf().sent.length;
    const after = (ms: number) => {
      TestBed.tick();
      jasmine.clock().tick(ms);
      return asked();
    };
    const before = asked();
    isMoving.set(true);
    planned.set(trip({ startSoc: 0.4 }));
    expect(after(300)).toBe(before);
    isMoving.set(false);
    expect(after(150)).toBe(before + 1);
    // The very same plan is not asked about twice.
    isMoving.set(true);
    expect(after(1000)).toBe(before + 1);
    isMoving.set(false);
  });

  it('are never those of gear before, with the trip as it was', () => {
    answer(1, 100);
    gear.set([...shelf]);
    expect(store.chance()).toBeNull();
    answer(1, 110);
    expect(store.chance()).toBeNull();
  });
});
