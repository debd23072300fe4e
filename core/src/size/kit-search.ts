import { oddsOf, type Odds } from '../chance/chance.js';
import type { Reason } from './choices.js';
import type { Kit } from './kits.js';
import type { Trial } from './kit-trial.js';

/** Kits that finish in a smaller share of samples than this are of no interest. */
export const LEAST_CHANCE = 0.2;

/** Kits from light to heavy that are tried before the others. */
const PROBES = 8;

/** A kit that was tried on all samples. */
export interface TriedKit extends Odds {
  /** Its place among the allowed kits. */
  readonly rank: number;
  readonly kit: Kit;
}

/** The kit that comes nearest where none comes near. */
export interface NearestKit {
  readonly rank: number;
  readonly kit: Kit;
  readonly meanHours: number;
}

/** What a search wants to be tried next: kits by rank, each with the wins that it has to exceed. */
export interface Batch {
  readonly ranks: readonly number[];
  readonly mustBeat: readonly number[];
}

/** Kits that no other beats in both what they weigh (or cost) and their chance. */
export interface Fronts {
  readonly weight: readonly TriedKit[];
  readonly price: readonly TriedKit[];
  /** By weight, of those whose panel lies flat or that have none. */
  readonly effortless: readonly TriedKit[];
}

/**
 * The search over allowed kits, a few probes and then light to heavy: hands out batches to whoever tries them, in any order and by any number of
 * hands, and holds the fronts of what has come back. A kit is given up once it can be on no front, which never costs a
 * front a kit: what it would have to exceed only rises. Source: the bound of branch and bound, Land and Doig (1960),
 * Econometrica 28, 497.
 */
export class KitSearch {
  private next = 0;
  private readonly won: (number | undefined)[] = [];
  private done = 0;
  private steps = 0;
  private longest: { readonly rank: number; readonly meanHours: number } | null = null;
  private readonly barred = new Map<number, Reason>();
  /** Ranks tried to the end, ascending. */
  private readonly whole: number[] = [];

  /** Ranks in the order in which they are handed out: a few from light to heavy first, so that a front is seen early. */
  private readonly order: readonly number[];

  constructor(
    private readonly kits: readonly Kit[],
    private readonly samples: number,
    private readonly leastChance = LEAST_CHANCE,
  ) {
    const probes = new Set(
      Array.from({ length: Math.min(PROBES, kits.length) }, (_, at) =>
        Math.floor((kits.length * (at + 0.5)) / PROBES),
      ).filter((rank) => rank < kits.length),
    );
    this.order = [...probes, ...kits.map((_, rank) => rank).filter((rank) => !probes.has(rank))];
  }

  /** The next kits to try, or null where all are handed out. */
  batch(size: number): Batch | null {
    const ranks: number[] = [];
    const mustBeat: number[] = [];
    // Probes go out in small batches, or the first front would wait for the slowest of them.
    const most = this.next < PROBES ? Math.min(size, PROBES / 4) : size;
    while (ranks.length < most && this.next < this.order.length) {
      const rank = this.order[this.next++];
      const beat = this.mustBeat(rank);
      if (beat >= this.samples) {
        this.done += 1;
        continue;
      }
      ranks.push(rank);
      mustBeat.push(beat);
    }
    return ranks.length > 0 ? { ranks, mustBeat } : null;
  }

  /** Takes back what came of a batch. */
  take({ ranks }: Batch, trials: readonly Trial[]): void {
    ranks.forEach((rank, index) => {
      const { wins, tried, steps, meanHours, barred } = trials[index];
      if (barred) this.barred.set(rank, barred);
      if (!barred && (!this.longest || meanHours > this.longest.meanHours))
        this.longest = { rank, meanHours };
      this.done += 1;
      this.steps += steps;
      if (barred || tried < this.samples || this.won[rank] !== undefined) return;
      this.won[rank] = wins;
      const at = this.whole.findIndex((other) => other > rank);
      this.whole.splice(at === -1 ? this.whole.length : at, 0, rank);
    });
  }

  /** Kits that turned out to be barred when they were tried, and why. */
  get ruledOut(): readonly { readonly kit: Kit; readonly reason: Reason }[] {
    return [...this.barred].map(([rank, reason]) => ({ kit: this.kits[rank], reason }));
  }

  get progress(): { readonly done: number; readonly of: number; readonly steps: number } {
    return { done: this.done, of: this.kits.length, steps: this.steps };
  }

  /** The kit that lasted longest on average, where none is of interest: the nearest there is. */
  nearest(): NearestKit | null {
    if (!this.longest || this.whole.some((rank) => this.won[rank]! > this.leastWins)) return null;
    return { ...this.longest, kit: this.kits[this.longest.rank] };
  }

  /** Every kit that was tried on all samples, light to heavy. */
  tried(): readonly TriedKit[] {
    return this.whole.map((rank) => ({
      rank,
      kit: this.kits[rank],
      ...oddsOf(this.won[rank]!, this.samples),
    }));
  }

  fronts(): Fronts {
    const enough = this.whole.filter((rank) => this.won[rank]! > this.leastWins);
    const byPrice = enough
      .filter((rank) => this.kits[rank].price !== null)
      .sort((a, b) => this.kits[a].price! - this.kits[b].price! || a - b);
    return {
      weight: this.front(enough, ({ grams }) => grams),
      price: this.front(byPrice, ({ price }) => price!),
      effortless: this.front(
        enough.filter((rank) => this.kits[rank].effort === 0),
        ({ grams }) => grams,
      ),
    };
  }

  private get leastWins(): number {
    return Math.ceil(this.leastChance * this.samples) - 1;
  }

  /** Wins that a kit has to exceed to be on any front: the least of what those before it on each have won. */
  private mustBeat(rank: number): number {
    const { grams, price, effort } = this.kits[rank];
    let weight = this.leastWins;
    let cheaper = price === null ? this.samples : this.leastWins;
    let flat = effort === 0 ? this.leastWins : this.samples;
    for (const other of this.whole) {
      const wins = this.won[other]!;
      const kit = this.kits[other];
      // Of equal ones the first stands; a later one of the same weight may still win more.
      const isBefore = kit.grams < grams || (kit.grams === grams && other < rank);
      if (isBefore && wins > weight) weight = wins;
      if (isBefore && kit.effort === 0 && wins > flat) flat = wins;
      const isCheaper =
        kit.price !== null && price !== null && (kit.price < price || (kit.price === price && other < rank));
      if (isCheaper && wins > cheaper) cheaper = wins;
    }
    return Math.min(weight, cheaper, flat);
  }

  /** Of ranks in the order of a burden: each that wins more than all before it, one for each burden. */
  private front(ranks: readonly number[], burdenOf: (kit: Kit) => number): TriedKit[] {
    const front: TriedKit[] = [];
    for (const rank of ranks) {
      const last = front[front.length - 1];
      const wins = this.won[rank]!;
      if (last && wins <= last.finished) continue;
      const kit = this.kits[rank];
      if (last && burdenOf(last.kit) === burdenOf(kit)) front.pop();
      front.push({ rank, kit, ...oddsOf(wins, this.samples) });
    }
    return front;
  }
}

/** What stands out among what was found; null where nothing does. */
export interface Picks {
  readonly lightest: TriedKit | null;
  readonly cheapest: TriedKit | null;
  readonly effortless: TriedKit | null;
  /** The best chance that any kit has. */
  readonly best: TriedKit | null;
}

/** The kits that make an asked chance (above 0, below 1) with the least weight, money or hand. */
export function picks({ weight, price, effortless }: Fronts, chance: number): Picks {
  const makes = (kits: readonly TriedKit[]) => kits.find((one) => one.chance >= chance) ?? null;
  return {
    lightest: makes(weight),
    cheapest: makes(price),
    effortless: makes(effortless),
    best: weight.at(-1) ?? null,
  };
}
