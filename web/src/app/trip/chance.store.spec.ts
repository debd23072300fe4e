import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Trip } from '@knapsack/contract';
import type { Chance } from '@knapsack/core';
import { ShelfService } from '../data/shelf.service';
import { shelf, trip } from '@knapsack/contract/testing/outing';
import { SlowWorker } from '../testing/slow-worker';
import { withSlowWorkers } from '../testing/slow-workers';
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
  const rest = withSlowWorkers();
  let store: ChanceStore;
  const sent = () => SlowWorker.lastOf<unknown>().sent;

  beforeEach(() => {
    planned.set(trip());
    gear.set(shelf);
    isMoving.set(false);
    TestBed.configureTestingModule({
      providers: [
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
    rest(1000);
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
    rest(1000);
    answer(3, 40);
    expect(store.words()).toBe('lasts in 10 of 100 simulated outings');
  });

  it('wait longer while a hand still holds what it moves, and come once it lets go', () => {
    const questions = () => sent().filter(({ question }) => question !== null).length;
    const after = (ms: number) => {
      rest(ms);
      return questions();
    };
    isMoving.set(true);
    planned.set(trip({ startSoc: 0.4 }));
    expect(after(300)).toBe(1);
    isMoving.set(false);
    expect(after(150)).toBe(2);
    // The very same plan is not asked about twice.
    isMoving.set(true);
    expect(after(1000)).toBe(2);
  });

  it('of a plan that has changed are worked at no longer, so that the hand has the processor', () => {
    answer(1, 100);
    isMoving.set(true);
    planned.set(trip({ startSoc: 0.4 }));
    rest();
    expect(sent().map(({ question }) => question === null)).toEqual([false, true]);
    planned.set(trip({ startSoc: 0.3 }));
    rest();
    expect(sent().length).toBe(2);
    expect(SlowWorker.hired).toBe(1);
  });

  it('are never those of gear before, with the trip as it was', () => {
    answer(1, 100);
    gear.set([...shelf]);
    expect(store.chance()).toBeNull();
    answer(1, 110);
    expect(store.chance()).toBeNull();
  });
});
