import { resolve } from '@knapsack/contract';
import { forecast, HOUR_MS } from '@knapsack/core';
import type { ForecastOutcome, ForecastQuestion } from './forecast-protocol';
import { buffersOf, viewOf } from './view-of';
import type { Work } from './work';

/** The forecast of a plan, as the page draws it. */
export const forecastWork: Work<ForecastQuestion, ForecastOutcome> = (question, { say }) => {
  const outcome = outcomeOf(question);
  say(outcome, false, outcome.ok ? buffersOf(outcome.view) : []);
};

/** An outing that takes more than a frame or two to march in steps of five minutes. */
const LONG_MS = 4 * 24 * HOUR_MS;
/** Its steps while a hand still moves it: over a month its end moves by less than a minute, and it takes a fifth of the time. */
const COARSE_MS = HOUR_MS / 2;

function outcomeOf({ trip, shelf, explained, coarse, skyFactor = 1 }: ForecastQuestion): ForecastOutcome {
  const isLong = Date.parse(trip.end) - Date.parse(trip.start) > LONG_MS;
  const plan = resolve(trip, shelf);
  if (!plan.ok) return { ok: false, problems: plan.problems };
  const input = coarse && isLong ? { ...plan.value, stepMs: COARSE_MS } : plan.value;
  return {
    ok: true,
    view: viewOf(forecast(input, skyFactor), trip.place.timeZone, explained, skyFactor),
  };
}
