import { provideZonelessChangeDetection, signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { MOST_VARIANTS, UNNAMED_VARIANT, type Gear, type Trip } from '@knapsack/contract';
import { curlew, shale, trip } from '@knapsack/contract/testing/outing';
import type { WhatIfAnswer } from '../work/what-if-protocol';
import { BagStore } from './bag.store';
import { ChanceStore } from './chance.store';
import { ForecastStore } from './forecast.store';
import { SelectionStore } from './selection.store';
import { TripStore } from './trip.store';
import { VariantsStore } from './variants.store';
import { WhatIfStore } from './what-if.store';

const priced = {
  ...shale,
  weightG: { value: 1000, source: 'measured' },
  price: { value: 90, source: 'datasheet' },
} as Gear;
const failing = (hours: number) => ({ name: 'x', hours, ofHours: 2, endMs: null });

describe('the variants of a trip', () => {
  const planned = signal<Trip | null>(null);
  const answer = signal<WhatIfAnswer | null>(null);
  const select = jasmine.createSpy('select');
  const view = {};
  let store: VariantsStore;

  beforeEach(() => {
    planned.set(trip());
    answer.set(null);
    select.calls.reset();
    const edit = (change: (of: Trip) => Trip) => planned.update((now) => now && change(now));
    TestBed.configureTestingModule({
      providers: [
        provideZonelessChangeDetection(),
        VariantsStore,
        { provide: TripStore, useValue: { trip: planned, edit } },
        {
          provide: BagStore,
          useValue: {
            gear: signal(
              new Map([
                ['curlew', curlew],
                ['shale', priced],
              ]),
            ),
          },
        },
        { provide: ForecastStore, useValue: { view: signal(view) } },
        { provide: SelectionStore, useValue: { select } },
        { provide: WhatIfStore, useValue: { answer } },
        { provide: ChanceStore, useValue: { mark: signal('fine'), short: signal('lasts in 95 of 100') } },
      ],
    });
    store = TestBed.inject(VariantsStore);
  });
  const names = () => store.rows().map(({ name }) => name);

  it('begin with the one in hand, weighed and priced', () => {
    const [hand, ...others] = store.rows();
    expect(others).toEqual([]);
    // 700 g of radio and two batteries of a kilogram, 90 each.
    expect(hand).toEqual({
      ...{ id: null, name: UNNAMED_VARIANT, grams: 2700, cost: 180, view: view as never },
      ...{ mark: 'fine', words: 'lasts in 95 of 100', survives: null, ofFailures: 0 },
    });
    planned.set(null);
    expect(store.rows()).toEqual([]);
  });

  it('are kept under the name of their battery, with a number where it is taken', () => {
    store.keep();
    store.keep();
    expect(names().slice(1)).toEqual(['2 × Shale', '2 × Shale, 2']);
    planned.update((now) => now && { ...now, loadout: [] });
    store.keep();
    expect(names().at(-1)).toBe('variant');
  });

  it('are as many as a trip may have', () => {
    expect(store.mayKeep()).toBeTrue();
    for (let count = 0; count < MOST_VARIANTS; count++) store.keep();
    expect(store.mayKeep()).toBeFalse();
  });

  it('are compared where the user wants that and there is something to compare', () => {
    store.wanted.set(true);
    expect(store.comparing()).toBeFalse();
    store.keep();
    expect(store.comparing()).toBeTrue();
    store.wanted.set(false);
    expect(store.comparing()).toBeFalse();
  });

  it('are being calculated until an answer names them, and survive failures by it', () => {
    store.keep();
    const [, kept] = store.rows();
    expect([kept.view, kept.mark, kept.words, kept.survives, kept.ofFailures]).toEqual([
      null,
      'calculating',
      '',
      null,
      0,
    ]);
    const seen = {
      id: kept.id!,
      view: view as never,
      mark: 'look',
      words: 'lasts in 80 of 100',
      survives: 3,
      ofFailures: 5,
    } as const;
    answer.set({ whatIf: { fixes: [], failures: [failing(2), failing(0)] } as never, variants: [seen] });
    const [hand, now] = store.rows();
    expect([hand.survives, hand.ofFailures]).toEqual([1, 2]);
    expect([now.view, now.mark, now.words, now.survives, now.ofFailures]).toEqual([
      view as never,
      'look',
      'lasts in 80 of 100',
      3,
      5,
    ]);
    answer.set({ whatIf: null, variants: [{ ...seen, view: null }] });
    expect(store.rows()[1].survives).toBeNull();
  });

  it('are renamed, dropped, and taken in hand, which lets go of what was selected', () => {
    store.keep();
    const { id } = store.rows()[1];
    store.rename(id, 'light');
    store.rename(null, 'heavy');
    expect(names()).toEqual(['heavy', 'light']);
    store.takeInHand(id!);
    expect(names()[0]).toBe('light');
    expect(select).toHaveBeenCalledOnceWith(null);
    store.drop(store.rows()[1].id!);
    expect(names()).toEqual(['light']);
  });
});
