import type { PlanInput } from '../forecast/plan-input.js';
import { HOUR_MS } from '../span.js';
import { measuredRadio, whiteboardPlan } from './plans.js';

export const START_MS = Date.UTC(2027, 5, 1, 8);
export const outing = { startMs: START_MS, endMs: START_MS + 14 * HOUR_MS };
export const even = { worthAt: () => 1, doubling: 0.3, leastShare: 0 };

/** Fourteen hours of CW at 10 W on one battery of so many Ah. */
export const plan = (ratedAh: number, change: Partial<PlanInput> = {}): PlanInput =>
  whiteboardPlan({
    outing,
    stepMs: HOUR_MS / 4,
    radio: { name: 'Curlew', figures: measuredRadio(0.2, [2, 0.9], [5, 1.4], [10, 2]), dropoutV: 9 },
    blocks: [{ ...outing, label: 'CW 10 W', powerW: 10, modeFactor: 0.44, keyUpAtReceive: true, share: 0.4 }],
    pack: { label: { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh, health: 1 } },
    ...change,
  });
