import { coldCapacityFactor, openCircuitVolts } from '../battery/pack.js';
import { CHEMISTRIES } from '../battery/chemistry.js';
import { shortfall, type Forecast } from '../forecast/forecast.js';
import type { PlannedBlock } from '../forecast/plan-input.js';
import { chargeBetween } from '../load/load-series.js';
import { radioCurrent } from '../load/radio-current.js';
import { socAt, stepBefore } from '../march/soc-at.js';
import { sayQuantity, type Quantity } from '../say/quantity.js';
import { hoursOf, overlap, type Span } from '../span.js';
import { q, type Sum, type SumLine } from './sum.js';

/** The figures of a verdict that unfold into their arithmetic. */
export type Explained = 'load' | 'margin' | 'lowest' | 'end';

/** The arithmetic behind each figure of the verdict, as data. */
export function explain(forecast: Forecast): Record<Explained, Sum> {
  return {
    load: explainLoad(forecast),
    margin: explainMargin(forecast),
    lowest: explainLowest(forecast),
    end: explainEnd(forecast),
  };
}

/** What the plan draws, block by block. */
function explainLoad({ plan, verdict }: Forecast): Sum {
  return {
    title: 'What the plan draws',
    lines: [
      ...overLines(plan),
      ...drawLines(plan.outing, plan.blocks, plan),
      { label: 'together', terms: [], result: q(verdict.plannedAh, 'Ah') },
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

/** What is left at the end, or what is missing. */
function explainMargin(run: Forecast): Sum {
  const { plan, verdict, load } = run;
  if (verdict.endMs !== null) {
    const { ampereHours, untilMs } = shortfall(load, run.march, verdict.endMs);
    const rest = { startMs: verdict.endMs, endMs: untilMs };
    const sunAh = chargeBetween(load.edgesMs, run.march.offeredA, rest.startMs, rest.endMs);
    return {
      title: 'What the rest of the plan lacks',
      lines: [
        ...drawLines(rest, plan.blocks, plan),
        ...(sunAh > 0 ? [{ label: 'less what the sun offers', terms: [], result: q(-sunAh, 'Ah') }] : []),
        { label: 'missing', terms: [], result: q(ampereHours, 'Ah') },
      ],
      ...(sunAh > 0 && { remark: 'Up to the moment when the plan is furthest behind the sun.' }),
    };
  }
  return {
    title: 'What is left above the reserve',
    lines: [
      ...capacityLines(run),
      {
        label: 'at the end, above the reserve',
        terms: [
          '(',
          percent(verdict.endSoc),
          ' − ',
          percent(plan.floorSoc),
          ') × ',
          q(run.pack.deliverableAh, 'Ah'),
        ],
        result: q(verdict.marginAh, 'Ah'),
      },
      {
        label: 'at the mean current of the plan',
        terms: [q(verdict.marginAh, 'Ah'), ' ÷ ', q(verdict.meanA, 'A')],
        result: q(verdict.marginHours, 'duration'),
      },
    ],
  };
}

/** How the charge comes to its lowest point. */
function explainLowest(run: Forecast): Sum {
  const { plan, pack, load, verdict, march } = run;
  const until = { startMs: plan.outing.startMs, endMs: verdict.lowestMs };
  const upTo = (amps: Float64Array) => chargeBetween(load.edgesMs, amps, until.startMs, until.endMs);
  const loadsAh = upTo(march.loadA);
  const sunAh = upTo(march.offeredA) - upTo(march.curtailedA);
  const takenAh = (plan.startSoc - verdict.lowestSoc) * pack.storedAh;
  const lostAh = takenAh - loadsAh + sunAh;
  const { label, name } = plan.pack;
  const lines: SumLine[] = [
    {
      label: `${name} stores`,
      terms: [q(label.ratedAh, 'Ah'), ' × ', q(label.health, 'factor'), ' health'],
      result: q(pack.storedAh, 'Ah'),
    },
    ...drawLines(until, plan.blocks, plan),
    { label: 'drawn until then', terms: [], result: q(loadsAh, 'Ah') },
  ];
  if (sunAh > 0) lines.push({ label: 'given by the sun until then', terms: [], result: q(sunAh, 'Ah') });
  if (lostAh >= 0.005) {
    lines.push({ label: 'lost to the cold, high currents and charging', terms: [], result: q(lostAh, 'Ah') });
  }
  lines.push({
    label: 'left in the pack',
    terms: [
      percent(plan.startSoc),
      ' − (',
      q(loadsAh, 'Ah'),
      ...(sunAh > 0 ? [' − ', q(sunAh, 'Ah')] : []),
      ...(lostAh >= 0.005 ? [' + ', q(lostAh, 'Ah')] : []),
      ') ÷ ',
      q(pack.storedAh, 'Ah'),
    ],
    result: percent(verdict.lowestSoc),
  });
  return { title: 'The lowest charge', lines };
}

/** Why the first end point is where it is; where the plan lasts, how far the volts are from it. */
function explainEnd(run: Forecast): Sum {
  const { plan, pack, load, march, verdict } = run;
  const atMs = verdict.endMs ?? plan.outing.endMs;
  const step = stepBefore(march.edgesMs, atMs);
  const soc = verdict.endMs === null ? verdict.endSoc : socAt(march, atMs);
  const meanA = load.meanA[step];
  const openV = openCircuitVolts(pack, soc);
  const lines: SumLine[] = [
    { label: `at rest with ${sayQuantity(q(soc, 'share'))} left`, terms: [], result: q(openV, 'V') },
    {
      label: 'at the terminals, mean current',
      terms: [q(openV, 'V'), ' − ', q(meanA, 'A'), ' × ', q(pack.resistanceOhm, 'ohm')],
      result: q(openV - meanA * pack.resistanceOhm, 'V'),
    },
  ];
  const heaviest = heaviestStep(load.keyDownPackA, march.edgesMs, plan.outing.startMs, atMs);
  const keyStep = load.keyDownRadioA[step] > 0 ? step : heaviest;
  const packA = load.keyDownPackA[keyStep];
  const radioA = load.keyDownRadioA[keyStep];
  if (radioA > 0) {
    lines.push({
      label: 'at the radio, key down',
      terms: [
        q(openV, 'V'),
        ' − ',
        q(packA, 'A'),
        ' × ',
        q(pack.resistanceOhm, 'ohm'),
        ' − ',
        q(radioA, 'A'),
        ' × ',
        q(plan.leadOhm, 'ohm'),
      ],
      result: q(openV - packA * pack.resistanceOhm - radioA * plan.leadOhm, 'V'),
    });
  }
  lines.push(
    { label: 'reserve of the plan', terms: [], result: q(plan.floorSoc, 'share') },
    { label: `${plan.radio.name} drops out`, terms: [], result: q(plan.radio.dropoutV, 'V') },
    { label: `${plan.pack.name} cuts off`, terms: [], result: q(pack.cutoffV, 'V') },
  );
  return { title: 'The three end points: reserve, drop-out, cut-off', lines };
}

/** A share of charge to a tenth of a percent, so that the sum can be followed on paper. */
const percent = (value: number): Quantity => ({ value, unit: 'share', digits: 1 });

/** Rating x health x cold, one line where they change anything. */
function capacityLines({ plan, pack }: Forecast): SumLine[] {
  const { label, name } = plan.pack;
  const cold = coldCapacityFactor(label.chemistry, plan.temperatureC);
  return [
    {
      label: `${name}, ${CHEMISTRIES[label.chemistry].label}, at ${sayQuantity(q(plan.temperatureC, 'C'))}`,
      terms: [
        q(label.ratedAh, 'Ah'),
        ' × ',
        q(label.health, 'factor'),
        ' health × ',
        q(cold, 'factor'),
        ' cold',
      ],
      result: q(pack.deliverableAh, 'Ah'),
    },
  ];
}

/** The mean current of an over, once for each mode and power of the plan. */
function overLines({ blocks, radio }: Forecast['plan']): SumLine[] {
  const distinct = new Map(blocks.map((block) => [`${block.label} ${block.modeFactor}`, block] as const));
  return [...distinct.values()].map((block) => {
    const { keyDownA, keyUpA, overA } = radioCurrent(radio.currents, block);
    return {
      label: `an over of ${block.label}`,
      terms: [
        q(keyUpA, 'A'),
        ' + ',
        q(block.modeFactor, 'factor'),
        ' × (',
        q(keyDownA, 'A'),
        ' − ',
        q(keyUpA, 'A'),
        ')',
      ],
      result: q(overA, 'A'),
    };
  });
}

/** One line for each block and each steady load within a stretch. */
function drawLines(within: Span, blocks: readonly PlannedBlock[], plan: Forecast['plan']): SumLine[] {
  const { receiveA } = plan.radio.currents;
  const lines: SumLine[] = [];
  for (const block of blocks) {
    const part = overlap(block, within);
    if (!part) continue;
    const { overA, meanA } = radioCurrent(plan.radio.currents, block);
    lines.push({
      label: block.label,
      terms: [
        '(',
        q(block.share, 'factor'),
        ' × ',
        q(overA, 'A'),
        ' + ',
        q(1 - block.share, 'factor'),
        ' × ',
        q(receiveA, 'A'),
        ') × ',
        q(hoursOf(part), 'h'),
      ],
      result: q(meanA * hoursOf(part), 'Ah'),
    });
  }
  for (const { name, amps, spans } of plan.steady) {
    const hours = spans.reduce((sum, span) => {
      const part = overlap(span, within);
      return part ? sum + hoursOf(part) : sum;
    }, 0);
    if (hours > 0) {
      lines.push({
        label: name,
        terms: [q(amps, 'A'), ' × ', q(hours, 'h')],
        result: q(amps * hours, 'Ah'),
      });
    }
  }
  return lines;
}

function heaviestStep(amps: Float64Array, edgesMs: Float64Array, fromMs: number, toMs: number): number {
  let at = 0;
  for (let step = 0; step < amps.length; step++) {
    if (edgesMs[step] >= fromMs && edgesMs[step] < toMs && amps[step] > amps[at]) at = step;
  }
  return at;
}
