import { costPerKiloLess, kitName, picks, type RuledOut, type TriedKit } from '@knapsack/core';
import type { LoadoutItem, Trip } from '../documents/trip.js';
import type { HuntState } from './kit-hunt.js';

import type { FoundKits, SizeQuestion } from './kit-worker.js';
import { withKit } from './size-space.js';
import { standAlone } from '../resolve/stand-alone.js';

/** A kit in the answer of the API and the terminal tool. */
export interface KitAnswer {
  readonly name: string;
  readonly grams: number;
  readonly price: number | null;
  readonly litres: number | null;
  readonly pieces: number;
  readonly chance: number;
  readonly standardError: number;
  /** What it puts in the bag, and how the batteries are used. */
  readonly loadout: readonly LoadoutItem[];
  readonly batteryUse: 'parallel' | 'turns';
  /** The trip with this kit in its bag, and its gear in it: ready to be forecast and wired. */
  readonly trip: Trip;
}

/** What a search over the shelf found. */
export interface SizeAnswer {
  readonly asked: number;
  readonly samples: number;
  /** Allowed kits, of which those that could be on no front were given up early. */
  readonly kits: number;
  /** Steps that were walked, as a share of all kits on all samples. */
  readonly shareOfSteps: number;
  /** Money that each kilogram less costs between the cheapest and the lightest; null where there is no such trade. */
  readonly costPerKiloLess: number | null;
  readonly lightest: KitAnswer | null;
  readonly cheapest: KitAnswer | null;
  readonly leastEffort: KitAnswer | null;
  /** The surest there is, whether or not it makes the asked chance. */
  readonly surest: KitAnswer | null;
  /** Where none is of interest: the kit that lasts longest, and for how long on average, h. */
  readonly nearest: { readonly name: string; readonly grams: number; readonly meanHours: number } | null;
  readonly byWeight: readonly KitAnswer[];
  readonly byPrice: readonly KitAnswer[];
  readonly ruledOut: readonly RuledOut[];
}

/** The answer of a search that has come to its end. */
export function sizeAnswer(
  { found, fronts, of, steps, nearest, ruledOut }: HuntState,
  question: SizeQuestion,
): SizeAnswer {
  const { chance } = question.options;
  const told = (kit: TriedKit | null) => kit && kitAnswer(found, kit, question);
  const { lightest, cheapest, effortless, best } = picks(fronts, chance);
  return {
    asked: chance,
    samples: found.samples,
    kits: of,
    shareOfSteps: of > 0 ? steps / (of * found.samples * found.steps) : 0,
    costPerKiloLess: lightest && cheapest && costPerKiloLess(cheapest.kit, lightest.kit),
    lightest: told(lightest),
    cheapest: told(cheapest),
    leastEffort: told(effortless),
    surest: told(best),
    nearest: nearest && {
      name: kitName(found.batteries[nearest.kit.battery], found.suns[nearest.kit.sun]),
      grams: nearest.kit.grams,
      meanHours: nearest.meanHours,
    },
    byWeight: fronts.weight.map((kit) => kitAnswer(found, kit, question)),
    byPrice: fronts.price.map((kit) => kitAnswer(found, kit, question)),
    ruledOut,
  };
}

function kitAnswer(
  found: FoundKits,
  { kit, chance, standardError }: TriedKit,
  { trip, shelf }: SizeQuestion,
): KitAnswer {
  const { batteries, suns } = found;
  const battery = batteries[kit.battery];
  const sun = suns[kit.sun];
  const { grams, price, litres, pieces } = kit;
  return {
    name: kitName(battery, sun),
    grams,
    price,
    litres,
    pieces,
    chance,
    standardError,
    loadout: [...battery.items, ...sun.items],
    batteryUse: battery.use,
    trip: standAlone(withKit(trip, shelf, found, kit), shelf),
  };
}
