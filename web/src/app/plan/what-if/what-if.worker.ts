/// <reference lib="webworker" />
import { asTrip, resolve, type Gear, type Trip, type Variant } from '@knapsack/contract';
import { failures, survived, whatIf } from '@knapsack/contract/what-if';
import { forecast } from '@knapsack/core';
import type { ForecastQuestion } from '../forecast-protocol';
import type { Answered, Asked } from '../newest-worker';
import { viewOf } from '../view-of';
import type { VariantView, WhatIfAnswer } from './what-if-protocol';

addEventListener('message', ({ data: { number, question } }: MessageEvent<Asked<ForecastQuestion>>) => {
  const { trip, shelf } = question;
  const answer: WhatIfAnswer = {
    whatIf: whatIf(trip, shelf),
    variants: (trip.variants ?? []).map((variant) => variantView(trip, variant, shelf)),
  };
  const answered: Answered<WhatIfAnswer> = { number, answer };
  postMessage(answered);
});

function variantView(trip: Trip, variant: Variant, shelf: readonly Gear[]): VariantView {
  const other = asTrip(trip, variant);
  const plan = resolve(other, shelf);
  const found = plan.ok ? failures(other, shelf) : [];
  return {
    id: variant.id,
    view: plan.ok ? viewOf(forecast(plan.value), trip.place.timeZone) : null,
    survives: survived(found),
    ofFailures: found.length,
  };
}
