// The wiring of a large kit: what flows, every rule and the drawing, with the forecast that the currents come from told apart.
import { readFileSync } from 'node:fs';
import { resolve } from '@knapsack/contract';
import { harnessDrawing, harnessReport } from '@knapsack/contract/harness';
import { forecast } from '@knapsack/core';
import { median, p95, timesOf } from './times.mjs';

const read = (path) => JSON.parse(readFileSync(new URL(`../../demo/${path}`, import.meta.url), 'utf8'));
const RUNS = 30;
const TIMES = { warm: 40, runs: 120 };

/** The demo's light kit, its relay unit so often that the harness has so many runs, behind boxes of five. */
function largeKit() {
  const trip = read('trips/gannet-rock-light.json');
  const { gear } = read('gear.json');
  const relay = gear.find(({ id }) => id === 'relay-unit');
  const before = harnessReport(trip, gear).runs.length;
  const boxes = 4;
  const more = Array.from({ length: RUNS - before - boxes }, (_, index) => ({
    ...relay,
    id: `relay-${index}`,
  }));
  return {
    shelf: [...gear, ...more],
    trip: {
      ...trip,
      loadout: [...trip.loadout, ...more.map(({ id }) => ({ gear: id, count: 1 }))],
      harness: {
        parts: Array.from({ length: boxes }, (_, index) => ({
          id: `box-${index}`,
          kind: 'distribution',
          from: index === 0 ? 'shale-18' : `box-${index - 1}`,
        })),
        runs: [
          ...(trip.harness?.runs ?? []),
          ...more.map(({ id }, index) => ({
            to: id,
            from: `box-${index % boxes}`,
            lengthM: 1 + index / 10,
            areaMm2: 0.75,
            fuseA: 2,
          })),
        ],
      },
    },
  };
}

export function measure() {
  const { trip, shelf } = largeKit();
  const first = harnessReport(trip, shelf);
  if (first.runs.length !== RUNS) throw new Error(`the bench has ${first.runs.length} runs`);
  const plan = resolve(trip, shelf).value;
  const calculated = timesOf(() => forecast(plan), TIMES);
  const reports = timesOf(() => harnessReport(trip, shelf), TIMES);
  const drawn = timesOf(() => harnessDrawing(first, 'across'), TIMES);
  const whole = timesOf(() => harnessDrawing(harnessReport(trip, shelf), 'across'), TIMES);
  return [
    { what: `wiring of ${RUNS} runs: its forecast, median`, value: median(calculated), unit: 'ms' },
    {
      what: `wiring of ${RUNS} runs: forecast, currents and rules, median`,
      value: median(reports),
      unit: 'ms',
    },
    { what: `wiring of ${RUNS} runs: layout and drawing, median`, value: median(drawn), unit: 'ms' },
    { what: `wiring of ${RUNS} runs: all of it, median`, value: median(whole), unit: 'ms', target: 50 },
    { what: `wiring of ${RUNS} runs: all of it, p95`, value: p95(whole), unit: 'ms' },
  ];
}
