import { assessTrip, asTrip, sayMissing, type Gear, type Trip, type Variant } from '@knapsack/contract';
import { failures, survived, whatIfInParts } from '@knapsack/contract/what-if';
import { sayLastingShort } from '@knapsack/core';
import type { ForecastQuestion } from './forecast-protocol';
import { viewOf } from './view-of';
import type { VariantView, WhatIfAnswer } from './what-if-protocol';
import { whileNewest, type Work } from './work';

/** What would fix a plan, what a failure leaves of it, and how its variants stand. */
export const whatIfWork: Work<ForecastQuestion, WhatIfAnswer> = async (
  { trip, shelf },
  { say, isNewest },
) => {
  const found = await whileNewest(whatIfInParts(trip, shelf), isNewest);
  if (!found.isDone) return;
  const variants: VariantView[] = [];
  for (const variant of trip.variants ?? []) {
    variants.push(variantView(trip, variant, shelf));
    if (!(await isNewest())) return;
  }
  say({ whatIf: found.is, variants });
};

function variantView(trip: Trip, variant: Variant, shelf: readonly Gear[]): VariantView {
  const other = asTrip(trip, variant);
  const { status: mark, found, missing, problems } = assessTrip(other, shelf);
  const failed = found ? failures(other, shelf) : [];
  return {
    id: variant.id,
    view: found ? viewOf(found.run, trip.place.timeZone, false, found.skyFactor) : null,
    mark,
    words: found
      ? sayLastingShort(found.chance)
      : missing.length > 0
        ? sayMissing(missing)
        : problems[0].sentence,
    survives: survived(failed),
    ofFailures: failed.length,
  };
}
