import { assessTrip, asTrip, sayMissing, type Gear, type Trip, type Variant } from '@knapsack/contract';
import { failures, survived, whatIf } from '@knapsack/contract/what-if';
import { sayLastingShort } from '@knapsack/core';
import type { ForecastQuestion } from './forecast-protocol';
import { viewOf } from './view-of';
import type { VariantView, WhatIfAnswer } from './what-if-protocol';
import type { Work } from './work';

/** What would fix a plan, what a failure leaves of it, and how its variants stand. */
export const whatIfWork: Work<ForecastQuestion, WhatIfAnswer> = ({ trip, shelf }, { say }) =>
  say({
    whatIf: whatIf(trip, shelf),
    variants: (trip.variants ?? []).map((variant) => variantView(trip, variant, shelf)),
  });

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
