import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Trip } from '@knapsack/contract';
import { shelf, trip } from '@knapsack/contract/testing/outing';
import { ShelfService } from '../data/shelf.service';
import { SlowWorker } from '../testing/slow-worker';
import { withSlowWorkers } from '../testing/slow-workers';
import type { ForecastQuestion } from '../work/forecast-protocol';
import { ForecastStore } from './forecast.store';
import { TripStore } from './trip.store';

const UNKNOWN = { ok: false, problems: [{ code: 'no-radio', sentence: 'There is no radio.' }] };

describe('the forecast of the trip in hand', () => {
  const present = signal<Trip | null>(trip());
  const gear = signal<readonly Gear[]>(shelf);
  const isMoving = signal(false);
  const seen = withSlowWorkers();
  let store: ForecastStore;
  const worker = () => SlowWorker.lastOf<ForecastQuestion>();
  /** Answers the newest question. */
  const answer = (outcome: unknown) => worker().answer(worker().sent.at(-1)!.number, outcome);
  const last = () => worker().sent.at(-1)!.question;

  beforeEach(() => {
    present.set(trip());
    gear.set(shelf);
    isMoving.set(false);
    TestBed.configureTestingModule({
      providers: [
        ForecastStore,
        { provide: TripStore, useValue: { trip: present, calculated: present, isMoving } },
        { provide: ShelfService, useValue: { gear } },
      ],
    });
    store = TestBed.inject(ForecastStore);
  });

  it('is asked at once, of the trip and the shelf; of no trip nothing is asked', () => {
    present.set(null);
    seen();
    expect(worker().sent.length).toBe(0);
    present.set(trip());
    seen();
    expect(last().trip).toEqual(trip());
    expect(last().shelf).toEqual(shelf);
  });

  it('has said nothing until there is an answer, a problem too', () => {
    seen();
    expect([store.answered(), store.view(), store.problems()]).toEqual([false, null, []]);
    answer(UNKNOWN);
    expect(store.answered()).toBeTrue();
    expect(store.problems()).toEqual(['There is no radio.']);
  });

  it('stays while the plan has a problem, and the problem goes when it has none', () => {
    const view = { verdict: {} };
    seen();
    answer({ ok: true, view });
    expect(store.view() as unknown).toBe(view);
    expect(store.answered()).toBeTrue();
    present.set(trip({ loadout: [] }));
    seen();
    answer(UNKNOWN);
    expect(store.view() as unknown).toBe(view);
    present.set(trip());
    seen();
    answer({ ok: true, view: { verdict: {} } });
    expect(store.problems()).toEqual([]);
    expect(store.view() as unknown).not.toBe(view);
  });

  it('is coarse while a pointer moves, and has its arithmetic once somebody looks at it', () => {
    isMoving.set(true);
    seen();
    expect([last().coarse, last().explained ?? false]).toEqual([true, false]);
    answer(UNKNOWN);
    isMoving.set(false);
    store.explain();
    seen();
    expect([last().coarse ?? false, last().explained]).toEqual([false, true]);
  });

  it('takes the sky that the samples have told for the trip and the shelf that they were told of alone', () => {
    const said = (factor: number) => store.moveSky({ trip: present()!, shelf: gear(), factor });
    said(1.2);
    seen();
    expect(last().skyFactor).toBe(1.2);
    answer(UNKNOWN);
    present.set(trip({ temperatureC: 3 }));
    seen();
    expect(last().skyFactor ?? 1).toBe(1);
    answer(UNKNOWN);
    said(0.9);
    seen();
    expect(last().skyFactor).toBe(0.9);
    answer(UNKNOWN);
    gear.set([...shelf]);
    seen();
    expect(last().skyFactor ?? 1).toBe(1);
  });

  it('says where it stopped by a fault', () => {
    seen();
    worker().die();
    expect(store.problems()).toEqual([]);
    worker().die();
    expect(store.problems()).toEqual([jasmine.stringContaining('stopped by a fault')]);
  });
});
