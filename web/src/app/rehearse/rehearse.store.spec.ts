import { provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import type { StepResult, Trip } from '@knapsack/contract';
import { harnessReport, type HarnessReport } from '@knapsack/contract/harness';
import { shelf, trip } from '@knapsack/contract/testing/outing';
import { ShelfService } from '../data/shelf.service';
import { BagStore } from '../trip/bag.store';
import { TicksStore } from '../trip/ticks.store';
import { TripStore } from '../trip/trip.store';
import { WireStore } from '../trip/wire.store';
import { RehearseStore } from './rehearse.store';

describe('the home test of the kit in hand', () => {
  const present = signal<Trip>(trip());
  const report = signal<HarnessReport | null>(null);
  const results = signal<readonly StepResult[]>([]);
  let store: RehearseStore;
  const at = '2027-09-01T10:00:00Z';

  beforeEach(() => {
    report.set(harnessReport(trip(), shelf));
    results.set([]);
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        RehearseStore,
        { provide: TripStore, useValue: { trip: present } },
        { provide: BagStore, useValue: { gear: signal(new Map(shelf.map((item) => [item.id, item]))) } },
        { provide: ShelfService, useValue: { gear: signal(shelf) } },
        { provide: WireStore, useValue: { report } },
        { provide: TicksStore, useValue: { results } },
      ],
    });
    store = TestBed.inject(RehearseStore);
  });
  afterEach(() => TestBed.resetTestingModule());

  const good = () => (store.steps() ?? []).map(({ id }): StepResult => ({ step: id, outcome: 'ok', at }));

  it('is not there before the wiring is known, and says nothing on the trail before somebody has begun', () => {
    expect(store.sign()).toBeNull();
    report.set(null);
    expect([store.steps(), store.readiness(), store.charging()]).toEqual([null, null, null]);
    results.set([{ step: 'load', outcome: 'ok', at }]);
    expect(store.sign()).toBeNull();
  });

  it('is ready once all steps were good, unless the wiring says stop', () => {
    report.update((now) => now && { ...now, checks: [], uncalculated: null });
    results.set(good().slice(1));
    expect(store.sign()).toBe('look');
    results.set(good());
    expect(store.readiness()?.sentence).toMatch(/^Ready/);
    expect(store.sign()).toBe('fine');
    const stop = { severity: 'stop' } as HarnessReport['checks'][number];
    const warning = { severity: 'warning' } as unknown as HarnessReport['checks'][number];
    report.update((now) => now && { ...now, checks: [stop, warning] });
    expect(store.readiness()?.sentence).toContain('the wiring has 1 stop');
    expect(store.sign()).toBe('look');
    report.update((now) => now && { ...now, checks: [warning] });
    expect(store.sign()).toBe('fine');
  });
});
