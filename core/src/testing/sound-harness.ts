import type { Check, CheckedPack, HarnessFacts } from '../checks/facts.js';
import { checkHarness } from '../checks/check-harness.js';
import type { CableRun, HarnessPart } from '../harness/harness.js';
import { checkedPack, copper, factsOf, part, still } from './harness.js';

export const flat = { family: 'flat30', end: 'plug' } as const;
export const wired = { ...copper(4, 0.6, 1), fuseA: 15, near: flat, far: flat };
export const draw = (receiveA: number, keyDownA: number, safeForA = keyDownA) => ({
  receiveA,
  keyDownA,
  safeForA,
});

/** A battery, a fuse box with a radio and, behind a converter, a lamp; a controller and its panel: nothing is wrong with it. */
export const sound: readonly HarnessPart[] = [
  part('battery', 'battery', null),
  { ...part('box', 'distribution', 'battery', wired), maxA: 30 },
  part('radio', 'radio', 'box', { ...wired, fuseA: 7.5 }),
  {
    ...part('buck', 'converter', 'box', { ...wired, fuseA: 5 }),
    // Over the highest volts of the battery, so that it only ever steps up.
    name: 'converter',
    supply: { volts: 16, efficiency: 0.9 },
    maxA: 3,
  },
  part('lamp', 'load', 'buck', { ...wired, fuseA: null }),
  part('mppt', 'controller', 'battery', wired),
  part('panel', 'panel', 'mppt', { ...copper(4, 3, 1), fuseA: undefined, near: flat, far: flat }),
];
export const pack = (more: Partial<CheckedPack> = {}) =>
  checkedPack({ maxChargeA: 9, chargeEntered: true, coldProtected: true, ...more });
export const radio = { part: 'radio', name: 'radio', mostW: 10, dropoutV: 9, fullPowerV: 12, maxV: 15 };
export const mppt: HarnessFacts['controllers'][number] = {
  ...{ part: 'mppt', name: 'mppt', limits: true, maxA: 8, maxInputV: 40, profiles: ['lifepo4'] },
  ...{ chargesToV: 14.2, heard: [], hasLoads: false },
};
export const panel = {
  part: 'panel',
  name: 'panel',
  labelVmpV: 18,
  labelVocV: 22,
  coldV: 26,
  shortA: 2.8,
  stringA: 2.8,
  strings: 1,
  bestA: 2.5,
};
export const charging = (safeForA: number) =>
  new Map([
    ['mppt', { meanA: 1, mostA: 2.5, safeForA, feedV: 13 }],
    ['panel', { meanA: 1, mostA: 2, safeForA: 3.5, feedV: 18 }],
  ]);
export const draws = (keyDownA = 4, lampA = 0.5) =>
  new Map([
    ['radio', draw(0.3, keyDownA)],
    ['lamp', draw(lampA, lampA)],
  ]);
export const facts = (more: Partial<HarnessFacts> = {}) =>
  factsOf({
    flow: still({ draws: draws(), charging: charging(4) }),
    packs: [pack()],
    radios: [radio],
    controllers: [mppt],
    panels: [panel],
    ...more,
  });

/** A battery of a hundred ampere hours gives 2 kA into a short circuit. */
export const strong = new Map([['battery', { fullV: 13.3, ohmicOhm: 0.01 }]]);

/** The sound harness with a run, or a part, that is another. */
export const withRun = (id: string, run: Partial<CableRun>) =>
  sound.map((one) => (one.id === id ? { ...one, run: { ...one.run!, ...run } } : one));
export const withPart = (id: string, more: Partial<HarnessPart>) =>
  sound.map((one) => (one.id === id ? { ...one, ...more } : one));
/** The same on a power station, whose socket gives 10 A. */
export const stationed = (more: Partial<CheckedPack> = {}, given: Partial<HarnessFacts> = {}) => ({
  packs: [pack({ hasSocket: true, socketA: 10, protects: undefined as never, ...more })],
  ...given,
});

/** What rules say of it, and where, the gravest first. */
export const toldOf = (parts: readonly HarnessPart[], given: Partial<HarnessFacts> = {}): readonly string[] =>
  checkHarness(parts, facts(given)).map(({ severity, rule, part: where }) => `${severity} ${rule} ${where}`);

/** What is another, and what is told of it. */
export type Row = readonly [
  what: string,
  parts: readonly HarnessPart[],
  given: Partial<HarnessFacts>,
  told: readonly string[],
];

/** A spec of each. */
export function rows(title: string, all: readonly Row[]): void {
  describe(title, () => {
    for (const [what, parts, given, expected] of all)
      it(what, () => expect(toldOf(parts, given)).toEqual([...expected]));
  });
}

/** What a rule says of a harness. @throws where it says nothing */
export function toldBy(
  rule: Check['rule'],
  parts: readonly HarnessPart[],
  given: Partial<HarnessFacts> = {},
): Check {
  const found = checkHarness(parts, facts(given)).find((one) => one.rule === rule);
  if (!found) throw new Error(`nothing is told of ${rule}`);
  return found;
}
