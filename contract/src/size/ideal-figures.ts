import {
  atChance,
  CHEMISTRY_NAMES,
  fail,
  forecast,
  idealPack,
  panelForEver,
  smallestAh,
  succeed,
  TRADE_WATTS,
  tradeAt,
  type ChemistryName,
  type PlanInput,
  type Result,
  type TradePoint,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { USUAL_CELLS } from '../resolve/quick-trip.js';
import { isKind, lookUp } from '../resolve/look-up.js';
import { resolve } from '../resolve/resolve.js';
import { reserveSocOf } from '../resolve/resolve-packs.js';
import { usualSkyOf } from '../resolve/sky-of.js';

/** The smallest battery of a chemistry, Ah of rating; null where none up to 400 Ah is enough. */
export interface SmallestBattery {
  readonly chemistry: ChemistryName;
  readonly ampereHours: number | null;
}

/** The smallest panel that carries the trip's mean load for ever in a month, W; null where none does. */
export interface PanelForEver {
  readonly month: number;
  readonly watts: number | null;
}

/** Batteries and panels as nobody sells them: as large as they must be and no larger. */
export interface IdealFigures {
  readonly chance: number;
  /** Without any sun. */
  readonly batteries: readonly SmallestBattery[];
  /** Of the chemistry in the bag; by watts, ascending. Only without sun where there is no panel to go by. */
  readonly trade: { readonly chemistry: ChemistryName; readonly points: readonly TradePoint[] };
  /** Null without a panel to go by. */
  readonly forEver: PanelForEver | null;
}

/**
 * The ideal figures of a trip, one after another as they are calculated, each time with what is known so far.
 *
 * @param month 1 to 12, of the panel that is to carry the load for ever
 */
export function* idealFigures(
  trip: Trip,
  shelf: readonly Gear[],
  chance: number,
  month = monthOf(trip),
): Generator<Result<IdealFigures>> {
  const resolved = idealPlan(trip, shelf);
  if (!resolved.ok) {
    yield fail(...resolved.problems);
    return;
  }
  const { plan, chemistry, ideal } = resolved.value;
  let figures: IdealFigures = { chance, batteries: [], trade: { chemistry, points: [] }, forEver: null };
  for (const watts of plan.sun ? TRADE_WATTS : [0]) {
    const points = [...figures.trade.points, tradeAt(ideal(chemistry), watts)];
    yield succeed((figures = { ...figures, trade: { chemistry, points } }));
  }
  for (const of of CHEMISTRY_NAMES) {
    const { sun: _sun, ...dark } = ideal(of);
    const ampereHours = atChance(smallestAh(dark), chance);
    yield succeed(
      (figures = { ...figures, batteries: [...figures.batteries, { chemistry: of, ampereHours }] }),
    );
  }
  if (!plan.sun) return;
  const { meanA } = forecast(plan).verdict;
  const watts = panelForEver(plan, meanA, month, usualSkyOf(trip));
  yield succeed({ ...figures, forEver: { month, watts } });
}

/** A plan as the ideal figures are worked out on. */
export interface IdealPlan {
  readonly plan: PlanInput;
  /** Of the battery in the bag. */
  readonly chemistry: ChemistryName;
  /** The plan with one ideal pack of a chemistry. */
  readonly ideal: (of: ChemistryName) => PlanInput;
}

/** A trip in coarse steps, with a panel to go by where the shelf has one that fits. */
export function idealPlan(trip: Trip, shelf: readonly Gear[]): Result<IdealPlan> {
  const resolved = resolve({ ...withSomePanel(trip, shelf), stepMinutes: 15 }, shelf);
  if (!resolved.ok) return resolved;
  const plan = resolved.value;
  return succeed({
    plan,
    chemistry: plan.packs[0].label.chemistry,
    ideal: (of) => {
      const reserveSoc = reserveSocOf(trip, { chemistry: of });
      const { chargeIdle: _idle, ...rest } = plan;
      return { ...rest, packs: [idealPack(of, { ...plan.packs[0], reserveSoc }, 20, USUAL_CELLS[of])] };
    },
  });
}

/** Where no panel is in the bag, the trip with one of the shelf, so that there is one to go by; as it is where none fits. */
function withSomePanel(trip: Trip, shelf: readonly Gear[]): Trip {
  const { carried } = lookUp(trip, shelf);
  if (carried.some(isKind('panel'))) return trip;
  const panel = shelf.find(({ kind, archived }) => kind === 'panel' && !archived);
  if (!panel) return trip;
  const bag = [...trip.loadout, { gear: panel.id, count: 1 }];
  const hasController = carried.some(isKind('controller'));
  const bags = hasController
    ? [bag]
    : shelf.filter(({ kind }) => kind === 'controller').map(({ id }) => [...bag, { gear: id, count: 1 }]);
  const fits = bags.map((loadout) => ({ ...trip, loadout })).find((other) => resolve(other, shelf).ok);
  return fits ?? trip;
}

export const monthOf = ({ start }: Trip): number => new Date(start).getUTCMonth() + 1;
