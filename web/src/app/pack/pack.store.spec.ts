import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { Gear, Trip } from '@knapsack/contract';
import { shelf, trip } from '@knapsack/contract/testing/outing';
import { ShelfService } from '../data/shelf.service';
import { SlowWorker } from '../testing/slow-worker';
import { withSlowWorkers } from '../testing/slow-workers';
import { TicksStore } from '../trip/ticks.store';
import { TripStore } from '../trip/trip.store';
import type { PackingQuestion } from '../work/pack-protocol';
import { PackStore } from './pack.store';

describe('the packing list of a trip in hand', () => {
  const seen = withSlowWorkers();
  const present = signal<Trip>(trip());
  const gear = signal<readonly Gear[]>(shelf);
  const packed = signal<ReadonlySet<string>>(new Set());
  let store: PackStore;

  beforeEach(() => {
    present.set(trip());
    packed.set(new Set());
    TestBed.configureTestingModule({
      providers: [
        PackStore,
        { provide: TripStore, useValue: { trip: present, calculated: present } },
        { provide: ShelfService, useValue: { gear } },
        { provide: TicksStore, useValue: { packed } },
      ],
    });
    store = TestBed.inject(PackStore);
    seen();
  });

  it('counts the lines that are ticked off, and none that is not in the bag', () => {
    expect([store.packedLines(), store.list()!.lines]).toEqual([0, 2]);
    packed.set(new Set(['shale', 'gone']));
    expect(store.packedLines()).toBe(1);
  });

  it('stands on the trail as it can be carried', () => {
    expect(store.sign()).toBe('fine');
    present.set(trip({ packing: { bags: [{ id: 'bag', name: 'bag', limitG: 100 }] } }));
    expect(store.sign()).toBe('fine');
    const loadout = trip().loadout.map((item) => ({ ...item, bag: 'bag' }));
    present.set(trip({ loadout, packing: { bags: [{ id: 'bag', name: 'bag', limitG: 100 }] } }));
    expect(store.sign()).toBe('look');
    present.set(trip({ carryLimitG: 100 }));
    expect(store.sign()).toBe('stop');
    present.set(trip({ loadout: [] }));
    expect(store.sign()).toBeNull();
  });

  it('asks what the outing is without what is in hand, one line or a module, and shows no other answer', () => {
    expect(SlowWorker.last).toBeNull();
    store.inHand.set({ index: 1 });
    seen();
    const worker = SlowWorker.lastOf<PackingQuestion>();
    expect(worker.sent[0].question.without).toEqual(['shale']);
    expect(store.without()).toBeNull();
    worker.answer(1, { hours: 3 });
    expect(store.without() as unknown).toEqual({ hours: 3 });
    store.inHand.set({ module: 'base' });
    seen();
    expect(store.without()).toBeNull();
    expect(worker.sent[1].question.without).toEqual(['curlew', 'shale']);
    store.inHand.set({ module: 'night' });
    seen();
    worker.answer(2, { hours: 4 });
    expect(store.without()).toBeNull();
    expect(worker.sent.length).toBe(2);
  });

  it('stays the same while hours are drawn, and is another where anything changes that it hangs on', () => {
    const [, battery] = trip().loadout;
    let list = store.list();
    present.update((now) => ({ ...now, blocks: [], name: 'other' }));
    expect(store.list()).toBe(list);
    const changes: readonly Partial<Trip>[] = [
      { loadout: [battery] },
      { packing: { bags: [] } },
      { carryLimitG: 9000 },
      { gear: [] },
      { weather: { air: 'ordinary', cloud: 4, windMS: 1, climate: 'temperate' } },
      { start: '2027-09-04T05:00:00.000Z' },
      { end: '2027-09-04T19:00:00.000Z' },
    ];
    for (const change of changes) {
      present.update((now) => ({ ...now, ...change }));
      expect(store.list()).withContext(Object.keys(change)[0]).not.toBe(list);
      list = store.list();
    }
  });
});
