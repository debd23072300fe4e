import {
  Dropped,
  kitName,
  KitSearch,
  type Batch,
  type Fronts,
  type Kit,
  type NearestKit,
  type Problem,
  type RuledOut,
  type Sum,
  type TriedKit,
} from '@knapsack/core';
import type { Fix } from '../what-if/fixes.js';
import type { FoundKits, FromKitWorker, SizeQuestion, ToKitWorker } from './kit-worker.js';

/** A worker as the hunt sees it, wherever it runs. */
export interface Hand {
  post(message: ToKitWorker): void;
  dismiss(): void;
}

/** Hires a worker: what it answers and that it died are told to the hunt. */
export type Hire = (answered: (message: FromKitWorker) => void, died: () => void) => Hand;

/** How a search stands. */
export interface HuntState {
  readonly found: FoundKits;
  readonly fronts: Fronts;
  /** Tried on all samples, on a front or not. */
  readonly tried: readonly TriedKit[];
  /** By the rules that kits are told by, and by those of Wire for kits that were of interest. */
  readonly ruledOut: readonly RuledOut[];
  readonly done: number;
  readonly of: number;
  /** Steps that were walked, and how many all kits would have taken on all samples. */
  readonly steps: number;
  readonly finished: boolean;
  /** Where no kit is of interest: the one that lasts longest. */
  readonly nearest: NearestKit | null;
}

export interface HuntListener {
  /** As it goes along, and at the end. */
  changed(state: HuntState): void;
  refused(problems: readonly Problem[]): void;
  /** A kit that was asked about says why it stands where it does. */
  explained(kit: TriedKit, sum: Sum): void;
  /** Plans that a kit would carry, as expected; the cheapest change first. */
  plans(found: readonly Fix[]): void;
  /** Workers died too often; what was found so far stands. */
  failed(): void;
}

/** Kits in a batch: small enough to stop soon, large enough that messages cost little. */
const BATCH = 12;
/** Deaths of workers in one search that are made good. */
const DEATHS = 3;

/**
 * The search over a shelf on several workers: one tells the kits, all try them. A new question drops the one before; what
 * still comes of that is not looked at. A worker that dies is replaced and its batch tried again.
 */
export class KitHunt {
  private readonly hands: { hand: Hand; ready: boolean; batch: Batch | null }[] = [];
  private job = 0;
  private question: SizeQuestion | null = null;
  private found: FoundKits | null = null;
  private search: KitSearch | null = null;
  private again: Batch[] = [];
  private deaths = 0;

  constructor(
    private readonly hire: Hire,
    private readonly count: number,
    private readonly listener: HuntListener,
  ) {}

  start(question: SizeQuestion): void {
    this.stop();
    this.question = question;
    while (this.hands.length < this.count) this.hands.push(this.hired(this.hands.length));
    this.hands.forEach((_, index) => this.begin(index));
  }

  /** Asks a kit of the search why it stands where it does. */
  explain(kit: TriedKit): void {
    this.hands.find(({ ready }) => ready)?.hand.post({ job: this.job, explain: kit });
  }

  /** Asks what plan a kit would carry. */
  plansWith(kit: Kit): void {
    this.hands.find(({ ready }) => ready)?.hand.post({ job: this.job, plansWith: kit });
  }

  /** Drops the search under way; the workers stay for the next one. */
  stop(): void {
    this.job += 1;
    this.question = null;
    this.found = null;
    this.search = null;
    this.again = [];
    this.deaths = 0;
    for (const one of this.hands) Object.assign(one, { ready: false, batch: null });
  }

  dismiss(): void {
    this.stop();
    for (const { hand } of this.hands) hand.dismiss();
    this.hands.length = 0;
  }

  private hired(index: number) {
    const hand = this.hire(
      (message) => this.answered(index, message),
      () => this.died(index),
    );
    return { hand, ready: false, batch: null };
  }

  private begin(index: number): void {
    if (!this.question) return;
    this.hands[index].hand.post({ job: this.job, begin: this.question, tellKits: index === 0 });
  }

  private answered(index: number, message: FromKitWorker): void {
    if (message.job !== this.job) return;
    const one = this.hands[index];
    if ('problems' in message) {
      if (index === 0) this.listener.refused(message.problems);
      return;
    }
    if ('kits' in message) {
      one.ready = true;
      if (message.kits && !this.found) {
        this.found = message.kits;
        this.search = new KitSearch(message.kits.allowed, message.kits.samples);
        this.hands.forEach((_, at) => this.send(at));
        this.tell();
      } else this.send(index);
      return;
    }
    if ('explained' in message) {
      this.listener.explained(message.explained, message.sum);
      return;
    }
    if ('plans' in message) {
      this.listener.plans(message.plans);
      return;
    }
    one.batch = null;
    this.search?.take(message.batch, message.trials);
    this.send(index);
    this.tell();
  }

  private send(index: number): void {
    const one = this.hands[index];
    if (!one.ready || one.batch || !this.search) return;
    const batch = this.again.pop() ?? this.search.batch(BATCH);
    if (!batch) return;
    one.batch = batch;
    one.hand.post({ job: this.job, batch });
  }

  private tell(): void {
    const { search, found } = this;
    if (!search || !found) return;
    const { done, of, steps } = search.progress;
    this.listener.changed({
      found,
      fronts: search.fronts(),
      tried: search.tried(),
      ruledOut: this.ruledOut(found, search),
      nearest: search.nearest(),
      done,
      of,
      steps,
      finished: done >= of,
    });
  }

  private ruledOut({ ruledOut, batteries, suns }: FoundKits, search: KitSearch): readonly RuledOut[] {
    const dropped = new Dropped(ruledOut);
    for (const { kit, reason } of search.ruledOut) {
      dropped.add(reason, kitName(batteries[kit.battery], suns[kit.sun]));
    }
    return dropped.told();
  }

  private died(index: number): void {
    const one = this.hands[index];
    one.hand.dismiss();
    if (one.batch) this.again.push(one.batch);
    this.hands[index] = this.hired(index);
    this.deaths += 1;
    if (this.deaths > DEATHS) {
      this.stop();
      this.listener.failed();
    } else this.begin(index);
  }
}
