// How an outing stands: 48 hours with 30 readings and notes, in Node.js on one core.
import { readFileSync } from 'node:fs';
import { workedPlan } from '@knapsack/contract/field';
import { fieldNow, play } from '@knapsack/core';
import { median, timesOf } from './times.mjs';

const HOUR_MS = 3_600_000;
const READINGS = 30;
const read = (path) => JSON.parse(readFileSync(new URL(`../../demo/${path}`, import.meta.url), 'utf8'));

export function measure() {
  const trip = read('trips/gannet-rock-light.json');
  const startMs = Date.parse(trip.start);
  const end = new Date(startMs + 48 * HOUR_MS).toISOString();
  const { value: plan } = workedPlan({ ...trip, end }, [], read('gear.json').gear);
  const kinds = [['volts'], ['outAh'], ['volts', 'amps'], null, ['percent'], ['inAh']];
  const acts = Array.from({ length: READINGS }, (_, index) => {
    const timeMs = startMs + (0.5 + 0.78 * index) * HOUR_MS;
    const quantities = kinds[index % kinds.length];
    return quantities === null
      ? { kind: 'look', timeMs }
      : { kind: 'reading', timeMs, state: 'listening', source: 'typed', quantities };
  });
  const nowMs = startMs + 24 * HOUR_MS;
  const { log } = play(plan, acts, nowMs, 7);
  const ms = median(timesOf(() => fieldNow(plan, log, nowMs), { warm: 3, runs: 9 }));
  return [{ what: 'now of 48 h with 30 readings and notes', value: ms, unit: 'ms', target: 400 }];
}
