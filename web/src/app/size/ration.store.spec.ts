import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Trip } from '@knapsack/contract';
import { USUAL_RATION_OPTIONS, withRation } from '@knapsack/contract/size';
import { shelf, trip } from '@knapsack/contract/testing/outing';
import type { Ration } from '@knapsack/core';
import { ShelfService } from '../data/shelf.service';
import { SlowWorker } from '../testing/slow-worker';
import { withSlowWorkers } from '../testing/slow-workers';
import { TripStore } from '../trip/trip.store';
import type { RationQuestion } from '../work/ration-work';
import { RationStore } from './ration.store';
import { SizeStore } from './size.store';

/** Nothing is worked, in all hours. */
const QUIET = { hours: [], feasible: true } as unknown as Ration;
const NO_HOURS = { ok: false, problems: [{ code: 'hours', sentence: 'There are no hours to share out.' }] };

describe('the hours that the energy is shared out among', () => {
  const present = signal<Trip | null>(trip());
  const gear = signal<readonly Gear[]>(shelf);
  const chance = signal(0.9);
  const rest = withSlowWorkers();
  const edits: ((trip: Trip) => Trip)[] = [];
  let store: RationStore;
  const worker = () => SlowWorker.lastOf<RationQuestion>();
  const answer = (is: unknown) => worker().answer(worker().sent.at(-1)!.number, is);

  beforeEach(() => {
    localStorage.removeItem('knapsack.ration');
    edits.length = 0;
    present.set(trip());
    gear.set(shelf);
    chance.set(0.9);
    TestBed.configureTestingModule({
      providers: [
        RationStore,
        {
          provide: TripStore,
          useValue: { calculated: present, edit: (edit: (trip: Trip) => Trip) => edits.push(edit) },
        },
        { provide: ShelfService, useValue: { gear } },
        { provide: SizeStore, useValue: { options: () => ({ chance: chance() }) } },
      ],
    });
    store = TestBed.inject(RationStore);
  });
  afterEach(() => localStorage.removeItem('knapsack.ration'));

  it('are asked for once the hand rests, with the chance that Size goes for', () => {
    chance.set(0.8);
    rest(299);
    expect(SlowWorker.last).toBeNull();
    store.change({ doubling: 0.4 });
    rest(299);
    expect(SlowWorker.last).toBeNull();
    rest(1);
    const [{ question }] = worker().sent;
    expect(question.trip).toEqual(trip());
    expect(question.options).toEqual({ ...USUAL_RATION_OPTIONS, chance: 0.8, doubling: 0.4 });
    rest(1000);
    expect(worker().sent.length).toBe(1);
  });

  it('are not asked for without a trip, or with an empty shelf', () => {
    gear.set([]);
    rest(1000);
    gear.set(shelf);
    present.set(null);
    rest(1000);
    expect(SlowWorker.last).toBeNull();
  });

  it('are shown for the plan that they were worked out for alone', () => {
    rest(300);
    expect([store.ration(), store.problem(), store.stretches()]).toEqual([null, null, []]);
    answer({ ok: true, value: QUIET });
    expect(store.ration()).toBe(QUIET);
    present.set(trip({ startSoc: 0.5 }));
    rest();
    expect(store.ration()).toBeNull();
    rest(300);
    answer(NO_HOURS);
    expect(store.ration()).toBeNull();
    expect(store.problem()).toBe('There are no hours to share out.');
  });

  it('of a question that is not the newest are not shown', () => {
    rest(300);
    present.set(trip({ startSoc: 0.5 }));
    rest(300);
    worker().answer(1, { ok: true, value: QUIET });
    expect(store.ration()).toBeNull();
    answer({ ok: true, value: QUIET });
    expect(store.ration()).toBe(QUIET);
  });

  it('are put into the plan, where there are any', () => {
    store.putOn();
    expect(edits).toEqual([]);
    rest(300);
    answer({ ok: true, value: QUIET });
    store.putOn();
    expect(edits[0](trip())).toEqual(withRation(trip(), QUIET));
  });

  it('count as is said of one stretch of the day, and that is kept in this browser', () => {
    const [first] = USUAL_RATION_OPTIONS.hours;
    expect(store.options()).toEqual(USUAL_RATION_OPTIONS);
    store.changeHours({ fromHour: 19 });
    expect(store.options().hours).toEqual([{ ...first, fromHour: 19 }]);
    store.change({ hours: [] });
    store.changeHours({ toHour: 23 });
    expect(store.options().hours).toEqual([{ ...first, toHour: 23 }]);
    rest();
    expect(JSON.parse(localStorage.getItem('knapsack.ration')!)).toEqual(store.options());
  });

  it('say where they stopped by a fault', () => {
    rest(300);
    worker().die();
    worker().die();
    expect(store.problem()).toContain('stopped by a fault');
  });

  it('are not asked for any more once the room is left', () => {
    rest();
    TestBed.resetTestingModule();
    jasmine.clock().tick(1000);
    expect(SlowWorker.last).toBeNull();
  });
});
