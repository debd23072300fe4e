import {
  assessTripInParts,
  asTrip,
  sayMissing,
  type Gear,
  type Trip,
  type Variant,
} from '@knapsack/contract';
import { failuresInParts, survived, whatIfInParts } from '@knapsack/contract/what-if';
import { sayLastingShort, type InParts } from '@knapsack/core';
import type { ForecastQuestion } from './forecast-protocol';
import { viewOf } from './view-of';
import type { VariantView, WhatIfAnswer } from './what-if-protocol';
import { whileNewest, type Work } from './work';

/** What would fix a plan, what a failure leaves of it, and how its variants stand. */
export const whatIfWork: Work<ForecastQuestion, WhatIfAnswer> = async (question, { say, isNewest }) => {
  const answer = await whileNewest(answerInParts(question), isNewest);
  if (answer.isDone) say(answer.is);
};

function* answerInParts({ trip, shelf }: ForecastQuestion): InParts<WhatIfAnswer> {
  const found = yield* whatIfInParts(trip, shelf);
  const variants: VariantView[] = [];
  for (const variant of trip.variants ?? []) variants.push(yield* variantInParts(trip, variant, shelf));
  return { whatIf: found, variants };
}

function* variantInParts(trip: Trip, variant: Variant, shelf: readonly Gear[]): InParts<VariantView> {
  const other = asTrip(trip, variant);
  const { status: mark, found, missing, problems } = yield* assessTripInParts(other, shelf);
  const failed = found ? yield* failuresInParts(other, shelf) : [];
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
