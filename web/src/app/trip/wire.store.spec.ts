import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Trip } from '@knapsack/contract';
import { changeCableRun, harnessDrawing, harnessReport } from '@knapsack/contract/harness';
import { ShelfService } from '../data/shelf.service';
import { ForecastStore } from './forecast.store';
import { GhostStore } from './ghost.store';
import { TripStore } from './trip.store';
import { shelf, trip } from '@knapsack/contract/testing/outing';
import { SlowWorker } from '../testing/slow-worker';
import { withSlowWorkers } from '../testing/slow-workers';
import type { WireQuestion } from '../work/wire-protocol';
import { WireStore } from './wire.store';

/** Lets the worker answer the newest question. */
function answer(): void {
  const worker = SlowWorker.lastOf<WireQuestion>();
  const { number, question } = worker.sent[worker.sent.length - 1];
  const report = harnessReport(question.trip, question.shelf);
  worker.answer(number, { report, drawing: harnessDrawing(report, 'across') });
}
const asked = () => SlowWorker.lastOf<WireQuestion>().sent.length;

describe('the wiring of the page', () => {
  const planned = signal<Trip | null>(trip());
  const before = signal<{ readonly trip: Trip } | null>(null);
  const gear = signal<readonly Gear[]>(shelf);
  const isMoving = signal(false);
  const hand = withSlowWorkers();
  let store: WireStore;
  const rest = () => hand(1000);

  beforeEach(() => {
    planned.set(trip());
    before.set(null);
    isMoving.set(false);
    TestBed.configureTestingModule({
      providers: [
        WireStore,
        { provide: TripStore, useValue: { trip: planned, calculated: planned, isMoving } },
        { provide: ForecastStore, useValue: { answered: signal(true) } },
        { provide: GhostStore, useValue: { before } },
        { provide: ShelfService, useValue: { gear } },
      ],
    });
    store = TestBed.inject(WireStore);
  });

  it('is looked at after a rest elsewhere, and at once in its room', () => {
    TestBed.tick();
    expect(SlowWorker.hired).toBe(0);
    rest();
    expect(asked()).toBe(1);
    answer();
    store.inRoom.set(true);
    planned.set(changeCableRun(trip(), 'curlew', { fuseA: 5 }));
    TestBed.tick();
    expect(asked()).toBe(2);
  });

  it('gives the trail the gravest of what is wrong', () => {
    rest();
    expect(store.worst()).toBeNull();
    answer();
    // Two batteries at a joint: neither their fuses are entered nor whether they protect themselves.
    expect(store.worst()).toBe('look');
    planned.set(changeCableRun(trip(), 'shale', { fuseA: 0 }));
    rest();
    answer();
    expect(store.worst()).toBe('stop');
  });

  it('stays while the next one is calculated, but is never that of another trip', () => {
    rest();
    answer();
    planned.set({ ...trip(), temperatureC: 3 });
    TestBed.tick();
    expect(store.report()).not.toBeNull();
    planned.set({ ...trip(), id: 'another' });
    TestBed.tick();
    expect(store.report()).toBeNull();
    expect(store.worst()).toBeNull();
  });

  it('marks the runs that have changed and are not kept yet', () => {
    expect(store.changed().size).toBe(0);
    before.set({ trip: trip() });
    planned.set(changeCableRun(trip(), 'curlew', { lengthM: 2 }));
    expect([...store.changed()]).toEqual(['curlew']);
  });

  it('waits while a hand holds what it moves, and is asked once when it lets go', () => {
    rest();
    answer();
    isMoving.set(true);
    planned.set(changeCableRun(trip(), 'curlew', { fuseA: 5 }));
    rest();
    expect(asked()).toBe(1);
    isMoving.set(false);
    rest();
    expect(asked()).toBe(2);
    // The same wiring is not looked at twice, not in its room either.
    store.inRoom.set(true);
    rest();
    expect(asked()).toBe(2);
  });

  it('says where it stopped by a fault, and is looked at anew in its room', () => {
    rest();
    SlowWorker.lastOf().die();
    SlowWorker.lastOf().die();
    expect(store.failed()).toBeTrue();
    store.inRoom.set(true);
    rest();
    answer();
    expect(store.failed()).toBeFalse();
    expect(store.report()).not.toBeNull();
  });
});
