import { KitSearch } from '@knapsack/core';
import type { Cable } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { harnessReport } from '../harness/harness-report.js';
import { frond, kitShelf, kitTrip, rill, shortLead } from '../testing/kit.js';
import { KitWorker } from './kit-worker.js';
import { USUAL_SIZE_OPTIONS } from './size-options.js';
import { withKit } from './size-space.js';

/** From the controller to the battery, of a wire that is too thin for the panel. */
const thin: Cable = {
  ...shortLead,
  id: 'thin',
  name: 'thin lead',
  run: 'controller',
  wire: { areaMm2: 0.2, lengthM: 1, contactPairs: 2, fusesA: [], connectorA: 30 },
};
const priced = { value: 100, source: 'datasheet' } as const;
const shelf = [
  ...kitShelf.filter(({ id }) => id !== 'frond' && id !== 'rill'),
  { ...frond, watts: { value: 70, source: 'datasheet' } as const, price: priced },
  { ...rill, maxA: { value: 20, source: 'datasheet' } as const, price: priced },
  thin,
];

/** Searches as a worker does, one batch after the other. */
function searched(trip: Trip) {
  const worker = new KitWorker();
  const question = { trip, shelf, options: USUAL_SIZE_OPTIONS };
  const begun = worker.answer({ job: 1, begin: question, tellKits: true });
  if (!('kits' in begun) || !begun.kits) throw new Error('no kits');
  const { kits } = begun;
  const search = new KitSearch(kits.allowed, kits.samples);
  for (let batch = search.batch(8); batch; batch = search.batch(8)) {
    const tried = worker.answer({ job: 1, batch });
    if ('trials' in tried) search.take(batch, tried.trials);
  }
  const offered = [...search.tried(), ...search.fronts().weight, ...search.fronts().price];
  return { kits, search, trips: offered.map(({ kit }) => withKit(trip, shelf, kits, kit)) };
}

const stops = (trip: Trip) =>
  harnessReport(trip, shelf)
    .checks.filter(({ severity }) => severity === 'stop')
    .map(({ rule }) => rule);

describe('what Wire stops in a search', () => {
  const trip = kitTrip({ loadout: [...kitTrip().loadout, { gear: 'thin', count: 1 }] });

  it('is offered nowhere: a cable of the trip’s own that is too thin for a kit', () => {
    const { search, trips } = searched(trip);
    expect(trips.length).toBeGreaterThan(3);
    for (const offered of trips) expect(stops(offered)).toEqual([]);
    const rules = new Set(search.ruledOut.map(({ reason }) => reason.rule));
    expect(rules).toEqual(new Set(['current in the wire']));
  });

  it('bars every battery where the radio’s own cable is at fault, and says so', () => {
    const fused = { ...shortLead, wire: { ...shortLead.wire!, fusesA: [1] } };
    const mine = [...shelf.filter(({ id }) => id !== 'short-lead'), fused];
    const worker = new KitWorker();
    const begun = worker.answer({
      job: 1,
      begin: { trip, shelf: mine, options: USUAL_SIZE_OPTIONS },
      tellKits: true,
    });
    if (!('kits' in begun) || !begun.kits) throw new Error('no kits');
    expect(begun.kits.allowed).toEqual([]);
    expect(begun.kits.ruledOut[0].rule).toBe('rating of the fuse');
    expect(begun.kits.ruledOut[0].sentence).toContain('through a fuse of 1 A');
  });
});
