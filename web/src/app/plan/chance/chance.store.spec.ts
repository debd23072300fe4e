import { provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Trip } from '@knapsack/contract';
import type { Chance } from '@knapsack/core';
import { ShelfService } from '../../data/shelf.service';
import { shelf, trip } from '../../testing/documents';
import type { ForecastQuestion } from '../forecast-protocol';
import type { Asked } from '../newest-worker';
import { PlanStore } from '../plan.store';
import { ChanceStore } from './chance.store';

/** A worker that answers when it is told to. */
class SlowWorker {
  static last: SlowWorker;
  readonly sent: Asked<ForecastQuestion>[] = [];
  onmessage: ((event: { data: unknown }) => void) | null = null;
  constructor() {
    SlowWorker.last = this;
  }
  postMessage = (asked: Asked<ForecastQuestion>) => this.sent.push(asked);
  terminate = () => undefined;
  answer(number: number, finished: number): void {
    const chance = { finished, draws: 400, chance: finished / 400 } as Chance;
    this.onmessage?.({ data: { number, answer: { chance, tornado: null }, more: true } });
  }
}

describe('the chances of the page', () => {
  const planned = signal<Trip | null>(trip());
  const gear = signal<readonly Gear[]>(shelf);
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
        { provide: PlanStore, useValue: { trip: planned, view: signal({}), problems: signal([]) } },
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
    SlowWorker.last.answer(1, 100);
    expect(store.words()).toBe('25 of 100 draws finish');
    SlowWorker.last.answer(1, 120);
    expect(store.words()).toBe('30 of 100 draws finish');
  });

  it('are never those of a plan before, not even until the next are asked for', () => {
    SlowWorker.last.answer(1, 100);
    planned.set(trip({ startSoc: 0.5 }));
    expect(store.chance()).toBeNull();
    SlowWorker.last.answer(1, 110);
    expect(store.chance()).toBeNull();
    rest();
    SlowWorker.last.answer(2, 40);
    expect(store.words()).toBe('10 of 100 draws finish');
  });

  it('are never those of gear before, with the trip as it was', () => {
    SlowWorker.last.answer(1, 100);
    gear.set([...shelf]);
    expect(store.chance()).toBeNull();
    SlowWorker.last.answer(1, 110);
    expect(store.chance()).toBeNull();
  });
});
