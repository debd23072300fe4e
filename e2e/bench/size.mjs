// Chances and the search over a shelf: how long draws take, how long 2,000 kits take on the machine's cores, and what
// narrowing spares.
import { readFileSync } from 'node:fs';
import { resolve } from '@knapsack/contract';
import { KitHunt, sizeAnswer, USUAL_SIZE_OPTIONS } from '@knapsack/contract/size';
import { chanceLaw, ChanceRun, ration } from '@knapsack/core';
import { hireThread, THREADS } from '@knapsack/server/search';
import { median, timesOf } from './times.mjs';

const read = (path) => JSON.parse(readFileSync(new URL(`../../demo/${path}`, import.meta.url), 'utf8'));
const HOUR_MS = 3_600_000;

/** The demo trip over two days. */
const twoDays = () => {
  const trip = read('trips/gannet-rock-light.json');
  const end = new Date(Date.parse(trip.start) + 48 * HOUR_MS).toISOString();
  return { ...trip, end };
};

/** Draws of a plan that is never sure, so that none is left out. */
function draws(plan, count) {
  const law = chanceLaw(plan);
  const run = new ChanceRun(plan, 1, law);
  run.more(count);
  return run.odds().samples;
}

/** A shelf around the demo's on which exactly so many kits are allowed. */
function shelfOf() {
  const { gear } = read('gear.json');
  const battery = gear.find(({ id }) => id === 'shale-9');
  const more = [15].map((ampereHours) => ({
    ...battery,
    id: `shale-${String(ampereHours).replace('.', '-')}x`,
    name: `Shale ${ampereHours}x`,
    ratedAh: { ...battery.ratedAh, value: ampereHours },
    weightG: { ...battery.weightG, value: 128 * ampereHours },
  }));
  return [...gear.filter(({ kind, id }) => kind !== 'station' && id !== 'cells-10'), ...more];
}

/** One search after another on the same threads, as in a page that stays open; the first one hires them. */
function searcher() {
  let listen = null;
  const hunt = new KitHunt(hireThread, THREADS, {
    changed: (state) => listen.changed(state),
    refused: ([problem]) => listen.failed(problem.sentence),
    failed: () => listen.failed('workers died'),
    explained: () => undefined,
    plans: () => undefined,
  });
  const search = (trip) =>
    new Promise((resolved, failed) => {
      const started = performance.now();
      let first = null;
      const question = { trip, shelf: shelfOf(), options: USUAL_SIZE_OPTIONS };
      listen = {
        failed: (why) => failed(new Error(why)),
        changed: (state) => {
          if (state.fronts.weight.length > 0) first ??= performance.now() - started;
          if (!state.finished) return;
          const answer = sizeAnswer(state, question);
          const { steps } = state;
          resolved({
            steps,
            ms: performance.now() - started,
            first,
            memory: process.memoryUsage().rss,
            answer,
          });
        },
      };
      hunt.start(question);
    });
  return { search, dismiss: () => hunt.dismiss() };
}

export async function measure() {
  const trip = twoDays();
  const plan = resolve(trip, read('gear.json').gear).value;
  const tight = { ...plan, packs: [{ ...plan.packs[0], label: { ...plan.packs[0].label, ratedAh: 11 } }] };
  // No chance is ever away from a target that is no number: nothing stops early.
  const small = { ...tight, targetChance: NaN };
  if (draws(small, 1000) !== 1000) throw new Error('the plan of the bench is too sure of itself');
  const drawsMs = median(timesOf(() => draws(small, 1000), { warm: 3, runs: 15 }));
  const rationMs = median(
    timesOf(() => ration(plan, { worthAt: () => 1, doubling: 0.3, leastShare: 0 }, 0.9), {
      warm: 1,
      runs: 3,
    }),
  );
  const { search, dismiss } = searcher();
  const cold = await search(trip);
  const runs = [await search(trip), await search(trip), await search(trip)];
  dismiss();
  const [{ answer }] = runs;
  const { steps } = runs[0];
  const of = (name) => median(runs.map((run) => run[name]));
  return [
    { what: '1,000 samples of 48 h at 5 minutes, tables included', value: drawsMs, unit: 'ms', target: 150 },
    {
      what: `search of ${answer.kits} allowed kits on ${answer.samples} samples, threads hired`,
      value: of('ms'),
      unit: 'ms',
      target: 2000,
    },
    { what: 'the same with its threads hired and warmed first', value: cold.ms, unit: 'ms' },
    { what: 'first partial front of it', value: of('first'), unit: 'ms', target: 200 },
    { what: 'memory of it, threads included', value: of('memory') / 1e6, unit: 'MB', target: 300 },
    { what: 'share of its steps that narrowing avoids', value: 100 * (1 - answer.shareOfSteps), unit: '%' },
    { what: 'all of it, a step walked and a core', value: (of('ms') * THREADS * 1e6) / steps, unit: 'ns' },
    { what: 'ration of 48 h', value: rationMs, unit: 'ms' },
  ];
}
