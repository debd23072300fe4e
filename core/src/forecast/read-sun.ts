import { HOUR_MS } from '../span.js';
import type { March } from '../march/march-data.js';
import type { Harvest } from '../sun/harvest.js';
import type { SunVerdict } from './verdict.js';

const DAY_HOURS = 24;

/**
 * What the sun gave, and the hours in which it carried the load.
 *
 * @param efficiency stored / accepted charge of the packs, 0 to 1; 0 where they must not be charged
 */
export function readSun(run: March, sun: Harvest | null, efficiency: number): SunVerdict {
  const { edgesMs, offeredA, wantedA } = run;
  let balanceHours = 0;
  let best = 0;
  let worst = Infinity;
  for (let step = 0; step < offeredA.length; step++) {
    if (offeredA[step] > 0 && offeredA[step] >= wantedA[step]) {
      balanceHours += (edgesMs[step + 1] - edgesMs[step]) / HOUR_MS;
    }
    if (offeredA[step] > offeredA[best]) best = step;
    const byDay = sun ? sun.sunAltitudeDeg[step] > 0 : offeredA[step] > 0;
    if (byDay) worst = Math.min(worst, offeredA[step] - wantedA[step]);
  }
  return {
    offeredAh: run.books.offeredAh,
    usedAh: run.books.offeredAh - run.books.curtailedAh,
    curtailedAh: run.books.curtailedAh,
    balanceHours,
    bestA: offeredA[best],
    bestMs: edgesMs[best],
    bestSurplusA: offeredA[best] - wantedA[best],
    worstSurplusA: Number.isFinite(worst) ? worst : 0,
    balanceA: balanceLevel(run, efficiency),
  };
}

const MOST_TURNS = 50;
const NEAR_ENOUGH_A = 1e-9;

/**
 * The steady load that a source carries for ever, A: what comes while it is on goes straight to the load, the rest
 * through the packs. Over whole days from the start; null where there is not one. Source: convention of this project, docs/model.md.
 *
 * What is left over falls ever faster as the load rises, so that Newton's rule from above never overshoots.
 */
export function balanceLevel({ edgesMs, offeredA }: March, efficiency: number): number | null {
  const startMs = edgesMs[0];
  const days = Math.floor((edgesMs[edgesMs.length - 1] - startMs) / (DAY_HOURS * HOUR_MS));
  if (days < 1) return null;
  const endMs = startMs + days * DAY_HOURS * HOUR_MS;
  let loadA = offeredA.reduce((most, amps) => Math.max(most, amps), 0);
  for (let turn = 0; turn < MOST_TURNS; turn++) {
    let leftAh = -loadA * days * DAY_HOURS;
    let slopeHours = -days * DAY_HOURS;
    for (let step = 0; step < offeredA.length && edgesMs[step] < endMs; step++) {
      if (offeredA[step] <= 0) continue;
      const hours = (Math.min(edgesMs[step + 1], endMs) - edgesMs[step]) / HOUR_MS;
      const direct = Math.min(offeredA[step], loadA);
      leftAh += (direct + efficiency * (offeredA[step] - direct)) * hours;
      if (offeredA[step] > loadA) slopeHours += (1 - efficiency) * hours;
    }
    if (leftAh >= 0 || slopeHours >= 0) break;
    const change = leftAh / slopeHours;
    loadA -= change;
    if (Math.abs(change) < NEAR_ENOUGH_A) break;
  }
  return Math.max(0, loadA);
}
