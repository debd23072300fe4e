import { resolve, type Gear, type Trip } from '@knapsack/contract';
import { fixed, forecast, sayDuration, type Blaze } from '@knapsack/core';

/** A trip in the list: its own small ridge and how it ends, in a few words. */
export interface TripLine {
  readonly blaze: Blaze | 'unknown';
  readonly words: string;
  /** Charge over the outing at even distances, 0 to 1; empty where it cannot be reckoned. */
  readonly soc: readonly number[];
  readonly floorSoc: number;
}

/** Points of a small ridge. */
const POINTS = 60;
/** Steps of an outing that is only looked at from afar, minutes. */
const COARSE_MINUTES = 15;

/** The line of a trip in the list. */
export function tripLine(trip: Trip, shelf: readonly Gear[]): TripLine {
  const plan = resolve({ ...trip, stepMinutes: COARSE_MINUTES }, shelf);
  if (!plan.ok) return { blaze: 'unknown', words: plan.problems[0].sentence, soc: [], floorSoc: 0 };
  const { verdict, march } = forecast(plan.value);
  const { edgesMs, soc } = march;
  const { startMs, endMs } = plan.value.outing;
  let edge = 0;
  const points = Array.from({ length: POINTS + 1 }, (_, point) => {
    const timeMs = startMs + ((endMs - startMs) * point) / POINTS;
    while (edge + 1 < edgesMs.length && edgesMs[edge + 1] <= timeMs) edge++;
    return Math.round(soc[edge] * 1000) / 1000;
  });
  const words =
    verdict.endMs === null
      ? `lasts, ${fixed(verdict.marginAh, 1)} Ah to spare`
      : `ends ${sayDuration(-verdict.marginHours)} too soon`;
  return { blaze: verdict.blaze, words, soc: points, floorSoc: verdict.floorSoc };
}
