import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { resolve, type Gear, type Trip } from '@knapsack/contract';
import { chanceOf, forecast, sayLasting, sayLastingShort, type Chance } from '@knapsack/core';
import { ShelfService } from '../data/shelf.service';
import { shelf, trip } from '@knapsack/contract/testing/outing';
import { SlowWorker } from '../testing/slow-worker';
import { withSlowWorkers } from '../testing/slow-workers';
import { ForecastStore, type MovedSky } from './forecast.store';
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
  const view = signal<object | null>({});
  const problems = signal<readonly string[]>([]);
  const skies: MovedSky[] = [];
  const rest = withSlowWorkers();
  let store: ChanceStore;
  const sent = () => SlowWorker.lastOf<unknown>().sent;

  beforeEach(() => {
    planned.set(trip());
    gear.set(shelf);
    isMoving.set(false);
    view.set({});
    problems.set([]);
    skies.length = 0;
    TestBed.configureTestingModule({
      providers: [
        ChanceStore,
        { provide: TripStore, useValue: { trip: planned, calculated: planned, isMoving } },
        {
          provide: ForecastStore,
          useValue: { view, problems, moveSky: (moved: MovedSky) => skies.push(moved) },
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

  it('are asked for at once where no hand has touched anything, and after a rest where one has', () => {
    const questions = () => sent().filter(({ question }) => question !== null).length;
    expect(questions()).toBe(1);
    planned.set(trip({ startSoc: 0.5 }));
    rest(119);
    expect(questions()).toBe(1);
    rest(1);
    expect(questions()).toBe(2);
  });

  it('are not asked for while something is missing, cannot be calculated or is not there', () => {
    const before = sent().length;
    for (const blocks of [[], trip().blocks]) {
      planned.set(trip({ blocks, startSoc: 0.4 }));
      if (blocks.length > 0) problems.set(['There is no radio.']);
      rest(1000);
    }
    problems.set([]);
    view.set(null);
    rest(1000);
    planned.set(null);
    view.set({});
    rest(1000);
    expect(sent().filter(({ question }) => question !== null).length).toBe(before);
    expect([store.missing(), store.chance(), store.sum()]).toEqual([[], null, null]);
  });

  it('are gone, and so is all that came with them, where the worker dies for good', () => {
    answer(1, 100);
    planned.set(trip({ startSoc: 0.5 }));
    rest(1000);
    answer(3, 100);
    SlowWorker.lastOf().die();
    SlowWorker.lastOf().die();
    expect([store.chance(), store.words(), store.sizeSign()]).toEqual([null, null, null]);
    expect(store.isWorking()).toBeFalse();
    expect(store.sentence()).toEqual(['The chance cannot be calculated, by a fault in Knapsack.']);
  });

  describe('of samples that are done', () => {
    const plan = (() => {
      const resolved = resolve(trip(), shelf);
      if (!resolved.ok) throw new Error(resolved.problems[0].sentence);
      return resolved.value;
    })();
    const chance = chanceOf(plan);
    const done = (more: object = {}, of: Partial<Chance> = {}) =>
      SlowWorker.lastOf().answer(1, { chance: { ...chance, ...of }, wire: null, tornado: null, ...more });
    beforeEach(() => view.set({ verdict: forecast(plan).verdict, skyFactor: 1 }));

    it('are worked at until the last is told, and anew for another plan; not where none can be told', () => {
      const worked = [store.isWorking()];
      done();
      worked.push(store.isWorking());
      done({ skyFactor: 0.9 });
      worked.push(store.isWorking());
      planned.set(trip({ startSoc: 0.5 }));
      worked.push(store.isWorking());
      expect(store.sentence()).toEqual(['Calculating the chance …']);
      problems.set(['none']);
      worked.push(store.isWorking());
      expect(store.sentence()).toEqual([]);
      expect(worked).toEqual([true, true, false, true, false]);
    });

    it('mark the plan, and Size by themselves', () => {
      expect([store.mark(), store.planSign(), store.sizeSign(), store.short()]).toEqual([
        ...['calculating', null, null, ''],
      ]);
      done();
      expect([store.mark(), store.planSign(), store.sizeSign()]).toEqual(['fine', 'fine', 'fine']);
      expect([store.words(), store.short()]).toEqual([sayLasting(chance), sayLastingShort(chance)]);
      done({}, { chance: 0.1 });
      expect([store.mark(), store.sizeSign()]).toEqual(['stop', 'stop']);
      done({ wire: { stops: [{ rule: 'fuse', part: 'shale' }], warnings: 0 } });
      expect([store.mark(), store.sizeSign()]).toEqual(['stop', 'fine']);
      expect(store.wire()?.stops.length).toBe(1);
    });

    it('say what the plan lacks in their place, and stop where it cannot be calculated', () => {
      planned.set(trip({ blocks: [] }));
      expect(store.missing()).toEqual(['hours']);
      expect([store.mark(), store.planSign(), store.short()]).toEqual([
        ...['unknown', null, 'Add the hours in which you will operate.'],
      ] as never);
      planned.set(trip());
      problems.set(['It does not go together.']);
      expect([store.mark(), store.planSign()]).toEqual(['stop', 'stop']);
      problems.set([]);
      view.set(null);
      expect(store.mark()).toBe('calculating');
    });

    it('move the typical sky, and have said all once the forecast is of that sky', () => {
      done();
      expect([store.settled(), skies]).toEqual([false, []]);
      done({ skyFactor: 1.1, wouldDoAh: 12, tornado: { bars: [] } });
      expect(skies.map(({ factor, trip: { id } }) => [factor, id])).toEqual([[1.1, 'islet']]);
      expect(store.settled()).toBeFalse();
      view.update((now) => ({ ...now, skyFactor: 1.1 }));
      expect(store.settled()).toBeTrue();
      expect([store.wouldDoAh(), store.tornado()]).toEqual([12, { bars: [] }] as never);
      planned.set(trip({ startSoc: 0.9 }));
      expect([store.settled(), store.wouldDoAh(), store.tornado()]).toEqual([false, undefined, null]);
    });

    it('unfold into their arithmetic', () => {
      done();
      expect(store.sum()!.lines.length).toBeGreaterThan(1);
      planned.set(null);
      expect([store.sum(), store.missing()]).toEqual([null, []]);
    });
  });
});
