import { provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Trip } from '@knapsack/contract';
import { curlew, shale, trip } from '@knapsack/contract/testing/outing';
import { ShelfService } from '../data/shelf.service';
import { SlowWorker } from '../testing/slow-worker';
import { BagStore } from '../trip/bag.store';
import { TripStore } from '../trip/trip.store';
import { SizeStore } from './size.store';

/** The radio weighs 700 g, a battery 1,000 g, and there are two of it. */
const shelf: readonly Gear[] = [curlew, { ...shale, weightG: { value: 1000, source: 'measured' } }];

describe('the search over the shelf', () => {
  const real = globalThis.Worker;
  const present = signal<Trip>(trip());
  let store: SizeStore;

  beforeEach(() => {
    globalThis.Worker = SlowWorker as unknown as typeof Worker;
    localStorage.removeItem('knapsack.size');
    present.set(trip());
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        SizeStore,
        BagStore,
        { provide: TripStore, useValue: { trip: present, calculated: present } },
        { provide: ShelfService, useValue: { gear: signal(shelf) } },
      ],
    });
    store = TestBed.inject(SizeStore);
    TestBed.tick();
  });
  afterEach(() => {
    TestBed.resetTestingModule();
    globalThis.Worker = real;
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
});
