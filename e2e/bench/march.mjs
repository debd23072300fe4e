// The forecast in Node.js, panel included: a trip of 48 hours and one of a week, and a plain sum over the same arrays for scale.
import { readFileSync } from 'node:fs';
import { resolve } from '@knapsack/contract';
import { forecast, march } from '@knapsack/core';
import { median, timesOf } from './times.mjs';

const read = (path) => JSON.parse(readFileSync(new URL(`../../demo/${path}`, import.meta.url), 'utf8'));
const HOUR_MS = 3_600_000;

/** The demo trip repeated day by day, so that it lasts as long as is asked. */
function planOf(hours, stepMinutes) {
  const trip = { ...read('trips/gannet-rock-light.json'), stepMinutes };
  const startMs = Date.parse(trip.start);
  const endMs = startMs + hours * HOUR_MS;
  const blocks = [];
  for (let day = 0; day * 30 < hours; day++) {
    for (const block of trip.blocks) {
      const at = (time) => Date.parse(time) + day * 30 * HOUR_MS;
      if (at(block.end) > endMs) continue;
      const [start, end] = [block.start, block.end].map((time) => new Date(at(time)).toISOString());
      blocks.push({ ...block, id: `${block.id}-${day}`, start, end });
    }
  }
  const plan = resolve({ ...trip, end: new Date(endMs).toISOString(), blocks }, read('gear.json').gear);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return plan.value;
}

export function measure() {
  const plan = planOf(48, 5);
  const run = forecast(plan);
  const { load, pack } = run;
  const input = { pack, load, startSoc: 1, floorSoc: 0.1, radioDropoutV: 10.5, leadOhm: 0.02 };
  const steps = load.meanA.length;
  const marchMs = median(timesOf(() => march(input)));
  let sink = 0;
  const sumMs = median(
    timesOf(() => {
      for (let step = 0; step < steps; step++)
        sink += load.meanA[step] * (load.edgesMs[step + 1] - load.edgesMs[step]);
    }),
  );
  if (Number.isNaN(sink)) throw new Error('the sum went wrong');
  const week = planOf(168, 5);
  const fine = planOf(48, 1);
  return [
    {
      what: 'forecast with sun, 48 h at 5 minutes',
      value: median(timesOf(() => forecast(plan))),
      unit: 'ms',
      target: 5,
    },
    {
      what: 'forecast with sun, 7 days at 5 minutes',
      value: median(timesOf(() => forecast(week))),
      unit: 'ms',
      target: 10,
    },
    {
      what: 'forecast with sun, 48 h at 1 minute',
      value: median(timesOf(() => forecast(fine))),
      unit: 'ms',
      target: 15,
    },
    { what: 'march alone, a step', value: (marchMs * 1e6) / steps, unit: 'ns' },
    { what: 'march alone, against a plain sum over the same arrays', value: marchMs / sumMs, unit: 'times' },
  ];
}
