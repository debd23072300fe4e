import { CHEMISTRIES, type ChemistryName } from '../battery/chemistry.js';
import type { PackLabel } from '../battery/battery-pack.js';
import { SEED } from '../random/seed.js';
import {
  chanceLaw,
  sampleFor,
  emptyRun,
  take,
  weaken,
  tightPackOf,
  type ChanceLaw,
} from '../chance/chance-law.js';
import type { PlanInput, PlannedPack } from '../forecast/plan-input.js';
import { tightMarch, type TightOutcome } from '../march/tight-march.js';
import { labelFromWatts } from '../panel/panel.js';

/** Chances that the trade between battery and panel is told at. */
export const TRADE_CHANCES = [0.5, 0.8, 0.9, 0.95] as const;

/** Watts of panel that the trade is told at. */
export const TRADE_WATTS = [0, 10, 20, 30, 40, 60, 80, 100, 130, 160, 200] as const;

const IDEAL_SAMPLES = 200;
/** No larger battery is looked for, Ah. */
const LARGEST_AH = 400;
const HALVINGS = 11;

/** The smallest batteries beside so many watts of panel. */
export interface TradePoint {
  readonly watts: number;
  /** Ah for each of {@link TRADE_CHANCES}; null where none up to 400 Ah is enough. */
  readonly ampereHours: readonly (number | null)[];
}

/** What an ideal pack of a chemistry is like: new, as many cells as a 12 V bus wants, limits out of the way. */
export function idealPack(
  chemistry: ChemistryName,
  like: PlannedPack,
  ratedAh: number,
  cells: number,
): PlannedPack {
  const label: PackLabel = { chemistry, cellsInSeries: cells, ratedAh, health: 1 };
  return { name: CHEMISTRIES[chemistry].label, label, startSoc: like.startSoc, reserveSoc: like.reserveSoc };
}

/**
 * The smallest battery with which each of many samples just lasts, Ah, ascending; its quantiles are the smallest batteries
 * that reach the end with any chance. More Ah never end a sample sooner, so halving finds each.
 *
 * @param plan one ideal pack in it, of any size
 */
export function smallestAh(plan: PlanInput, samples = IDEAL_SAMPLES, seed = SEED): Float64Array {
  const law = chanceLaw(plan);
  return Float64Array.from({ length: samples }, (_, index) => smallestFor(law, seed, index)).sort();
}

function smallestFor(law: ChanceLaw, seed: number, index: number): number {
  const { plan } = law;
  const [planned] = plan.packs;
  const out: TightOutcome = { endHours: 0, lowestSoc: 0, endSoc: 0, steps: 0 };
  const sample = sampleFor(law, seed, index);
  const run = emptyRun(law);
  take(law, sample, run, []);
  const lasts = (ratedAh: number): boolean => {
    const label = { ...planned.label, ratedAh };
    const pack = tightPackOf(plan, { ...planned, label }, law.steps, CELLS_V);
    weaken(pack, { ...pack }, law.weaknesses[0], law.load, sample);
    tightMarch(run, [pack], out);
    return out.endHours === Infinity;
  };
  let low = 0;
  let high = LARGEST_AH;
  if (!lasts(high)) return Infinity;
  for (let halving = 0; halving < HALVINGS; halving++) {
    // In proportion: a small battery is wanted as exactly as a large one.
    const middle = Math.sqrt(Math.max(low, 0.2) * high);
    if (lasts(middle)) high = middle;
    else low = middle;
    if (high <= 0.2) break;
  }
  return high;
}

/** No ideal pack stands behind a socket, whose power would be calculated at these volts. */
const CELLS_V = 13;

/** The smallest battery for a chance out of those that samples want, Ah; null where too many want more than there is. */
export function atChance(smallest: Float64Array, chance: number): number | null {
  const found = smallest[Math.min(smallest.length - 1, Math.ceil(chance * smallest.length) - 1)];
  return Number.isFinite(found) ? found : null;
}

/** A plan with its panel of so many watts, W, without a controller's limit or cables; without a panel at 0 W, or where it has none. */
export function withIdealPanel(plan: PlanInput, watts: number): PlanInput {
  const { sun, ...dark } = plan;
  if (!sun || watts <= 0) return dark;
  return {
    ...dark,
    sun: {
      ...sun,
      panel: labelFromWatts(watts, sun.panel.technology),
      controller: { ...sun.controller, maxA: Infinity, panelCableOhm: 0, batteryCableOhm: 0 },
    },
  };
}

/** The trade between battery and panel at one size of panel: as in the plan, but of so many watts, without a controller's limit. */
export function tradeAt(plan: PlanInput, watts: number, samples = IDEAL_SAMPLES, seed = SEED): TradePoint {
  const smallest = smallestAh(withIdealPanel(plan, watts), samples, seed);
  return { watts, ampereHours: TRADE_CHANCES.map((chance) => atChance(smallest, chance)) };
}
