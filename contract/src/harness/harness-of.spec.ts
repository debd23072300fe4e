import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { lookUp } from '../resolve/look-up.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { amplifier, fedBy } from '../testing/sample-gear.js';
import { harnessOf } from './harness-of.js';
import { harnessReport } from './harness-report.js';
import { wiringOf } from './wiring-of.js';

const partsOf = (trip: Trip) => harnessOf(trip, lookUp(trip, kitShelf).carried);
const tree = (trip: Trip) => partsOf(trip).map(({ id, from }) => `${id} < ${from}`);
const two = (id: string) => [{ gear: id, count: 2 }];
const loaded = (...gear: string[]) => kitTrip({ loadout: gear.map((id) => ({ gear: id, count: 1 })) });

describe('the harness of a bag', () => {
  it('hangs from the battery', () => {
    expect(tree(kitTrip())).toEqual([
      'shale < null',
      'rill < shale',
      'frond < rill',
      'curlew < shale',
      'relay < shale',
    ]);
  });

  it('has the cable of the bag as the radio’s run', () => {
    const radio = partsOf(kitTrip()).find(({ id }) => id === 'curlew')!;
    expect(radio.run).toEqual(
      jasmine.objectContaining({ cable: 'short lead', fuseA: 10, statedA: 30, fuseAtM: 0.15 }),
    );
  });

  it('joins several batteries, each on a cable of its own', () => {
    const two = kitTrip({
      loadout: [
        { gear: 'curlew', count: 1 },
        { gear: 'shale', count: 2 },
      ],
    });
    expect(tree(two)).toEqual(['joint < null', 'shale < joint', 'shale.2 < joint', 'curlew < joint']);
  });

  it('hangs the radio on the load terminals where the trip says so', () => {
    expect(tree(kitTrip({ radioOn: 'terminals' }))).toContain('curlew < rill');
  });

  it('draws the gaps of a kit with parts missing', () => {
    expect(tree(loaded())).toEqual(['no-battery < null', 'no-radio < no-battery']);
    expect(tree(loaded('curlew', 'shale', 'frond'))).toContain('no-controller < shale');
    const report = harnessReport(loaded('frond'), kitShelf);
    expect(report.uncalculated).not.toBeNull();
    expect(report.checks.filter(({ rule }) => rule === 'missing').map(({ part }) => part)).toEqual([
      'no-battery',
      'no-controller',
      'no-radio',
    ]);
  });

  it('takes what is said of a run, which undoes what was measured of its cable', () => {
    const said = kitTrip({ harness: { runs: [{ to: 'curlew', lengthM: 3, areaMm2: 1.5, fuseA: 0 }] } });
    const run = partsOf(said).find(({ id }) => id === 'curlew')!.run!;
    expect(run.wire).toEqual({
      size: { awg: null, areaMm2: 1.5 },
      lengthM: 3,
      contactPairs: 2,
      bundled: false,
    });
    expect(run.fuseA).toBeNull();
  });

  it('gives the forecast its cables: what lies before the loads part, then the radio’s own', () => {
    expect(wiringOf(partsOf(kitTrip()), 20).radio!.name).toBe('short lead');
    const split = kitTrip({
      harness: {
        parts: [{ id: 'split', kind: 'splitter', from: 'shale' }],
        runs: [
          { to: 'split', lengthM: 1 },
          { to: 'curlew', from: 'split' },
        ],
      },
    });
    const wiring = wiringOf(partsOf(split), 20);
    expect(wiring.distribution!.ohm).toBeGreaterThan(0.01);
    expect(wiring.radio!.ohm).toBe(wiringOf(partsOf(kitTrip()), 20).radio!.ohm);
  });

  it('has a change-over switch where one battery is used after another, as strong as is said of it', () => {
    const joint = (change: Partial<Trip>) =>
      partsOf(kitTrip({ loadout: [...two('shale'), ...two('curlew')], ...change })).find(
        ({ id }) => id === 'joint',
      )!;
    expect(
      joint({ batteryUse: 'turns', harness: { changeover: { maxA: 40, name: 'rotary switch' } } }),
    ).toEqual(jasmine.objectContaining({ kind: 'changeover', name: 'rotary switch', maxA: 40 }));
    const bare = joint({ batteryUse: 'turns', harness: { changeover: {} } });
    expect([bare.kind, 'maxA' in bare]).toEqual(['changeover', false]);
    expect(joint({ batteryUse: 'parallel', harness: { changeover: { maxA: 40 } } }).kind).toBe('joint');
  });

  it('counts radios of one make, and leaves a single one its name', () => {
    const names = (loadout: Trip['loadout']) =>
      partsOf(kitTrip({ loadout }))
        .filter(({ kind }) => kind === 'radio')
        .map(({ name }) => name);
    expect(names(two('curlew'))).toEqual(['Curlew no. 1', 'Curlew no. 2']);
    expect(names([{ gear: 'curlew', count: 1 }])).toEqual(['Curlew']);
  });

  it('puts a load of other volts behind its converter, of mains behind an inverter, an amplifier on the battery', () => {
    const shelf: readonly Gear[] = [
      ...kitShelf,
      fedBy('phone', 5, 'usb'),
      fedBy('tablet', 20, 'mains'),
      { ...amplifier(5), id: 'puffin' },
    ];
    const trip = loaded('curlew', 'shale', 'phone', 'tablet', 'puffin');
    const parts = harnessOf(trip, lookUp(trip, shelf).carried);
    const look = (id: string) => {
      const { kind, from } = parts.find((part) => part.id === id)!;
      return `${kind} < ${from}`;
    };
    expect(look('phone.via')).toBe('converter < shale');
    expect(look('tablet.via')).toBe('inverter < shale');
    expect(look('phone')).toBe('load < phone.via');
    expect(look('puffin')).toBe('amplifier < shale');
  });

  it('gives a converter that was put in the volts and the efficiency that are said of it, and no other part any', () => {
    const parts = partsOf(
      kitTrip({
        harness: {
          parts: [
            { id: 'up', kind: 'converter', from: 'shale', outV: 13.8, efficiency: 0.9 },
            { id: 'plain', kind: 'converter', from: 'shale' },
            { id: 'split', kind: 'splitter', from: 'shale' },
          ],
        },
      }),
    );
    const supply = (id: string) => parts.find((part) => part.id === id)!.supply;
    expect(supply('up')).toEqual({ volts: 13.8, efficiency: 0.9 });
    expect(supply('plain')?.volts).toBeGreaterThan(12);
    expect(supply('split')).toBeUndefined();
  });
});
