import { computed, inject, Injectable, signal } from '@angular/core';
import {
  counted,
  asTrip,
  dropVariant,
  keepVariant,
  MOST_VARIANTS,
  nameVariant,
  takeInHand,
  UNNAMED_VARIANT,
  type Gear,
  type Trip,
} from '@knapsack/contract';
import { survived } from '@knapsack/contract/what-if';
import type { PlanMark } from '@knapsack/core';
import { newKey } from '../data/new-id';
import { bagCost, bagWeight } from '@knapsack/contract/edits';
import { ChanceStore } from './chance.store';
import type { ForecastView } from '../work/forecast-protocol';
import { TripStore } from './trip.store';
import { WhatIfStore } from './what-if.store';
import { ForecastStore } from './forecast.store';
import { SelectionStore } from './selection.store';
import { BagStore } from './bag.store';

/** A line of the comparison. */
export interface VariantRow {
  /** Null for the one in hand. */
  readonly id: string | null;
  readonly name: string;
  readonly grams: number;
  readonly cost: number;
  /** Null while it is being calculated or cannot be. */
  readonly view: ForecastView | null;
  /** How it stands, and its chance in a few words; empty while it is being calculated. */
  readonly mark: PlanMark;
  readonly words: string;
  readonly survives: number | null;
  readonly ofFailures: number;
}

/** The variants of the trip: the one in hand and those kept beside it, and whether they are compared. */
@Injectable()
export class VariantsStore {
  private readonly store = inject(TripStore);
  private readonly bag = inject(BagStore);
  private readonly forecast = inject(ForecastStore);
  private readonly selection = inject(SelectionStore);
  private readonly whatIf = inject(WhatIfStore);
  private readonly chance = inject(ChanceStore);

  /** Whether the user wants them side by side. */
  readonly wanted = signal(false);
  readonly comparing = computed(() => this.wanted() && this.rows().length > 1);
  readonly mayKeep = computed(() => (this.store.trip()?.variants ?? []).length < MOST_VARIANTS);

  readonly rows = computed<readonly VariantRow[]>(() => {
    const trip = this.store.trip();
    if (!trip) return [];
    const gear = this.bag.gear();
    const answer = this.whatIf.answer();
    const weighed = (of: Trip) => ({ grams: bagWeight(of, gear).grams, cost: bagCost(of, gear) });
    const failures = answer?.whatIf?.failures;
    return [
      {
        id: null,
        name: trip.variantName ?? UNNAMED_VARIANT,
        ...weighed(trip),
        view: this.forecast.view(),
        mark: this.chance.mark(),
        words: this.chance.short(),
        survives: failures ? survived(failures) : null,
        ofFailures: failures?.length ?? 0,
      },
      ...(trip.variants ?? []).map((variant) => {
        const found = this.seen(variant.id);
        return {
          id: variant.id,
          name: variant.name,
          ...weighed(asTrip(trip, variant)),
          view: found?.view ?? null,
          mark: found?.mark ?? 'calculating',
          words: found?.words ?? '',
          survives: found?.view ? found.survives : null,
          ofFailures: found?.ofFailures ?? 0,
        };
      }),
    ];
  });

  /** Keeps the plan as it stands under a name that is not taken yet. */
  keep(): void {
    this.store.edit((trip) => keepVariant(trip, `v-${newKey()}`, freeName(trip, this.bag.gear())));
  }

  takeInHand(id: string): void {
    this.store.edit((trip) => takeInHand(trip, id));
    this.selection.select(null);
  }

  drop(id: string): void {
    this.store.edit((trip) => dropVariant(trip, id));
  }

  rename(id: string | null, name: string): void {
    this.store.edit((trip) => nameVariant(trip, id, name));
  }

  private seen(id: string) {
    return this.whatIf.answer()?.variants.find((variant) => variant.id === id);
  }
}

/** What a variant is called by itself: the battery and the panel that are in its bag; with a number where that name is taken. */
function freeName({ variants = [], variantName, loadout }: Trip, gear: ReadonlyMap<string, Gear>): string {
  const taken = new Set([variantName, ...variants.map(({ name }) => name)]);
  const kit = loadout
    .flatMap(({ gear: id, count }) => {
      const item = gear.get(id);
      return item && TELLING.has(item.kind) ? [counted(item.name, count)] : [];
    })
    .join(' + ');
  const name = kit.slice(0, LONGEST_NAME) || 'variant';
  for (let number = 1; ; number++) {
    const free = number === 1 ? name : `${name}, ${number}`;
    if (!taken.has(free)) return free;
  }
}

const TELLING: ReadonlySet<Gear['kind']> = new Set(['battery', 'station', 'panel']);
const LONGEST_NAME = 56;
