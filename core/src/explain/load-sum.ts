import type { Forecast } from '../forecast/forecast.js';
import { hoursOf } from '../span.js';
import { drawLines, overLines } from './draw-lines.js';
import { q, type Sum, type SumLine } from './sum.js';

/** What the plan draws, block by block. */
export function loadSum(run: Forecast): Sum {
  const { plan, verdict } = run;
  return {
    title: 'What the plan takes from the battery',
    lines: [
      ...overLines(plan),
      ...drawLines(run, plan.outing),
      ...verdict.consumers
        .filter(({ ampereHours }) => ampereHours > 0)
        .map(({ name, ampereHours, wattHours }): SumLine => ({
          label: `${name} in all`,
          terms: [q(ampereHours, 'Ah')],
          result: q(wattHours, 'Wh'),
        })),
      { label: 'together', terms: [], result: q(verdict.plannedAh, 'Ah') },
      { label: 'in energy', terms: [], result: q(verdict.plannedWh, 'Wh') },
      {
        label: 'mean of the outing',
        terms: [q(verdict.plannedAh, 'Ah'), ' ÷ ', q(hoursOf(plan.outing), 'h')],
        result: q(verdict.meanA, 'A'),
      },
    ],
    remark:
      'An over is key-up + mode factor × (key-down − key-up); a block is (share × over + (1 − share) × receive) × hours.',
  };
}
