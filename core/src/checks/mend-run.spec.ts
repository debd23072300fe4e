import fc from 'fast-check';
import { CONNECTOR_ENDS } from '../harness/connectors.js';
import type { HarnessPart, HarnessRun, PartKind } from '../harness/harness.js';
import type { HarnessFlow } from '../harness/run-figures.js';
import { copper, part } from '../testing/harness.js';
import { BLADE_FUSES_A } from '../wire/wire.js';
import type { Check } from './facts.js';
import { checkHarness } from './check-harness.js';
import type { HarnessFacts } from './facts.js';
import { mended, mendRun } from './mend-run.js';

const flowOf = (
  draws: Readonly<Record<string, number>>,
  charging: Readonly<Record<string, number>> = {},
) => ({
  draws: new Map(
    Object.entries(draws).map(([id, amps]) => [id, { receiveA: amps / 10, keyDownA: amps, safeForA: amps }]),
  ),
  charging: new Map(
    Object.entries(charging).map(([id, amps]) => [
      id,
      { meanA: amps / 2, mostA: amps, safeForA: 1.25 * amps, feedV: 13 },
    ]),
  ),
  floorV: { receive: 12.8, keyDown: 12.6 },
  batteryShare: 1,
  temperatureC: 20,
});

const remedyFor = (run: Partial<HarnessRun>, amps: number) => {
  const parts = [part('battery', 'battery', null), part('radio', 'radio', 'battery', run)];
  return mendRun(parts, parts[1], flowOf({ radio: amps }));
};

describe('what mends a run', () => {
  it('is a fuse where only that is missing or too small', () => {
    expect(remedyFor({ ...copper(2.5, 0.6), fuseA: null }, 4)).toEqual({ words: 'a 5 A fuse', fuseA: 5 });
    expect(remedyFor({ ...copper(2.5, 0.6), fuseA: 5 }, 7)).toEqual({ words: 'a 10 A fuse', fuseA: 10 });
    expect(remedyFor({ ...copper(2.5, 0.6), fuseA: 5 }, 4)).toBeNull();
    // Nothing is known of the wire: the smallest fuse that is sold.
    expect(remedyFor({ fuseA: undefined }, 8)).toEqual({ words: 'a 10 A fuse', fuseA: 10 });
  });

  it('is a smaller fuse before a thicker wire', () => {
    expect(remedyFor({ ...copper(1, 0.6), fuseA: 30 }, 4)).toEqual({ words: 'a 5 A fuse', fuseA: 5 });
  });

  it('is wire and fuse together where no fuse does for the wire there is', () => {
    // 1.25 x 22 A = 27.5 A: a 30 A blade, which wants a wire that carries 30 A: 4 mm2.
    const both = { words: '4 mm² wire with a 30 A fuse', fuseA: 30, areaMm2: 4 };
    expect(remedyFor({ ...copper(2.5, 0.6), fuseA: 10 }, 22)).toEqual(both);
    expect(remedyFor({ ...copper(2.5, 0.6), fuseA: null }, 22)).toEqual(both);
    expect(remedyFor({ fuseA: 40 }, 80)).toBeNull();
  });

  it('is the wire that brings the volts lost under their target, its contacts as they are', () => {
    // 4 A on 3 m of 1.5 mm2: 0.28 V, 2.3 % of 12.6 V; 2.5 mm2 brings it under 2 %.
    expect(remedyFor({ ...copper(1.5, 3), fuseA: 7.5 }, 4)).toEqual({ words: '2.5 mm² wire', areaMm2: 2.5 });
    // A fuse of its own loses 0.12 V at its rating: no wire makes that good.
    expect(remedyFor({ ...copper(16, 30, 400), fuseA: 7.5 }, 4)).toBeNull();
  });

  it('is ends that carry it, fitting what the parts have', () => {
    const barrel = { family: 'barrel21', end: 'plug' } as const;
    const remedy = remedyFor({ ...copper(2.5, 0.6), fuseA: 15, near: barrel, far: null }, 12);
    expect(remedy!.near).toEqual({ family: 'flat30', end: 'plug' });
    const stud = { family: 'ring', end: 'socket' } as const;
    const parts = [
      { ...part('battery', 'battery', null), connectors: [stud] },
      part('radio', 'radio', 'battery', { ...copper(2.5, 0.6), fuseA: 15, near: barrel }),
    ];
    expect(mendRun(parts, parts[1], flowOf({ radio: 12 }))!.near).toEqual({ family: 'ring', end: 'plug' });
  });

  it('says what a larger fuse asks of the runs behind it', () => {
    const parts = [
      part('battery', 'battery', null),
      part('box', 'distribution', 'battery', { ...copper(4, 0.5), fuseA: 10 }),
      part('radio', 'radio', 'box', copper(4, 0.5)),
      part('lamp', 'load', 'box', copper(1, 0.5)),
    ];
    const remedy = mendRun(parts, parts[1], flowOf({ radio: 20, lamp: 0.5 }));
    // 20.5 A want 30 A; a lamp's wire of 12 A behind it wants a fuse of its own.
    expect(remedy).toEqual({
      words: 'a 30 A fuse; and what this asks of a run behind it',
      fuseA: 30,
      also: [{ to: 'lamp', fuseA: 1 }],
    });
  });
});

const ends = fc.option(fc.constantFrom(...CONNECTOR_ENDS), { nil: null });
const runs = fc
  .record({
    areaMm2: fc.double({ min: 0.3, max: 12, noNaN: true }),
    lengthM: fc.double({ min: 0.1, max: 8, noNaN: true }),
    contactPairs: fc.nat(4),
    isKnown: fc.boolean(),
    bundled: fc.boolean(),
    fuseA: fc.oneof(fc.constant(null), fc.constant(undefined), fc.constantFrom(...BLADE_FUSES_A)),
    statedA: fc.option(fc.double({ min: 2, max: 50, noNaN: true }), { nil: null }),
    near: ends,
    far: ends,
  })
  .map(({ areaMm2, lengthM, contactPairs, isKnown, bundled, ...run }): Partial<HarnessRun> => ({
    ...run,
    ...(isKnown && { wire: { size: { awg: null, areaMm2 }, lengthM, contactPairs, bundled } }),
  }));

/** Where each part may hang, so that every harness is a tree. */
const SHAPE: readonly (readonly [id: string, kind: PartKind, from: readonly string[]])[] = [
  ['box', 'distribution', ['battery']],
  ['disconnect', 'disconnect', ['battery', 'box']],
  ['radio', 'radio', ['battery', 'box', 'disconnect']],
  ['lamp', 'load', ['battery', 'box', 'disconnect']],
  ['controller', 'controller', ['battery', 'box']],
  ['panel', 'panel', ['controller']],
];

const harnesses = fc
  .record({
    runs: fc.array(runs, { minLength: SHAPE.length, maxLength: SHAPE.length }),
    places: fc.array(fc.nat(2), { minLength: SHAPE.length, maxLength: SHAPE.length }),
    radioA: fc.double({ min: 0.5, max: 45, noNaN: true }),
    lampA: fc.double({ min: 0.05, max: 5, noNaN: true }),
    sunA: fc.double({ min: 0.5, max: 20, noNaN: true }),
    temperatureC: fc.constantFrom(20, 45),
  })
  .map(({ runs: made, places, radioA, lampA, sunA, temperatureC }) => ({
    parts: [
      part('battery', 'battery', null),
      ...SHAPE.map(([id, kind, from], index) =>
        part(id, kind, from[places[index] % from.length], made[index]),
      ),
    ],
    flow: {
      ...flowOf({ radio: radioA, lamp: lampA }, { controller: sunA, panel: sunA }),
      temperatureC,
    },
  }));

const factsOf = (flow: HarnessFlow): HarnessFacts => ({
  flow,
  packs: [],
  inParallel: true,
  radios: [],
  controllers: [],
  panels: [],
  inverters: [],
  coldC: 12,
  storedDays: 0,
  standingA: 0,
  singles: [],
  missing: [],
});

const ofRuns = (parts: readonly HarnessPart[], flow: HarnessFlow): readonly Check[] =>
  checkHarness(parts, factsOf(flow)).filter(({ on }) => on === 'run');
const key = ({ rule, part: where }: Check) => `${rule} ${where}`;

describe('one remedy', () => {
  it('is enough: put in, its rule is content, and nothing is stopped that was not', () => {
    fc.assert(
      fc.property(harnesses, ({ parts, flow }) => {
        const before = ofRuns(parts, flow);
        const stopped = new Set(before.filter(({ severity }) => severity === 'stop').map(key));
        for (const check of before) {
          const { remedy, part: where } = check;
          if (!remedy || !where) continue;
          const after = ofRuns(mended(parts, where, remedy), flow);
          expect(after.map(key)).withContext(JSON.stringify(remedy)).not.toContain(key(check));
          for (const stop of after.filter(({ severity }) => severity === 'stop')) {
            expect(stopped.has(key(stop)))
              .withContext(`${key(stop)} after ${JSON.stringify(remedy)} for ${key(check)}`)
              .toBeTrue();
          }
        }
      }),
    );
  });

  it('is the same for every rule of a run: never two sizes of wire', () => {
    fc.assert(
      fc.property(harnesses, ({ parts, flow }) => {
        const sizes = new Map<string, Set<number>>();
        for (const { part: where, remedy } of ofRuns(parts, flow)) {
          if (!where || remedy?.areaMm2 === undefined) continue;
          sizes.set(where, (sizes.get(where) ?? new Set()).add(remedy.areaMm2));
        }
        return [...sizes.values()].every(({ size }) => size === 1);
      }),
    );
  });
});
