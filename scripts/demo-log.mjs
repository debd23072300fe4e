// node scripts/demo-log.mjs: the log of Gannet Rock's first fourteen hours, played under a sky duller than its forecast.
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { ensureLibraries } from './builds.mjs';
import { at, load } from './process.mjs';

const SEED = 11;
/** Cloud that came, where a third or half was forecast. */
const CAME = 0.88;
const read = (file) => JSON.parse(readFileSync(at(`demo/${file}`), 'utf8'));
const local = (time) => Date.parse(`2027-09-${time}:00+02:00`);
const iso = (timeMs) => `${new Date(timeMs + 2 * 3_600_000).toISOString().slice(0, 19)}+02:00`;

await ensureLibraries();
const { workedPlan } = await load('contract/dist/field/index.js');
const { play } = await load('core/dist/index.js');

const trip = read('trips/gannet-rock-light.json');
const work = [
  { id: 'w1', at: iso(local('04T11:10')), kind: 'work', do: 'start', block: 'b1' },
  { id: 'w2', at: iso(local('04T18:15')), kind: 'work', do: 'start', block: 'b2' },
  { id: 'w3', at: iso(local('04T22:40')), kind: 'work', do: 'start', block: 'b3' },
];
const reading = (time, state, source, ...quantities) => ({
  ...{ kind: 'reading', timeMs: local(time), state, source, quantities },
});
const acts = [
  reading('04T10:05', 'off', 'typed', 'volts'),
  reading('04T12:40', 'listening', 'typed', 'amps', 'volts'),
  reading('04T13:05', 'off', 'typed', 'outAh'),
  reading('04T16:20', 'off', 'controller', 'inAh'),
  reading('04T19:05', 'keyDown', 'typed', 'volts', 'amps'),
  reading('04T20:00', 'listening', 'typed', 'outAh'),
  reading('04T22:05', 'off', 'typed', 'outAh'),
  { kind: 'reset', timeMs: local('04T22:20'), source: 'typed' },
  reading('04T23:50', 'listening', 'typed', 'volts', 'outAh'),
];
const planned = workedPlan(trip, work, read('gear.json').gear).value;
const { skyAt } = planned.sun;
const dull = {
  ...planned,
  sun: { ...planned.sun, skyAt: (timeMs) => ({ ...skyAt(timeMs), cloud: CAME, rain: false }) },
};
const { log, socs } = play(dull, acts, local('05T00:00'), SEED);

const DIGITS = { volts: 2, amps: 2, outAh: 2, inAh: 2 };
const rounded = (values) =>
  Object.fromEntries(
    Object.entries(values).map(([quantity, value]) => [quantity, Number(value.toFixed(DIGITS[quantity]))]),
  );
const entries = [
  ...work,
  ...log.readings.map(({ id, timeMs, state, source, values }) => ({
    ...{ id, at: iso(timeMs), kind: 'reading', state },
    ...(source !== 'typed' && { source }),
    ...rounded(values),
  })),
  { id: 'z1', at: iso(local('04T22:20')), kind: 'reset' },
  { id: 's1', at: iso(local('04T11:20')), kind: 'sky', cloud: 0.85 },
  { id: 's2', at: iso(local('04T15:30')), kind: 'sky', cloud: 0.9 },
  {
    id: 'n1',
    at: iso(local('04T17:30')),
    kind: 'note',
    note: 'Wind from the south-west; the tent stands behind the tower now.',
  },
].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
mkdirSync(at('demo/logs'), { recursive: true });
writeFileSync(
  at('demo/logs/gannet-rock-light.json'),
  `${JSON.stringify({ schema: 'knapsack.log', version: 1, trip: trip.id, entries }, null, 2)}\n`,
);
console.log(
  `${entries.length} entries; the charge really was ${(100 * socs.at(-1)).toFixed(1)} % at midnight`,
);
