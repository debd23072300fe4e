import fc from 'fast-check';
import { CONNECTOR_ENDS } from '../harness/connectors.js';
import type { HarnessPart, CableRun, PartKind } from '../harness/harness.js';
import type { HarnessFlow } from '../harness/cable-run-figures.js';
import { factsOf, flowOf, part } from '../testing/harness.js';
import { FUSES_A } from '../wire/fuses.js';
import { checkHarness } from './check-harness.js';
import type { Check } from './facts.js';
import { mended } from './mend-cable-run.js';

const ends = fc.option(fc.constantFrom(...CONNECTOR_ENDS), { nil: null });
const runs = fc
  .record({
    areaMm2: fc.double({ min: 0.3, max: 12, noNaN: true }),
    lengthM: fc.double({ min: 0.1, max: 8, noNaN: true }),
    contactPairs: fc.nat(4),
    isKnown: fc.boolean(),
    bundled: fc.boolean(),
    fuseA: fc.oneof(fc.constant(null), fc.constant(undefined), fc.constantFrom(...FUSES_A)),
    statedA: fc.option(fc.double({ min: 2, max: 50, noNaN: true }), { nil: null }),
    near: ends,
    far: ends,
  })
  .map(({ areaMm2, lengthM, contactPairs, isKnown, bundled, ...run }): Partial<CableRun> => ({
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

const ofRuns = (parts: readonly HarnessPart[], flow: HarnessFlow): readonly Check[] =>
  checkHarness(parts, factsOf({ flow })).filter(({ on }) => on === 'run');
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
