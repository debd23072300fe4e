import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { harnessOf } from '../harness/harness-of.js';
import { singlePieces } from '../harness/single-pieces.js';
import { lookUp } from '../resolve/look-up.js';

/** What there is only one of and the outing hangs on, and what a second one weighs. */
export interface Spare {
  readonly index: number;
  readonly name: string;
  readonly grams: number | null;
  /** Light enough to carry a second one without thinking about it. */
  readonly light: boolean;
}

/** Up to this a second one is carried, g. */
const LIGHT_G = 250;

/** By the rule "one is none": the light ones are carried twice, for the others one knows a way without. */
export function sparesOf(trip: Trip, shelf: readonly Gear[]): readonly Spare[] {
  const { carried } = lookUp(trip, shelf);
  return singlePieces(trip, carried).map(({ gear, index }) => {
    const grams = gear.weightG?.value ?? null;
    return { index, name: gear.name, grams, light: grams !== null && grams <= LIGHT_G };
  });
}

/** Ratings of the fuses that the harness has, A: a spare of each weighs nothing. */
export function spareFuses(trip: Trip, shelf: readonly Gear[]): readonly number[] {
  const parts = harnessOf(trip, lookUp(trip, shelf).carried);
  const rated = parts.flatMap(({ run }) => (run?.fuseA ? [run.fuseA, ...run.moreFusesA] : []));
  return [...new Set(rated)].sort((a, b) => a - b);
}
