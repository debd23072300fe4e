import { forecast, MINUTE_MS, type PlanInput, type Span } from '@knapsack/core';

/** Charging is worth beginning for this long, ms. */
const LEAST_MS = 15 * MINUTE_MS;

/**
 * When the sun has more than everything else needs, under the typical sky: stretches in which part of what is offered is not
 * taken or goes into the battery, at least a quarter of an hour long. Source: convention of this project.
 *
 * @param plan without what would be charged then
 * @param amps what charging takes, A
 */
export function surplusHours(plan: PlanInput, amps: number): readonly Span[] {
  if (!plan.sun) return [];
  const { edgesMs, offeredA, wantedA } = forecast(plan).march;
  const spans: { startMs: number; endMs: number }[] = [];
  offeredA.forEach((offered, step) => {
    if (offered - wantedA[step] < amps) return;
    const last = spans.at(-1);
    if (last?.endMs === edgesMs[step]) last.endMs = edgesMs[step + 1];
    else spans.push({ startMs: edgesMs[step], endMs: edgesMs[step + 1] });
  });
  return spans.filter(({ startMs, endMs }) => endMs - startMs >= LEAST_MS);
}
