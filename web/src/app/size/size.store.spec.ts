import { computed, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Trip } from '@knapsack/contract';
import type { IdealFigures } from '@knapsack/contract/size';
import { curlew, shale, trip } from '@knapsack/contract/testing/outing';
import { ShelfService } from '../data/shelf.service';
import { SlowWorker } from '../testing/slow-worker';
import { withSlowWorkers } from '../testing/slow-workers';
import { BagStore } from '../trip/bag.store';
import { TripStore } from '../trip/trip.store';
import type { IdealQuestion } from '../work/ideal-work';
import { SizeStore } from './size.store';

/** The radio weighs 700 g, a battery 1,000 g, and there are two of it. */
const shelf: readonly Gear[] = [curlew, { ...shale, weightG: { value: 1000, source: 'measured' } }];

describe('the search over the shelf', () => {
  const seen = withSlowWorkers();
  const present = signal<Trip>(trip());
  const radioPrice = signal<number | null>(null);
  /** With a price it is a radio of the wish list. */
  const shelfNow = computed(() => {
    const value = radioPrice();
    return value === null
      ? shelf
      : shelf.map((gear) =>
          gear.kind === 'radio'
            ? { ...gear, wished: true, price: { value, source: 'datasheet' as const } }
            : gear,
        );
  });
  let store: SizeStore;

  beforeEach(() => {
    for (const key of ['knapsack.size', 'knapsack.size.from', 'knapsack.size.limits'])
      localStorage.removeItem(key);
    radioPrice.set(null);
    present.set(trip());
    TestBed.configureTestingModule({
      providers: [
        SizeStore,
        BagStore,
        { provide: TripStore, useValue: { trip: present, calculated: present } },
        { provide: ShelfService, useValue: { gear: shelfNow } },
      ],
    });
    store = TestBed.inject(SizeStore);
    seen();
  });
  afterEach(() => {
    localStorage.removeItem('knapsack.size');
  });

  it('knows what the kit in the bag weighs, and what the carry limit leaves for one', () => {
    expect(store.inBagG()).toBe(2000);
    expect(store.roomG()).toBeNull();
    present.set(trip({ carryLimitG: 3000 }));
    expect(store.roomG()).toBe(2300);
    present.set(trip({ carryLimitG: 500 }));
    expect(store.roomG()).toBe(0);
  });

  it('asks for no more weight than there is room for, unless a weight is asked for or there is no room at all', () => {
    expect(store.effective().limits.grams).toBeUndefined();
    present.set(trip({ carryLimitG: 3000 }));
    expect(store.effective().limits.grams).toBe(2300);
    store.change((options) => ({ ...options, limits: { grams: 900 } }));
    expect(store.effective().limits.grams).toBe(900);
    store.change((options) => ({ ...options, limits: {} }));
    present.set(trip({ carryLimitG: 500 }));
    expect(store.effective().limits.grams).toBeUndefined();
  });

  it('asks for no more money than the budget leaves, nothing included, unless a price is asked for', () => {
    expect(store.effective().limits.price).toBeUndefined();
    present.set(trip({ budget: 300 }));
    expect(store.effective().limits.price).toBe(300);
    radioPrice.set(320);
    expect(store.effective().limits.price).toBe(0);
    store.change((options) => ({ ...options, limits: { price: 100 } }));
    expect(store.effective().limits.price).toBe(100);
    store.change((options) => ({ ...options, limits: {} }));
  });

  it('keeps the limits of a trip out of another trip', () => {
    store.change((options) => ({ ...options, limits: { price: 100 } }));
    seen();
    present.set(trip({ name: 'renamed' }));
    seen();
    expect(store.effective().limits.price).toBe(100);
    present.set(trip({ id: 'another' }));
    seen();
    expect(store.effective().limits.price).toBeUndefined();
  });

  it('tries what is sold as still to buy', () => {
    expect(store.from()).toBe('sold');
    expect(store.effective().wished).toBeTrue();
    store.chooseFrom('shelf');
    expect(store.effective().wished).toBeFalse();
  });

  it('goes for the chance that the trip is meant to have', () => {
    expect(store.options().chance).toBe(0.9);
    present.set(trip({ targetChance: 0.75 }));
    expect(store.options().chance).toBe(0.75);
  });

  it('says why options will not do instead of searching, and can be stopped', () => {
    expect(store.busy()).toBeTrue();
    store.stop();
    expect(store.busy()).toBeFalse();
    store.change((options) => ({ ...options, limits: { grams: -5 } }));
    store.again();
    expect(store.problems().length).toBe(1);
    expect(store.busy()).toBeFalse();
  });

  it('asks for the ideal battery and panel of the month, and knows none of another plan', () => {
    const worker = SlowWorker.lastOf<IdealQuestion>();
    expect(worker.sent.map(({ question }) => [question.month, question.chance])).toEqual([[9, 0.9]]);
    const figures = { batteryAh: 5 } as unknown as IdealFigures;
    worker.answer(1, figures);
    expect(store.ideal()).toBe(figures);
    store.month.set(1);
    seen();
    expect(store.ideal()).toBeNull();
    // One that was asked before is told no more.
    worker.answer(1, figures);
    expect(store.ideal()).toBeNull();
    expect(worker.sent.at(-1)!.question.month).toBe(1);
    const before = worker.sent.length;
    for (const targetChance of [0, 1]) {
      present.set(trip({ targetChance }));
      seen();
    }
    expect(worker.sent.length).toBe(before);
    worker.answer(2, figures);
    expect(store.ideal()).toBe(figures);
    worker.die();
    worker.die();
    expect(store.ideal()).toBeNull();
  });
});
