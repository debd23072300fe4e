import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import { GEAR_KINDS, type AccessoryRule, type Gear, type GearKind } from '@knapsack/contract';
import { sayQuantity } from '@knapsack/core';
import { InlineNumberComponent } from '../../parts/inline-number.component';
import { bagWeight, putIn, setCount, setRule, swapItem, takeOut } from '../edits/loadout';
import { PlanStore } from '../plan.store';
import { GearFiguresComponent } from './gear-figures.component';
import { NewGearService } from './new-gear.service';
import { ruleWords, sourceWord, tellingFigures, weightWords } from './telling';

export const KIND_WORDS: Record<GearKind, string> = {
  radio: 'Radios',
  battery: 'Batteries',
  accessory: 'Accessories',
  lead: 'Leads',
  panel: 'Panels',
  controller: 'Controllers',
  other: 'Carried besides',
};

/** What is in the bag: each item swapped, counted or taken out, and the whole on the scale. */
@Component({
  selector: 'ks-loadout',
  imports: [NgbDropdownModule, InlineNumberComponent, GearFiguresComponent],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './loadout.component.html',
})
export class LoadoutComponent {
  protected readonly store = inject(PlanStore);
  private readonly newGear = inject(NewGearService);
  protected readonly opened = signal<string | null>(null);
  protected readonly kinds = GEAR_KINDS;
  protected readonly kindWords = KIND_WORDS;
  protected readonly telling = tellingFigures;

  protected readonly rows = computed(() => {
    const trip = this.store.trip();
    const gear = this.store.gear();
    return (trip?.loadout ?? []).map((item, index) => {
      const found = gear.get(item.gear) ?? null;
      const others = found
        ? [...gear.values()].filter(({ kind, id }) => kind === found.kind && id !== found.id)
        : [];
      return {
        index,
        item,
        gear: found,
        others,
        name: found?.name ?? item.gear,
        about: found ? tellingFigures(found) : 'not on the shelf any more; swap it or take it out',
        weight: found ? weightWords(found, item.count) : '',
        weightSource: found?.weightG ? sourceWord(found.weightG) : '',
        rule: found?.kind === 'accessory' ? (item.rule ?? found.rule) : null,
      };
    });
  });

  /** What could still be put in, by kind. */
  protected readonly addable = computed(() => {
    const inBag = new Set(this.store.trip()?.loadout.map(({ gear }) => gear));
    return GEAR_KINDS.map((kind) => ({
      kind,
      items: [...this.store.gear().values()].filter((gear) => gear.kind === kind && !inBag.has(gear.id)),
    }));
  });

  protected readonly scale = computed(() => {
    const trip = this.store.trip();
    if (!trip) return null;
    const { grams, unweighed } = bagWeight(trip, this.store.gear());
    const limit = trip.carryLimitG ?? null;
    return {
      words: sayQuantity({ value: grams, unit: 'g' }),
      limit,
      share: limit ? Math.min(100, (100 * grams) / limit) : 0,
      over: limit !== null && grams > limit ? sayQuantity({ value: grams - limit, unit: 'g' }) : null,
      unweighed,
    };
  });

  protected readonly ruleChoices = (gear: Gear): { words: string; rule: AccessoryRule }[] => {
    const own = gear.kind === 'accessory' ? [gear.rule] : [];
    const rules: AccessoryRule[] = [{ when: 'always' }, { when: 'operating' }, ...own];
    const byWords = new Map(rules.map((rule) => [ruleWords(rule), rule]));
    return [...byWords].map(([words, rule]) => ({ words, rule }));
  };

  protected readonly ruleWords = ruleWords;

  protected swap(index: number, id: string): void {
    this.store.edit((trip) => swapItem(trip, index, id));
  }

  protected count(index: number, count: number): void {
    this.store.edit((trip) => setCount(trip, index, count));
  }

  protected rule(index: number, rule: AccessoryRule): void {
    this.store.edit((trip) => setRule(trip, index, rule));
  }

  protected remove(index: number): void {
    this.store.edit((trip) => takeOut(trip, index));
  }

  protected add(id: string): void {
    this.store.edit((trip) => putIn(trip, id));
  }

  protected limit(grams: number): void {
    this.store.edit((trip) => ({ ...trip, carryLimitG: grams }));
  }

  /** Makes a new item of a kind with assumed figures, puts it in the bag and opens it to be filled in. */
  protected async make(kind: GearKind): Promise<void> {
    const gear = await this.newGear.make(kind);
    if (!gear) return;
    this.add(gear.id);
    this.opened.set(gear.id);
  }

  protected toggle(id: string): void {
    this.opened.update((open) => (open === id ? null : id));
  }
}
