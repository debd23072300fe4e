import {
  allKits,
  kitSum,
  KitTrials,
  SEED,
  stepEdges,
  KIT_SAMPLES,
  type Batch,
  type Kit,
  type Kits,
  type Problem,
  type Sum,
  type Trial,
  type TriedKit,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { buildBar } from '../requirements/build-bar.js';
import { fixes, type Fix } from '../what-if/fixes.js';
import type { SizeOptions } from './size-options.js';
import { shelfSpace, withKit, type ShelfSpace } from './size-space.js';

/** What a search is asked: plain data, the same for a web worker and a worker thread. */
export interface SizeQuestion {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  readonly options: SizeOptions;
}

/** The kits of a question, told by one of the workers. */
export type FoundKits = Kits &
  Pick<ShelfSpace, 'batteries' | 'suns' | 'aims'> & {
    readonly samples: number;
    /** Steps of the outing as it is walked. */
    readonly steps: number;
  };

/** What is said to a worker; the job tells one search from the next. */
export type ToKitWorker =
  | { readonly job: number; readonly begin: SizeQuestion; readonly tellKits: boolean }
  | { readonly job: number; readonly batch: Batch }
  | { readonly job: number; readonly explain: TriedKit }
  | { readonly job: number; readonly plansWith: Kit };

export type FromKitWorker =
  | { readonly job: number; readonly kits: FoundKits | null }
  | { readonly job: number; readonly problems: readonly Problem[] }
  | { readonly job: number; readonly batch: Batch; readonly trials: readonly Trial[] }
  | { readonly job: number; readonly explained: TriedKit; readonly sum: Sum }
  | { readonly job: number; readonly plans: readonly Fix[] };

/** An outing of weeks is tried on fewer samples, or they would not fit into memory. */
const LONG_STEPS = 1000;
const LONG_SAMPLES = 120;

/** A worker's side of the search: holds the kits of the newest question and tries what it is told. */
export class KitWorker {
  private kits: readonly Kit[] = [];
  private question: SizeQuestion | null = null;
  private parts: Pick<ShelfSpace, 'batteries' | 'suns' | 'aims'> | null = null;
  private trials: KitTrials | null = null;
  private samples = 0;
  private stopOf: ShelfSpace['stopOf'] = () => null;

  answer(message: ToKitWorker): FromKitWorker {
    const { job } = message;
    if ('explain' in message) {
      const { explain } = message;
      return { job, explained: explain, sum: kitSum(this.parts!, explain, this.trials!.ledger(explain.kit)) };
    }
    if ('plansWith' in message) {
      const { trip, shelf } = this.question!;
      const changed = withKit(trip, shelf, this.parts!, message.plansWith);
      // Another plan is asked for, not another kit.
      const plans = fixes(changed, shelf).filter((fix) => fix.trip.loadout === changed.loadout);
      return { job, plans };
    }
    if ('batch' in message) {
      const { batch } = message;
      const trials = batch.ranks.map((rank, at) => this.tried(this.kits[rank], batch.mustBeat[at]));
      return { job, batch, trials };
    }
    const { trip, shelf, options } = message.begin;
    const found = shelfSpace(trip, shelf, options);
    if (!found.ok) return { job, problems: found.problems };
    const { space, batteries, suns, aims, stopOf } = found.value;
    const kits = allKits(space, options.limits);
    this.kits = kits.allowed;
    this.parts = { batteries, suns, aims };
    this.stopOf = stopOf;
    this.question = message.begin;
    const steps = stepEdges(space.plan).length - 1;
    const samples = steps > LONG_STEPS ? LONG_SAMPLES : KIT_SAMPLES;
    this.samples = samples;
    this.trials = new KitTrials(space, samples, SEED);
    return {
      job,
      kits: message.tellKits ? { ...kits, batteries, suns, aims, samples, steps } : null,
    };
  }

  /** Tries a kit; one that would be of interest has to pass Wire as well, and what the next build must do. */
  private tried(kit: Kit, mustBeat: number): Trial {
    const trial = this.trials!.try(kit, mustBeat);
    if (trial.tried < this.samples) return trial;
    const barred = this.stopOf(kit) ?? this.notTheBuild(kit, trial);
    return barred ? { ...trial, barred } : trial;
  }

  private notTheBuild(kit: Kit, trial: Trial) {
    const { trip, shelf, options } = this.question!;
    const { requirements = [] } = options;
    return requirements.length > 0
      ? buildBar(requirements, withKit(trip, shelf, this.parts!, kit), shelf, trial)
      : null;
  }
}
