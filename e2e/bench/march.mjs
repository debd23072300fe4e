// The forecast in Node.js, panel included, and the tight loop of the search with a plain sum over the same arrays for scale.
import { readFileSync } from 'node:fs';
import { resolve } from '@knapsack/contract';
import { explain, forecast, march, batteryPackAt, tightMarch, tightPack, tightSteps } from '@knapsack/core';
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

/** What runs in the loop is at least so many kits, so that the clock's grain does not show. */
const KITS = 50;

/** Nanoseconds a step of the tight loop over many kits, and of a plain sum over the same arrays. */
function tightLoop(run) {
  const { load, plan, sun } = run;
  const steps = tightSteps(load, () => 13);
  const count = steps.hours.length;
  const loadA = Float32Array.from(load.mean.amps);
  const sunA = Float32Array.from({ length: count }, (_, step) => sun.offeredAt(step, 13));
  const given = {
    startSoc: 1,
    reserveSoc: 0.1,
    radioDropoutV: 10.5,
    cableOhm: 0.02,
    sharedOhm: 0,
    cellsV: 13,
  };
  const kits = Array.from({ length: KITS }, (_, index) => ({
    // Large enough to last, so that every step is walked; panels from none to more than is needed.
    packs: [tightPack(batteryPackAt({ ...plan.packs[0].label, ratedAh: 40 + index }, 12), steps, given)],
    run: { steps, loadA, sunA, sunGain: index / 20, controllerMaxA: 8 },
  }));
  const out = { endHours: 0, lowestSoc: 0, endSoc: 0, steps: 0 };
  let sink = 0;
  const loopMs = median(
    timesOf(() => {
      for (const { run: of, packs } of kits) {
        tightMarch(of, packs, out);
        sink += out.endSoc;
        if (out.endHours !== Infinity) throw new Error('a kit of the bench ends too soon');
      }
    }),
  );
  const sumMs = median(
    timesOf(() => {
      for (let kit = 0; kit < KITS; kit++) sink += plainSum(steps.hours, loadA, sunA);
    }),
  );
  if (Number.isNaN(sink)) throw new Error('the loop went wrong');
  return { loopNs: (loopMs * 1e6) / (count * KITS), ratio: loopMs / sumMs };
}

function plainSum(hours, loadA, sunA) {
  let sum = 0;
  for (let step = 0; step < hours.length; step++) sum += hours[step] * (loadA[step] - sunA[step]);
  return sum;
}

export function measure() {
  const plan = planOf(48, 5);
  const run = forecast(plan);
  const { load, packs, sun } = run;
  const bank = [{ pack: packs[0], startSoc: 1, reserveSoc: 0.1 }];
  const offeredAt = (step, volts) => sun.offeredAt(step, volts);
  const input = { bank, load, offeredAt, radioDropoutV: 10.5, cableOhm: 0.02 };
  const steps = load.edgesMs.length - 1;
  const marchMs = median(timesOf(() => march(input)));
  const tight = tightLoop(run);
  const week = planOf(168, 5);
  const fine = planOf(48, 1);
  const month = planOf(720, 5);
  const forecastMs = (of) => median(timesOf(() => forecast(of)));
  return [
    { what: 'forecast with sun, 48 h at 5 minutes', value: forecastMs(plan), unit: 'ms', target: 5 },
    { what: 'forecast with sun, 7 days at 5 minutes', value: forecastMs(week), unit: 'ms', target: 10 },
    { what: 'forecast with sun, 48 h at 1 minute', value: forecastMs(fine), unit: 'ms', target: 15 },
    { what: 'forecast with sun, 30 days at 5 minutes', value: forecastMs(month), unit: 'ms' },
    { what: 'sums behind the verdict, 48 h', value: median(timesOf(() => explain(run, 'UTC'))), unit: 'ms' },
    { what: 'march with sun, a step', value: (marchMs * 1e6) / steps, unit: 'ns' },
    { what: 'tight loop of the search, a step', value: tight.loopNs, unit: 'ns', target: 15 },
    { what: 'tight loop, against a plain sum over the same arrays', value: tight.ratio, unit: 'times' },
  ];
}
