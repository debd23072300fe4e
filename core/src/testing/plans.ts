import type { PlanInput } from '../forecast/plan-input.js';
import { HOUR_MS } from '../span.js';

/** A plan for the whiteboard: 10 hours of steady receiving on 1 A from a 20 Ah pack at 25 C. */
export function whiteboardPlan(change: Partial<PlanInput> = {}): PlanInput {
  const outing = { startMs: 0, endMs: 10 * HOUR_MS };
  return {
    outing,
    stepMs: 5 * 60_000,
    radio: {
      name: 'Curlew',
      currents: { receiveA: 1, points: [{ rfW: 10, amps: 3 }] },
      dropoutV: 9,
    },
    blocks: [{ ...outing, label: 'listening', powerW: 10, modeFactor: 0.4, keyUpAtReceive: false, share: 0 }],
    steady: [],
    pack: {
      name: 'Shale 20',
      label: { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 20, health: 1 },
    },
    temperatureC: 25,
    startSoc: 1,
    floorSoc: 0.1,
    leadOhm: 0.02,
    assumed: [],
    ...change,
  };
}
