import { HOUR_MS } from '../span.js';
import type { SkyNow } from '../sun/harvest.js';
import { forecast } from './forecast.js';
import type { PlanInput } from './plan-input.js';
import { steadyPlan } from './steady-plan.js';

const DAY_MS = 24 * HOUR_MS;
/** A battery that is to be charged takes everything, and its volts are those of the middle. */
const HALF_FULL = 0.5;

/**
 * What a plan's panel brings into the battery over a whole day under one sky, Ah; 0 without a panel. Hours of shade belong to the
 * outing and are left out.
 *
 * @param fromMs when the day begins, UTC epoch ms
 */
export function sunDayAh(plan: PlanInput, fromMs: number, sky: SkyNow): number {
  const { sun } = plan;
  if (!sun) return 0;
  const day = { startMs: fromMs, endMs: fromMs + DAY_MS };
  const packs = plan.packs.map((pack) => ({ ...pack, startSoc: HALF_FULL }));
  const { outlook: _outlook, restart: _restart, ...steady } = steadyPlan({ ...plan, packs }, day, 0);
  const { march } = forecast({
    ...steady,
    temperatureC: Math.max(sky.airC, 0),
    sun: { ...sun, skyAt: () => sky, shade: { ...sun.shade, spans: [] } },
  });
  const { offeredA, edgesMs } = march;
  return offeredA.reduce(
    (sum, amps, step) => sum + (amps * (edgesMs[step + 1] - edgesMs[step])) / HOUR_MS,
    0,
  );
}
