import { computed, effect, inject, Injectable, signal, untracked, type OnDestroy } from '@angular/core';
import { targetOf, type Gear, type GearKind } from '@knapsack/contract';
import type { Fix } from '@knapsack/contract/what-if';
import {
  KitHunt,
  monthOf,
  sizeProblems,
  USUAL_SIZE_OPTIONS,
  withKit,
  type FromKitWorker,
  type HuntState,
  type IdealFigures,
  type SizeOptions,
  type ToKitWorker,
} from '@knapsack/contract/size';
import { picks, type Kit, type Sum, type TriedKit } from '@knapsack/core';
import { isTypical } from '@knapsack/contract/typical';
import { RequirementsService } from '../data/requirements.service';
import { ShelfService } from '../data/shelf.service';
import { TypicalGearService } from '../data/typical-gear.service';
import { hireWorker } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import { bagWeight } from '@knapsack/contract/edits';
import { TripStore } from '../trip/trip.store';
import { kept, keep } from '../trip/kept-options';
import type { IdealQuestion } from '../work/ideal-work';
import { BagStore } from '../trip/bag.store';
import { KIT_KINDS, moneyFor, questionOf, weightFor } from './rest-of-bag';

export type KitBurden = 'weight' | 'price';
export type KitSource = 'shelf' | 'sold';

/** How long the hand must rest before the shelf is searched anew, ms. */
const REST_MS = 250;
const MOST_WORKERS = 8;
const KEPT_AS = 'knapsack.size';
const FROM_KEPT_AS = 'knapsack.size.from';
const BUILD_KEPT_AS = 'knapsack.size.build';
const LIMITS_OF_KEPT_AS = 'knapsack.size.limits';

const ENERGY: ReadonlySet<GearKind> = new Set(['battery', 'station']);
const sameStock = (a: readonly Gear[], b: readonly Gear[]): boolean =>
  a.length === b.length &&
  a.every(
    (gear, index) =>
      gear === b[index] || (gear.id === b[index].id && gear.archived === true && b[index].archived === true),
  );

/** The search over the shelf and the ideal figures, for the plan as it stands. */
@Injectable()
export class SizeStore implements OnDestroy {
  private readonly plan = inject(TripStore);
  private readonly bag = inject(BagStore);
  private readonly shelf = inject(ShelfService);
  private readonly typical = inject(TypicalGearService);
  private readonly hunt = new KitHunt(
    hireKitWorker,
    Math.max(1, Math.min(MOST_WORKERS, navigator.hardwareConcurrency || 2)),
    {
      changed: (state) => this.took(state),
      plans: (found) => this.plans.set(found),
      explained: (kit, sum) => this.why.set({ rank: kit.rank, sum }),
      refused: (problems) => this.problems.set(problems.map(({ sentence }) => sentence)),
      failed: () =>
        this.problems.set([
          'The search stopped by a fault in Knapsack. What was found so far stands; change anything to try again.',
        ]),
    },
  );
  private readonly idealist = new NewestWorker<IdealQuestion, IdealFigures | null>(
    () => hireWorker('ideal'),
    { answered: (figures, newest) => newest && this.ideal.set(figures), failed: () => this.ideal.set(null) },
    true,
  );
  private timer: ReturnType<typeof setTimeout> | undefined;

  /** Out of what kits are made: one's own shelf, or the sizes that are sold, by their typical figures. */
  readonly from = computed<KitSource>(() => this.chosenFrom() ?? (this.isThin() ? 'sold' : 'shelf'));
  private readonly chosenFrom = signal(kept<{ from: KitSource | null }>(FROM_KEPT_AS, { from: null }).from);
  /** A shelf of one battery, or of none, leaves nothing to choose. */
  private readonly isThin = computed(
    () =>
      this.shelf.gear().filter((gear) => ENERGY.has(gear.kind) && !gear.archived && !isTypical(gear)).length <
      2,
  );
  /** The gear that kits are made of, all that the rest of the bag needs with it. */
  readonly stock = computed<readonly Gear[]>(
    () => {
      const shelf = this.shelf.gear();
      if (this.from() === 'shelf') return shelf;
      // The bag's own battery and panel stay known, and are nothing to choose from.
      const own = shelf
        .filter((gear) => !(KIT_KINDS.has(gear.kind) && isTypical(gear)))
        .map((gear) => (KIT_KINDS.has(gear.kind) ? { ...gear, archived: true } : gear));
      return [...own, ...this.sold()];
    },
    // What is tried on comes onto the shelf; that starts no search anew.
    { equal: sameStock },
  );
  /** What is sold is still to buy. */
  private readonly sold = computed(() =>
    this.typical
      .all()
      .filter(({ kind }) => KIT_KINDS.has(kind))
      .map((gear) => ({ ...gear, wished: true })),
  );

  /** What was asked last in this browser; the chance is the trip's own. */
  private readonly ownOptions = signal<SizeOptions>(kept(KEPT_AS, USUAL_SIZE_OPTIONS));
  /** The trip that the limits were set for: they belong to no other. */
  private readonly limitsOf = signal(kept<{ trip: string | null }>(LIMITS_OF_KEPT_AS, { trip: null }).trip);
  private readonly target = computed(() => targetOf(this.plan.trip() ?? {}));
  private readonly list = inject(RequirementsService);
  /** What the next build must do; kits are held against it where that is asked. */
  readonly requirements = this.list.requirements;
  readonly forBuild = signal(kept<{ on: boolean }>(BUILD_KEPT_AS, { on: false }).on);
  /** The same as long as nothing of it changes, so that trying a kit on starts no search anew. */
  readonly options = computed<SizeOptions>(() => ({ ...this.ownOptions(), chance: this.target() }));
  /** As asked, with what the carry limit and the trip's budget leave where no weight and no price is asked for. */
  readonly effective = computed<SizeOptions>(() => {
    const requirements = this.forBuild() ? this.requirements() : [];
    const room = this.roomG();
    const money = this.moneyLeft();
    const options = this.options();
    return {
      ...options,
      ...(requirements.length > 0 && { requirements }),
      ...(this.from() === 'sold' && { wished: true }),
      limits: {
        ...(room !== null && room > 0 && { grams: room }),
        ...(money !== null && { price: money }),
        ...options.limits,
      },
    };
  });
  /** What the kits are held against, in the picture and in the list. */
  readonly by = signal<KitBurden>('weight');
  /** Plans that the nearest kit would carry; empty where one makes it, or none is known yet. */
  readonly plans = signal<readonly Fix[]>([]);
  readonly month = signal<number | null>(null);
  readonly state = signal<HuntState | null>(null);
  readonly ideal = signal<IdealFigures | null>(null);
  readonly problems = signal<readonly string[]>([]);
  /** Whether the user has stopped the search. */
  readonly stopped = signal(false);
  readonly busy = computed(
    () => !this.stopped() && this.problems().length === 0 && this.state()?.finished !== true,
  );
  readonly picks = computed(() => {
    const state = this.state();
    return state && picks(state.fronts, this.options().chance);
  });
  /** What of the carry limit and of the budget is left for battery, panel and controller; null without one. */
  readonly roomG = computed(() => this.forKit(weightFor));
  readonly moneyLeft = computed(() => this.forKit(moneyFor));
  /** The kit that was asked why it stands where it does. */
  readonly why = signal<{ readonly rank: number; readonly sum: Sum } | null>(null);
  /** Weight of the battery, panel and controller in the bag, g. */
  readonly inBagG = computed(() => {
    const trip = this.plan.trip();
    const gear = this.bag.gear();
    if (!trip) return 0;
    const mine = trip.loadout.filter(({ gear: id }) => KIT_KINDS.has(gear.get(id)?.kind ?? 'other'));
    return bagWeight({ ...trip, loadout: mine }, gear).grams;
  });

  /** What the search depends on, so that trying a kit on does not start it anew. */
  private readonly question = computed(() => {
    const trip = this.plan.trip();
    const gear = this.bag.gear();
    return trip && questionOf(trip, ({ gear: id }) => KIT_KINDS.has(gear.get(id)?.kind ?? 'other'));
  });

  /** Makes kits out of something else. */
  chooseFrom(from: KitSource): void {
    this.chosenFrom.set(from);
    keep(FROM_KEPT_AS, { from });
  }

  private forKit(of: typeof weightFor): number | null {
    const trip = this.plan.trip();
    return trip && of(trip, this.bag.gear());
  }

  /** Holds kits against what the next build must do, or no longer. */
  holdAgainstBuild(on: boolean): void {
    this.forBuild.set(on);
    keep(BUILD_KEPT_AS, { on });
  }

  constructor() {
    void this.typical.load();
    void this.list.load();
    effect(() => {
      const question = this.question();
      const options = this.effective();
      const stock = this.stock();
      if (question === null || stock.length === 0) return;
      untracked(() => this.soon(() => this.begin(options)));
    });
    effect(() => {
      const id = this.plan.trip()?.id;
      if (id === undefined || id === this.limitsOf()) return;
      untracked(() => {
        if (this.limitsOf() !== null) this.ownOptions.update((options) => ({ ...options, limits: {} }));
        this.limitsOf.set(id);
        keep(LIMITS_OF_KEPT_AS, { trip: id });
      });
    });
    effect(() => keep(KEPT_AS, this.ownOptions()));
    effect(() => {
      const { chance } = this.options();
      const month = this.month();
      const trip = this.plan.calculated();
      const shelf = this.shelf.gear();
      if (!trip || shelf.length === 0 || !(chance > 0 && chance < 1)) return;
      untracked(() => {
        this.ideal.set(null);
        this.idealist.ask({ trip, shelf, chance, month: month ?? monthOf(trip) });
      });
    });
  }

  /** Puts a kit in the bag; the plan before stays as a ghost. */
  async tryOn({ kit }: { readonly kit: Kit }): Promise<void> {
    const state = this.state();
    const stock = this.stock();
    const trip = this.plan.trip();
    if (!state || !trip) return;
    // What is sold comes onto the shelf when it is tried on, as typical gear.
    for (const { gear } of withKit(trip, stock, state.found, kit).loadout)
      if (stock.some(({ id }) => id === gear) && (await this.typical.take(gear)) === null) return;
    this.plan.edit((now) => withKit(now, stock, state.found, kit));
  }

  /** Asks why a kit stands where it does. */
  ask(kit: TriedKit): void {
    if (this.why()?.rank !== kit.rank) this.hunt.explain(kit);
  }

  /** Asks otherwise: limits, ways to lie, gear of the wish list. */
  change(change: (options: SizeOptions) => SizeOptions): void {
    this.ownOptions.update(change);
  }

  /** Puts a plan on that the nearest kit would carry. */
  takeUp(fix: Fix): void {
    this.plan.takePlan(fix.trip);
  }

  private took(state: HuntState): void {
    this.state.set(state);
    if (!state.finished || picks(state.fronts, this.options().chance).lightest) return;
    const kit = state.fronts.weight.at(-1)?.kit ?? state.nearest?.kit;
    if (kit) this.hunt.plansWith(kit);
  }

  stop(): void {
    clearTimeout(this.timer);
    this.hunt.stop();
    this.stopped.set(true);
  }

  again(): void {
    this.begin(this.effective());
  }

  ngOnDestroy(): void {
    clearTimeout(this.timer);
    this.hunt.dismiss();
    this.idealist.dismiss();
  }

  private soon(begin: () => void): void {
    clearTimeout(this.timer);
    // What was found for another question is not shown as if it were for this one.
    this.hunt.stop();
    this.state.set(null);
    this.why.set(null);
    this.plans.set([]);
    this.problems.set([]);
    this.stopped.set(false);
    this.timer = setTimeout(begin, REST_MS);
  }

  private begin(options: SizeOptions): void {
    const trip = this.plan.trip();
    if (!trip) return;
    this.state.set(null);
    this.stopped.set(false);
    const problems = sizeProblems(options).map(({ sentence }) => sentence);
    this.problems.set(problems);
    if (problems.length === 0) this.hunt.start({ trip, shelf: this.stock(), options });
  }
}

function hireKitWorker(answered: (message: FromKitWorker) => void, died: () => void) {
  const worker = hireWorker('kit');
  worker.onmessage = ({ data }: MessageEvent<FromKitWorker>) => answered(data);
  worker.onerror = (event) => {
    event.preventDefault();
    died();
  };
  return {
    post: (message: ToKitWorker) => worker.postMessage(message),
    dismiss: () => worker.terminate(),
  };
}
