import { tightMarch, type TightOutcome, type TightRun } from '../march/tight-march.js';
import { copyOf, type TightPack } from '../march/tight-pack.js';
import { HOUR_MS } from '../span.js';
import { SEED } from '../random/seed.js';
import { atOnce, type InParts } from '../in-parts.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { chanceLaw, sampleFor, emptyRun, take, type ChanceLaw } from './chance-law.js';
import { SocBands } from './soc-bands.js';
import { wholeMarch } from './whole-march.js';
import { USUAL_TARGET } from './usual-target.js';

/**
 * Samples are taken until the target is more than this many standard errors away, but not before so many of them, so that the
 * bands have something to stand on, and at the latest at the limit.
 */
const AWAY_ERRORS = 2;
export const LEAST_SAMPLES = 400;
export const MOST_SAMPLES = 2500;

/** A chance with how sure it is itself. */
export interface Odds {
  readonly samples: number;
  /** Samples that reach the end of the plan above the reserve, on the air. */
  readonly finished: number;
  readonly chance: number;
  readonly standardError: number;
}

/**
 * The chance that a share of samples stands for and its standard error, both after one more of each kind has been counted
 * in, so that no number of samples makes a certainty. Source: Agresti and Coull (1998), The American Statistician 52, 119.
 */
export function oddsOf(finished: number, samples: number): Odds {
  const near = (finished + 1) / (samples + 2);
  return {
    samples,
    finished,
    chance: samples > 0 ? finished / samples : 0,
    standardError: Math.sqrt((near * (1 - near)) / (samples + 2)),
  };
}

/** What chance makes of gear that comes back by itself. */
export interface ChanceUp {
  /** Share of the wanted hours that it is up in half of the samples, and in nine of ten, 0 to 1. */
  readonly p50: number;
  readonly p10: number;
  /** Outages and the longest of them, h, in the middle of the samples. */
  readonly outages: number;
  readonly longestH: number;
  /** Share that it is meant to be up; the samples that are count as finished. */
  readonly target: number;
}

/** What chance makes of a plan. */
export interface Chance extends Odds {
  /** Whether the target is far enough away, or the limit was reached, or there is more to come. */
  readonly stopped: 'sure' | 'limit' | 'not yet';
  /** Charge of all packs at each edge that one, five, nine of ten samples stay above: tenth, middle and ninetieth of a hundred. */
  readonly edgesMs: Float64Array;
  readonly p10: Float32Array;
  readonly p50: Float32Array;
  readonly p90: Float32Array;
  /** The chance that the plan is meant to have, 0 to 1. */
  readonly target: number;
  /** Lowest charge of all packs over the outing, 0 to 1: the median of the samples. */
  readonly medianLowestSoc: number;
  /** How much of the wanted hours gear is up that comes back by itself; absent for any other. */
  readonly availability?: ChanceUp;
  /** When the unlucky ones end, UTC epoch ms: the middle of them; null where all finish. */
  readonly endMs: number | null;
}

/** The samples of a plan, as many at a time as one likes. */
export class ChanceRun {
  private readonly law: ChanceLaw;
  private readonly run: TightRun;
  private readonly packs: readonly TightPack[];
  private readonly bands: SocBands;
  private readonly socs: Float32Array;
  private readonly out: TightOutcome = { endHours: 0, lowestSoc: 0, endSoc: 0, steps: 0 };
  private readonly endsHours: number[] = [];
  private readonly lowestSocs: number[] = [];
  private readonly target: number;
  private readonly ups: { readonly up: number; readonly outages: number; readonly longestH: number }[] = [];
  private samples = 0;
  private finished = 0;

  constructor(
    plan: PlanInput,
    private readonly seed = SEED,
    law = chanceLaw(plan),
  ) {
    this.law = law;
    this.target = plan.targetChance ?? USUAL_TARGET;
    this.run = emptyRun(law);
    this.packs = law.packs.map(copyOf);
    this.socs = new Float32Array(law.edgesMs.length);
    this.bands = new SocBands(law.edgesMs.length);
  }

  /** Samples so many more; returns whether there is more to sample. */
  more(count: number): boolean {
    for (let taken = 0; taken < count && this.stopped() === 'not yet'; taken++) {
      const sample = sampleFor(this.law, this.seed, this.samples);
      take(this.law, sample, this.run, this.packs);
      if (this.law.plan.chargeIdle) wholeMarch(this.law, sample, this.run, this.out, this.socs);
      else tightMarch(this.run, this.packs, this.out, this.socs);
      this.bands.add(this.socs);
      this.lowestSocs.push(lowestOf(this.socs));
      this.samples += 1;
      const { up, outages = 0, longestH = 0 } = this.out;
      if (up !== undefined) this.ups.push({ up, outages, longestH });
      if (this.out.endHours === Infinity) this.finished += 1;
      else this.endsHours.push(this.out.endHours);
    }
    return this.stopped() === 'not yet';
  }

  odds(): Odds {
    return oddsOf(this.finished, this.samples);
  }

  soFar(): Chance {
    const { edgesMs } = this.law;
    const ends = this.endsHours.toSorted((a, b) => a - b);
    const middle = ends[Math.floor(ends.length / 2)];
    return {
      ...this.odds(),
      stopped: this.stopped(),
      target: this.target,
      medianLowestSoc: quantile(this.lowestSocs, 0.5),
      edgesMs,
      p10: this.bands.quantile(0.1),
      p50: this.bands.quantile(0.5),
      p90: this.bands.quantile(0.9),
      ...(this.law.plan.restart && { availability: this.availability(this.law.plan.restart.targetUp) }),
      endMs: middle === undefined ? null : edgesMs[0] + middle * HOUR_MS,
    };
  }

  /** When a share of the samples has ended, UTC epoch ms; null where fewer end. */
  endsMs(share: number): number | null {
    const ends = this.endsHours.toSorted((a, b) => a - b);
    // 1 − 0.9 is a hair less than a tenth.
    const place = Math.floor(share * this.samples + 1e-6);
    return place < ends.length ? this.law.edgesMs[0] + ends[place] * HOUR_MS : null;
  }

  private availability(target: number): ChanceUp {
    const up = this.ups.map((sample) => sample.up);
    return {
      p50: quantile(up, 0.5),
      p10: quantile(up, 0.1),
      outages: quantile(
        this.ups.map(({ outages }) => outages),
        0.5,
      ),
      longestH: quantile(
        this.ups.map(({ longestH }) => longestH),
        0.5,
      ),
      target,
    };
  }

  private stopped(): Chance['stopped'] {
    if (this.samples >= MOST_SAMPLES) return 'limit';
    if (this.samples < LEAST_SAMPLES) return 'not yet';
    const { chance, standardError } = this.odds();
    return Math.abs(chance - this.target) > AWAY_ERRORS * standardError ? 'sure' : 'not yet';
  }
}

const lowestOf = (socs: Float32Array): number => socs.reduce((lowest, soc) => Math.min(lowest, soc), 1);

function quantile(values: readonly number[], share: number): number {
  const ordered = values.toSorted((a, b) => a - b);
  return ordered.length > 0 ? ordered[Math.floor(share * ordered.length)] : 0;
}

/** Samples of one part of the work. */
const AT_A_TIME = 20;

/** The chance of a plan, sampled until it is sure enough. */
export const chanceOf = (plan: PlanInput, seed = SEED): Chance => atOnce(chanceInParts(plan, seed));

/** The same, a few samples a part. */
export function* chanceInParts(plan: PlanInput, seed = SEED): InParts<Chance> {
  const run = new ChanceRun(plan, seed);
  while (run.more(AT_A_TIME)) yield;
  return run.soFar();
}
