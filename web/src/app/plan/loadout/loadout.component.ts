import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { NgbDropdownModule } from '@ng-bootstrap/ng-bootstrap/dropdown';
import {
  GEAR_KINDS,
  cableRunNameOf,
  type AccessoryRule,
  type Gear,
  type GearKind,
  type LoadoutItem,
} from '@knapsack/contract';
import { CABLE_RUN_NAMES, CABLE_RUNS, sayQuantity, type CableRunName } from '@knapsack/core';
import { InlineNumberComponent } from '../../parts/inline-number.component';
import {
  bagWeight,
  beginCharging,
  putIn,
  setCount,
  setMeant,
  setRule,
  setCableRun,
  setStrings,
  swapItem,
  takeOut,
} from '@knapsack/contract/edits';
import { SetAsideComponent } from '../../trip/set-aside.component';
import { TripStore } from '../../trip/trip.store';
import { GearPriceComponent } from '../../figures/gear-price.component';
import { GearFiguresComponent } from '../../figures/gear-figures.component';
import { ChargingHoursComponent } from './charging-hours.component';
import { OwnCellsComponent } from './own-cells.component';
import { RuleSentenceComponent } from './rule-sentence.component';
import {
  KIND_WORDS,
  inOrder,
  isOnShelf,
  sourceWord,
  tellingFigures,
  weightWords,
} from '@knapsack/contract/gear';
import { NewGearService } from '../../data/new-gear.service';
import { ClosesOnPickDirective } from '../../parts/closes-on-pick.directive';
import { TypicalGearService } from '../../data/typical-gear.service';
import { BagStore } from '../../trip/bag.store';

/** Kinds of which there are typical items. */
const TYPICAL_KINDS: ReadonlySet<GearKind> = new Set([
  'radio',
  'battery',
  'panel',
  'controller',
  'lead',
  'accessory',
]);

/** What an item tells in this trip: its own telling figures, with the trip's rule, strings or run in their place. */
function aboutItem(gear: Gear, { count, rule, inSeries = 1, run, ownCells }: LoadoutItem): string {
  if (gear.kind === 'accessory') {
    const told = tellingFigures(rule ? { ...gear, rule } : gear);
    return gear.internal && ownCells ? `${told}, on its own battery` : told;
  }
  if (gear.kind === 'lead' && run) return tellingFigures({ ...gear, run });
  if (gear.kind === 'panel' && inSeries > 1) {
    const parallel = count / inSeries;
    return `${tellingFigures(gear)}, ${inSeries} in series${parallel > 1 ? ` × ${parallel}` : ''}`;
  }
  return tellingFigures(gear);
}

/** Ways to join panels: more in parallel, or in strings of two or three. */
function stringsOf({
  count,
  inSeries = 1,
}: LoadoutItem): { words: string; count: number; inSeries: number }[] {
  const ways = [
    { words: 'all in parallel', count, inSeries: 1 },
    { words: 'two in series', count: Math.max(2, count), inSeries: 2 },
    { words: 'three in series', count: Math.max(3, count), inSeries: 3 },
  ];
  return ways.filter((way) => way.inSeries !== inSeries && (way.inSeries > 1 || count > 1));
}

/** What is in the bag: each item swapped, counted or taken out, and the whole on the scale. */
@Component({
  selector: 'ks-loadout',
  imports: [
    ChargingHoursComponent,
    ClosesOnPickDirective,
    NgbDropdownModule,
    InlineNumberComponent,
    GearFiguresComponent,
    GearPriceComponent,
    OwnCellsComponent,
    RuleSentenceComponent,
    SetAsideComponent,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './loadout.component.html',
})
export class LoadoutComponent {
  protected readonly store = inject(TripStore);
  protected readonly bag = inject(BagStore);
  private readonly newGear = inject(NewGearService);
  private readonly typical = inject(TypicalGearService);
  protected readonly typicalKinds = TYPICAL_KINDS;
  /** The kind whose typical items are listed. */
  protected readonly typicalOf = signal<GearKind | null>(null);
  protected readonly typicals = computed(() => {
    const kind = this.typicalOf();
    const inBag = new Set(this.bag.loadout().map(({ gear }) => gear));
    return kind ? this.typical.of(kind).filter(({ id }) => !inBag.has(id)) : [];
  });
  protected readonly opened = signal<string | null>(null);
  protected readonly kinds = GEAR_KINDS;
  protected readonly kindWords = KIND_WORDS;
  protected readonly telling = tellingFigures;

  private readonly wayIn = computed(() => this.store.trip()?.packing?.wayIn);
  private readonly batteryUse = computed(() => this.store.trip()?.batteryUse);
  private readonly carryLimitG = computed(() => this.store.trip()?.carryLimitG ?? null);

  protected readonly rows = computed(() => {
    const gear = this.bag.gear();
    const inTurn = this.batteryUse() === 'turns';
    const wayIn = this.wayIn();
    return this.bag.loadout().map((item, index) => {
      const found = gear.get(item.gear) ?? null;
      const others = found
        ? inOrder(
            [...gear.values()].filter(
              (other) => other.kind === found.kind && other.id !== found.id && isOnShelf(other),
            ),
          )
        : [];
      return {
        index,
        item,
        gear: found,
        others,
        name: found?.name ?? item.gear,
        times: item.count > 1 ? `${item.count} × ` : '',
        about: found ? aboutItem(found, item) : 'no longer on the shelf; replace or remove it',
        inTurn: inTurn && (found?.kind === 'battery' || found?.kind === 'station'),
        strings: found?.kind === 'panel' ? stringsOf(item) : [],
        runs:
          found?.kind === 'lead'
            ? CABLE_RUN_NAMES.filter((run) => run !== cableRunNameOf(item.run, found))
            : [],
        weight: found ? weightWords(found, item.count) : '',
        weightSource: found?.weightG ? sourceWord(found.weightG) : '',
        hasCells: found?.kind === 'accessory' && found.internal !== undefined,
        hasColour: found?.kind === 'accessory' && found.colourDraw !== undefined,
        rule: found?.kind === 'accessory' ? (item.rule ?? found.rule) : null,
        // Nothing on the way feeds it, unless one goes by vehicle.
        isAsked:
          found?.kind === 'charger' &&
          !item.meant &&
          !item.charging &&
          !(found.from === 'vehicle' && wayIn === 'vehicle'),
        charges: found?.kind === 'charger',
      };
    });
  });

  /** What could still be put in, by kind. */
  protected readonly addable = computed(() => {
    const inBag = new Set(this.bag.loadout().map(({ gear }) => gear));
    return GEAR_KINDS.map((kind) => ({
      kind,
      items: inOrder(
        [...this.bag.gear().values()].filter(
          (gear) => gear.kind === kind && isOnShelf(gear) && !inBag.has(gear.id),
        ),
      ),
    }));
  });

  protected readonly scale = computed(() => {
    const { grams, unweighed } = bagWeight({ loadout: this.bag.loadout() }, this.bag.gear());
    const limit = this.carryLimitG();
    return {
      words: sayQuantity({ value: grams, unit: 'g' }),
      limit,
      share: limit ? Math.min(100, (100 * grams) / limit) : 0,
      over: limit !== null && grams > limit ? sayQuantity({ value: grams - limit, unit: 'g' }) : null,
      unweighed,
    };
  });

  protected readonly runWords = (run: CableRunName): string => CABLE_RUNS[run].label;

  protected swap(index: number, id: string): void {
    this.store.edit((trip) => swapItem(trip, index, id));
  }

  protected meant(index: number): void {
    this.store.edit((trip) => setMeant(trip, index));
  }

  protected chargeOnTheWay(index: number): void {
    this.opened.set(this.bag.loadout()[index]?.gear ?? null);
    this.store.edit((trip) => beginCharging(trip, index));
  }

  protected async openTypical(kind: GearKind): Promise<void> {
    await this.typical.load();
    this.typicalOf.set(kind);
  }

  protected async addTypical(id: string): Promise<void> {
    const taken = await this.typical.take(id);
    if (taken) this.add(taken);
  }

  protected async swapTypical(index: number, id: string): Promise<void> {
    const taken = await this.typical.take(id);
    if (taken) this.swap(index, taken);
  }

  protected count(index: number, count: number): void {
    this.store.edit((trip) => setCount(trip, index, count));
  }

  protected rule(index: number, rule: AccessoryRule): void {
    this.store.edit((trip) => setRule(trip, index, rule));
  }

  protected strings(index: number, count: number, inSeries: number): void {
    this.store.edit((trip) => setStrings(trip, index, count, inSeries));
  }

  protected run(index: number, run: CableRunName): void {
    this.store.edit((trip) => setCableRun(trip, index, run));
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
