import { shareLoad } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import { MODULES, WAYS_IN, type Bag, type ModuleName, type WayIn } from '../documents/packing.js';
import type { LoadoutItem, Trip } from '../documents/trip.js';
import { counted, lookUp } from '../resolve/look-up.js';

/** A line of the packing list: one kind of gear, as often as it is there. */
export interface PackedPiece {
  readonly index: number;
  readonly gear: Gear;
  readonly item: LoadoutItem;
  /** With its count. */
  readonly name: string;
  /** All of it together, g and litres; null where nobody has weighed or measured it. */
  readonly grams: number | null;
  readonly litres: number | null;
  readonly module: ModuleName;
}

/** A bag with what lies in it. */
export interface PackedBag {
  readonly bag: Bag;
  readonly pieces: readonly PackedPiece[];
  readonly grams: number;
  readonly litres: number;
  /** What is in it over what goes in, g and litres; 0 where it closes or nothing is said. */
  readonly overG: number;
  readonly overL: number;
}

/** What is carried, in which bag, by whom, against what may be carried. */
export interface PackingList {
  readonly wayIn: WayIn;
  readonly operators: number;
  readonly bags: readonly PackedBag[];
  /** What lies in no bag yet. */
  readonly loose: readonly PackedPiece[];
  readonly grams: number;
  readonly litres: number;
  readonly unweighed: number;
  /** What all may carry together, g, and whether somebody typed it. */
  readonly limitG: number;
  readonly limitTyped: boolean;
  /** Over the limit, g; 0 under it. */
  readonly overG: number;
  /** Room that the way in usually has for all, litres, and what is over it; how many pieces nobody has measured. */
  readonly limitL: number;
  readonly overL: number;
  readonly unmeasured: number;
  /** Bags that do not close. */
  readonly overfull: readonly PackedBag[];
  readonly carriers: readonly { readonly operator: number; readonly grams: number; readonly overG: number }[];
  readonly modules: readonly {
    readonly name: ModuleName;
    readonly label: string;
    readonly grams: number;
    readonly pieces: readonly PackedPiece[];
  }[];
  readonly lines: number;
}

/** Where nobody has named bags, everybody has one. */
const usualBags = (operators: number): readonly Bag[] =>
  Array.from({ length: operators }, (_, index) => ({
    id: `bag-${index + 1}`,
    name: operators === 1 ? 'the bag' : `bag ${index + 1}`,
    operator: index + 1,
  }));

export const bagsOf = ({ packing }: Pick<Trip, 'packing'>): readonly Bag[] =>
  packing?.bags ?? usualBags(packing?.operators ?? 1);

/** Who carries a bag; what one who stays at home had is the last one's. */
const carrierOf = ({ operator = 1 }: Bag, operators: number): number => Math.min(operator, operators);

/** The packing list of a trip. */
export function packingOf(trip: Trip, shelf: readonly Gear[]): PackingList {
  const pieces = lookUp(trip, shelf).carried.map(({ gear, item, index }): PackedPiece => ({
    index,
    gear,
    item,
    name: counted(gear.name, item.count),
    grams: gear.weightG ? gear.weightG.value * item.count : null,
    litres: gear.packedL ? gear.packedL.value * item.count : null,
    module: item.module ?? 'base',
  }));
  const wayIn = trip.packing?.wayIn ?? 'foot';
  const operators = trip.packing?.operators ?? 1;
  const own = bagsOf(trip);
  const bags = own.map((bag) => filled(bag, pieces));
  const known = new Set(own.map(({ id }) => id));
  const grams = weightOf(pieces);
  const litres = volumeOf(pieces);
  const limitL = WAYS_IN[wayIn].litres * operators;
  const limitG = trip.carryLimitG ?? WAYS_IN[wayIn].limitG * operators;
  return {
    wayIn,
    operators,
    bags,
    loose: pieces.filter(({ item }) => item.bag === undefined || !known.has(item.bag)),
    grams,
    litres,
    limitL,
    overL: Math.max(0, litres - limitL),
    unmeasured: pieces.filter((piece) => piece.litres === null).length,
    unweighed: pieces.filter((piece) => piece.grams === null).length,
    limitG,
    limitTyped: trip.carryLimitG !== undefined,
    overG: Math.max(0, grams - limitG),
    overfull: bags.filter(({ overG, overL }) => overG > 0 || overL > 0),
    carriers: Array.from({ length: operators }, (_, index) => {
      const carries = bags.filter(({ bag }) => carrierOf(bag, operators) === index + 1);
      const load = carries.reduce((sum, bag) => sum + bag.grams, 0);
      return { operator: index + 1, grams: load, overG: Math.max(0, load - limitG / operators) };
    }),
    modules: (Object.keys(MODULES) as ModuleName[])
      .map((name) => {
        const inIt = pieces.filter(({ module }) => module === name);
        return { name, label: MODULES[name], grams: weightOf(inIt), pieces: inIt };
      })
      .filter((module) => module.pieces.length > 0),
    lines: pieces.length,
  };
}

function filled(bag: Bag, pieces: readonly PackedPiece[]): PackedBag {
  const inIt = pieces.filter(({ item }) => item.bag === bag.id);
  const [grams, litres] = [weightOf(inIt), volumeOf(inIt)];
  return {
    bag,
    pieces: inIt,
    grams,
    litres,
    overG: Math.max(0, grams - (bag.limitG ?? Infinity)),
    overL: Math.max(0, litres - (bag.litres ?? Infinity)),
  };
}

const weightOf = (pieces: readonly PackedPiece[]): number =>
  pieces.reduce((sum, { grams }) => sum + (grams ?? 0), 0);
const volumeOf = (pieces: readonly PackedPiece[]): number =>
  pieces.reduce((sum, { litres }) => sum + (litres ?? 0), 0);

/** The trip with its pieces shared evenly by weight among those who carry: each into the first bag of its carrier. */
export function shareAmong(trip: Trip, shelf: readonly Gear[]): Trip {
  const { operators, bags, loose } = packingOf(trip, shelf);
  const firstOf = Array.from({ length: operators }, (_, index) =>
    bags.find(({ bag }) => carrierOf(bag, operators) === index + 1),
  ).filter((bag) => bag !== undefined);
  if (firstOf.length === 0) return trip;
  const pieces = [...bags.flatMap((bag) => bag.pieces), ...loose].sort((a, b) => a.index - b.index);
  const by = shareLoad(
    pieces.map(({ grams }) => grams ?? 0),
    firstOf.length,
  );
  const bagAt = new Map(pieces.map(({ index }, at) => [index, firstOf[by[at]].bag.id]));
  return {
    ...trip,
    loadout: trip.loadout.map((item, index) => {
      const bag = bagAt.get(index);
      return bag === undefined ? item : { ...item, bag };
    }),
  };
}
