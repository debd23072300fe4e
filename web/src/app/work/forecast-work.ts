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

function outcomeOf({ trip, shelf, explained, coarse, skyFactor = 1 }: ForecastQuestion): ForecastOutcome {
  const isLong = Date.parse(trip.end) - Date.parse(trip.start) > LONG_MS;
  const plan = resolve(coarse && isLong ? { ...trip, stepMinutes: 15 } : trip, shelf);
  if (!plan.ok) return { ok: false, problems: plan.problems };
  return {
    ok: true,
    view: viewOf(forecast(plan.value, skyFactor), trip.place.timeZone, explained, skyFactor),
  };
}
