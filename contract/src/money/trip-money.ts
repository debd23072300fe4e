import { GEAR_YEARS, outingCost, usualLife, type OutingCost } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { batteryPieces } from '../harness/battery-pieces.js';
import { counted, lookUp } from '../resolve/look-up.js';
import { packLabelOf } from '../resolve/resolve-packs.js';
import { isStillToBuy, priceToBuy } from './still-to-buy.js';

/** What one line of the bag costs an outing. */
export interface LineCost extends OutingCost {
  readonly name: string;
  readonly price: number;
}

/** The money of a trip's bag, in the user's own. */
export interface TripMoney {
  /** What all of it costs, as far as prices are entered; how many lines have none. */
  readonly worth: number;
  readonly unpriced: number;
  /** What is on the wish list: its price, and the names of what has none. What is owned counts nothing. */
  readonly toBuy: number;
  readonly toBuyNames: readonly string[];
  readonly toBuyUnpriced: readonly string[];
  readonly budget: number | null;
  readonly overBudget: number;
  /** Over the life of each thing, the dearest first. */
  readonly perOuting: readonly LineCost[];
  readonly costPerOuting: number;
}

/**
 * What a trip's bag costs: to buy, and an outing over the life of each thing.
 *
 * @param plannedAh charge that the outing draws, Ah at the battery; null where it is not known, then batteries go by their years
 * @param outingsAYear above 0
 */
export function tripMoney(
  trip: Trip,
  shelf: readonly Gear[],
  plannedAh: number | null,
  outingsAYear: number,
): TripMoney {
  const { carried } = lookUp(trip, shelf);
  const ratedAh = batteryPieces(carried).reduce((sum, { gear }) => sum + packLabelOf(gear, 1).ratedAh, 0);
  // All batteries of the bag share what is drawn by their size.
  const cycles = plannedAh === null || ratedAh === 0 ? 0 : plannedAh / ratedAh;
  const priced = carried.flatMap(({ gear, item }) =>
    gear.price ? [{ gear, name: counted(gear.name, item.count), price: gear.price.value * item.count }] : [],
  );
  const toBuy = priceToBuy(carried.map(({ gear, item }) => ({ gear, count: item.count })));
  const perOuting = priced
    .map(({ gear, name, price }): LineCost => ({
      ...{ name, price },
      ...outingCost(price, lifeOf(gear), isStore(gear) ? cycles : 0, outingsAYear),
    }))
    .sort((a, b) => b.cost - a.cost);
  return {
    worth: priced.reduce((sum, { price }) => sum + price, 0),
    unpriced: carried.length - priced.length,
    toBuy: toBuy.price,
    toBuyNames: carried
      .filter(({ gear }) => isStillToBuy(gear))
      .map(({ gear, item }) => counted(gear.name, item.count)),
    toBuyUnpriced: toBuy.unpriced,
    budget: trip.budget ?? null,
    overBudget: Math.max(0, toBuy.price - (trip.budget ?? Infinity)),
    perOuting,
    costPerOuting: perOuting.reduce((sum, { cost }) => sum + cost, 0),
  };
}

const isStore = (gear: Gear): gear is Extract<Gear, { kind: 'battery' | 'station' }> =>
  gear.kind === 'battery' || gear.kind === 'station';

/** Its own cycles where they are entered, else those of its kind. */
function lifeOf(gear: Gear) {
  if (!isStore(gear)) return { cycles: 0, years: GEAR_YEARS };
  const usual = usualLife(gear.chemistry);
  return { ...usual, cycles: gear.cycles?.value ?? usual.cycles };
}
