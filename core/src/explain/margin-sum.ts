import { CHEMISTRIES } from '../battery/chemistry.js';
import { coldCapacityFactor } from '../battery/battery-pack.js';
import type { Forecast } from '../forecast/forecast.js';
import { shortfall } from '../forecast/read-verdict.js';
import { chargeBetween } from '../load/load-series.js';
import { sayQuantity } from '../say/quantity.js';
import { drawLines } from './draw-lines.js';
import { shareQuantity, q, type Sum, type SumLine } from './sum.js';

/** What is left at the end, or what is missing. */
export function marginSum(run: Forecast): Sum {
  return run.verdict.endMs === null ? leftSum(run) : missingSum(run, run.verdict.endMs);
}

function missingSum(run: Forecast, endMs: number): Sum {
  const { ampereHours, untilMs } = shortfall(run.march, endMs);
  const rest = { startMs: endMs, endMs: untilMs };
  const inRest = (amps: Float64Array) => chargeBetween(run.march.edgesMs, amps, rest.startMs, rest.endMs);
  const sunAh = inRest(run.march.offeredA);
  const chargersAh = inRest(run.march.fedA);
  return {
    title: 'What the rest of the plan lacks',
    lines: [
      ...drawLines(run, rest),
      ...(sunAh > 0 ? [{ label: 'less what the sun offers', terms: [], result: q(-sunAh, 'Ah') }] : []),
      ...(chargersAh > 0
        ? [{ label: 'less what chargers give', terms: [], result: q(-chargersAh, 'Ah') }]
        : []),
      { label: 'missing', terms: [], result: q(ampereHours, 'Ah') },
    ],
    ...(sunAh + chargersAh > 0 && {
      remark: `Up to the moment when the plan is furthest behind ${sunAh > 0 ? 'the sun' : 'its chargers'}.`,
    }),
  };
}

function leftSum(run: Forecast): Sum {
  const { plan, packs, verdict, march } = run;
  const several = packs.length > 1;
  return {
    title: 'What is left above the reserve',
    lines: [
      ...packs.flatMap((pack, index) => {
        const above = march.endSoc[index] - plan.packs[index].reserveSoc;
        return [
          capacityLine(run, index),
          {
            label: several ? `left in ${plan.packs[index].name}` : 'at the end, above the reserve',
            terms: [
              '(',
              shareQuantity(march.endSoc[index]),
              ' − ',
              shareQuantity(plan.packs[index].reserveSoc),
              ') × ',
              q(pack.deliverableAh, 'Ah'),
            ],
            result: q((several ? Math.max(0, above) : above) * pack.deliverableAh, 'Ah'),
          },
        ];
      }),
      ...(several ? [{ label: 'together', terms: [], result: q(verdict.marginAh, 'Ah') }] : []),
      {
        label: 'at the mean current of the plan',
        terms: [q(verdict.marginAh, 'Ah'), ' ÷ ', q(verdict.meanA, 'A')],
        result: q(verdict.marginHours, 'duration'),
      },
    ],
  };
}

/** Rating x health x cold. */
function capacityLine({ plan, packs }: Forecast, index: number): SumLine {
  const { label, name } = plan.packs[index];
  const cold = coldCapacityFactor(label.chemistry, plan.temperatureC);
  return {
    label: `${name}, ${CHEMISTRIES[label.chemistry].label}, at ${sayQuantity(q(plan.temperatureC, 'C'))}`,
    terms: [
      q(label.ratedAh, 'Ah'),
      ' × ',
      q(label.health, 'factor'),
      ' health × ',
      q(cold, 'factor'),
      ' cold',
    ],
    result: q(packs[index].deliverableAh, 'Ah'),
  };
}
