import { computed, effect, inject, Injectable, signal, type OnDestroy } from '@angular/core';
import type { ModuleName } from '@knapsack/contract';
import { packingOf } from '@knapsack/contract/packing';
import { wetPack } from '@knapsack/contract/site';
import { ShelfService } from '../data/shelf.service';
import { hireDesk } from '../work/hire';
import { NewestWorker } from '../work/newest-worker';
import { TicksStore } from '../trip/ticks.store';
import { TripStore } from '../trip/trip.store';
import type { PackingAnswer, PackingQuestion } from '../work/pack-protocol';

/** What is looked at: one line of the list, or all of a module. */
export type InHand = { readonly index: number } | { readonly module: ModuleName };

/** The packing list of the trip in hand, and what it would be worth without a part of it. */
@Injectable()
export class PackStore implements OnDestroy {
  private readonly plan = inject(TripStore);
  private readonly shelf = inject(ShelfService);
  private readonly ticks = inject(TicksStore);
  private worker: NewestWorker<PackingQuestion, PackingAnswer> | null = null;
  private asked: PackingQuestion | null = null;
  private readonly answer = signal<{ readonly of: PackingQuestion; readonly is: PackingAnswer } | null>(null);

  /** What the list hangs on: not the blocks, which change with each move of a drag. */
  private readonly packed = computed(() => this.plan.trip(), {
    equal: (a, b) =>
      a?.loadout === b?.loadout &&
      a?.packing === b?.packing &&
      a?.carryLimitG === b?.carryLimitG &&
      a?.gear === b?.gear &&
      a?.weather === b?.weather &&
      a?.start === b?.start &&
      a?.end === b?.end,
  });
  readonly list = computed(() => {
    const trip = this.packed();
    return trip && packingOf(trip, this.shelf.gear());
  });
  /** What rain does to it. */
  readonly wet = computed(() => {
    const [trip, list] = [this.packed(), this.list()];
    return trip && list && wetPack(trip, this.shelf.gear(), list);
  });
  /** How many of its lines lie packed. */
  readonly packedLines = computed(() => {
    const packed = this.ticks.packed();
    const pieces = this.list()?.modules.flatMap((module) => module.pieces) ?? [];
    return pieces.filter(({ gear }) => packed.has(gear.id)).length;
  });
  readonly inHand = signal<InHand | null>(null);
  /** The lines in hand. */
  readonly pieces = computed(() => {
    const hand = this.inHand();
    const list = this.list();
    if (!hand || !list) return [];
    const all = list.modules.flatMap(({ pieces }) => pieces);
    return all.filter((piece) =>
      'index' in hand ? piece.index === hand.index : piece.module === hand.module,
    );
  });
  private readonly question = computed<PackingQuestion | null>(() => {
    const trip = this.plan.calculated();
    const without = this.pieces().map(({ gear }) => gear.id);
    return trip && without.length > 0 ? { trip, shelf: this.shelf.gear(), without } : null;
  });
  /** What is left without what is in hand; null while it is being calculated. */
  readonly without = computed(() => {
    const answer = this.answer();
    return answer && answer.of === this.question() ? answer.is : null;
  });
  readonly failed = signal(false);
  readonly sign = computed<'stop' | 'look' | 'fine' | null>(() => {
    const list = this.list();
    if (!list || list.lines === 0) return null;
    if (list.overG > 0) return 'stop';
    const wet = this.wet();
    const rainsIn = wet !== null && (wet.overG > 0 || wet.exposed.length > 0);
    return list.overfull.length > 0 || list.overL > 0 || rainsIn ? 'look' : 'fine';
  });

  constructor() {
    effect(() => {
      const question = this.question();
      if (question) this.ask(question);
    });
  }

  ngOnDestroy(): void {
    this.worker?.dismiss();
  }

  private ask(question: PackingQuestion): void {
    this.worker ??= new NewestWorker<PackingQuestion, PackingAnswer>(
      () => hireDesk('pack'),
      {
        answered: (is, newest) => {
          this.failed.set(false);
          if (newest && this.asked) this.answer.set({ of: this.asked, is });
        },
        failed: () => this.failed.set(true),
      },
      true,
    );
    this.asked = question;
    this.worker.ask(question);
  }
}
