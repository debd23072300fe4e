import type { HarnessPart } from '../harness/harness.js';
import { copper, part, still } from '../testing/harness.js';
import {
  toldBy,
  charging,
  draw,
  draws,
  facts,
  flat,
  mppt,
  pack,
  panel,
  radio,
  sound,
  strong,
  toldOf,
  wired,
  withRun,
} from '../testing/sound-harness.js';
import { checkHarness } from './check-harness.js';
import type { HarnessFacts } from './facts.js';

const sentence = (...of: Parameters<typeof toldBy>) => toldBy(...of).sentence;

describe('what is said of the batteries of a harness', () => {
  const two = (first: Partial<HarnessPart>) => [
    { ...part('joint', 'joint', null), ...first },
    part('battery', 'battery', 'joint', { ...wired, fuseA: 10 }),
    part('second', 'battery', 'joint', { ...wired, fuseA: 10 }),
    ...sound.slice(1).map((one) => (one.from === 'battery' ? { ...one, from: 'joint' } : one)),
  ];
  const both = (more: Parameters<typeof pack>[0] = {}, given: Partial<HarnessFacts> = {}) => ({
    packs: [
      pack({ name: 'first', keyDownA: 2.3, ...more }),
      pack({ part: 'second', name: 'second', keyDownA: 2.3, ...more }),
    ],
    flow: still({ draws: draws(), charging: charging(4), inParallel: true }),
    ...given,
  });

  it('names those that nothing keeps apart, at the joint where they meet', () => {
    const found = toldBy('changeover', two({}), both({}, { inParallel: false }));
    expect(found.part).toBe('joint');
    expect(found.sentence).toMatch(/^first and second are used one after the other/);
    const reversed = two({}).toReversed();
    expect(toldBy('changeover', reversed, both({}, { inParallel: false })).part).toBe('joint');
  });

  it('looks at what one of two may have to give: three fifths of 4.70 A', () => {
    expect(toldOf(two({}), both({ peakA: 3 }))).toEqual([]);
    const found = toldBy('peak', two({}), both({ peakA: 2.5 }));
    expect([found.severity, found.has]).toEqual(['look', '2.82 A']);
    // One after the other each gives all of it, and a single one as well: it is asked no more than that.
    expect(toldOf(two({ kind: 'changeover' }), both({ peakA: 2.5 }, { inParallel: false }))).toEqual([]);
    expect(toldOf(sound, { packs: [pack({ keyDownA: 2.3, peakA: 2.5 })] })).toEqual([]);
  });

  it('looks at a short circuit where the battery’s own cable has its fuse, and at the first cables of one that has none', () => {
    const sources = new Map([
      ['battery', strong.get('battery')!],
      ['second', strong.get('battery')!],
    ]);
    const flow = still({ draws: draws(), charging: charging(4), inParallel: true, sources });
    const found = checkHarness(two({}), facts({ ...both({ capacityAh: 40 }), flow })).filter(
      ({ rule }) => rule === 'interrupts',
    );
    expect(found.map(({ part: where }) => where)).toEqual(['battery']);
    // Without a fuse there is nothing that would burn on.
    const bare = withRun('box', { fuseA: null }).map((one) =>
      one.id === 'mppt' ? { ...one, run: { ...one.run!, fuseA: null } } : one,
    );
    const alone = still({ draws: draws(), charging: charging(4), sources: strong });
    expect(toldOf(bare, { flow: alone })).toEqual(['stop fuse box', 'stop fuse mppt']);
  });

  it('knows loads that the controller takes off', () => {
    const onTerminals = (hasLoads: boolean) =>
      toldOf(
        sound
          .filter(({ id }) => id !== 'lamp' && id !== 'buck')
          .map((one) => (one.id === 'radio' ? { ...one, from: 'mppt' } : one)),
        {
          packs: [pack({ protects: false })],
          controllers: [{ ...mppt, hasLoads, loadA: 10 }],
          flow: still({ draws: new Map([['radio', draw(0.3, 4)]]), charging: charging(4) }),
        },
      );
    expect(onTerminals(true)).toEqual(['look overcharge mppt']);
    expect(onTerminals(false)).toEqual(['stop disconnect battery', 'look overcharge mppt']);
    // Nothing that could be taken off: nothing is.
    const none = sound.filter(({ id }) => id === 'battery' || id === 'mppt' || id === 'panel');
    expect(toldOf(none, { packs: [pack({ protects: false })], radios: [] })).toEqual([
      'stop disconnect battery',
      'look overcharge mppt',
    ]);
  });
});

describe('what is said of the radio of a harness', () => {
  it('blames the cables by what they lose', () => {
    // 16 m of 4 mm² at 4 A lose some 0.6 V of the 12.6 V.
    const far = withRun('radio', { wire: copper(4, 16).wire!, fuseA: 7.5 });
    const found = sentence('floor', far, { radios: [{ ...radio, dropoutV: 12.5 }] });
    expect(found).toMatch(/The cables lose 0\.[67]\d V/);
    expect(sentence('floor', sound, { radios: [{ ...radio, dropoutV: 12.8 }] })).not.toContain('cables');
  });

  it('says nothing of volts without a battery', () => {
    expect(toldOf(sound, { packs: [], radios: [{ ...radio, dropoutV: 12.8 }] })).toEqual([]);
  });

  it('counts what any of the controllers compensates or equalises', () => {
    const other = { ...mppt, part: 'other', name: 'other' };
    const lead = (chemistry: 'agm' | 'flooded') => pack({ chemistry, cellsInSeries: 6 });
    const both = (more: Partial<typeof mppt>) => [
      { ...mppt, profiles: ['agm', 'flooded'] as const, chargesToV: 14.6 },
      { ...other, ...more },
    ];
    // −10 C: 15.03 V as is usual, 15.45 V where a controller compensates.
    const cold = (more: Partial<typeof mppt>) =>
      toldOf(sound, {
        packs: [lead('agm')],
        coldC: -10,
        radios: [{ ...radio, maxV: 15.2 }],
        controllers: both(more),
      });
    expect(cold({})).toEqual([]);
    expect(cold({ compensates: true })).toEqual(['stop charging radio']);
    const warm = (more: Partial<typeof mppt>) =>
      toldOf(sound, {
        packs: [lead('flooded')],
        coldC: 25,
        temperatureC: 25,
        hotC: 25,
        radios: [{ ...radio, maxV: 15.2 }],
        controllers: both(more),
      });
    expect(warm({})).toEqual([]);
    expect(warm({ equalises: true })).toEqual(['stop charging radio']);
  });

  it('tells one word of its volts, the gravest of all batteries', () => {
    const one = (cellsInSeries: number, name: string) => pack({ cellsInSeries, name });
    const highest = (packs: readonly ReturnType<typeof pack>[]) =>
      checkHarness(sound, facts({ packs, inParallel: false, radios: [{ ...radio, maxV: 13.65 }] })).filter(
        ({ rule }) => rule === 'full',
      );
    // Four cells stand at 13.70 V: less than a tenth over is not sure. Five stand at 17.13 V.
    expect(highest([one(4, 'four')]).map(({ severity }) => severity)).toEqual(['look']);
    for (const packs of [
      [one(4, 'four'), one(5, 'five')],
      [one(5, 'five'), one(4, 'four')],
    ])
      expect(highest(packs).map(({ severity, has }) => `${severity} ${has}`)).toEqual(['stop 17.13 V']);
    expect(highest([one(3, 'three'), one(4, 'four')]).map(({ severity }) => severity)).toEqual(['look']);
  });
});

describe('what is said of the sun in a harness', () => {
  it('holds each controller against its own panels, and a station’s input against those that lead to it', () => {
    const parts = [
      ...sound,
      part('other', 'controller', 'battery', wired),
      part('wing', 'panel', 'other', { ...copper(4, 3, 1), near: flat, far: flat }),
    ];
    const given = {
      panels: [panel, { ...panel, part: 'wing', name: 'wing', coldV: 35 }],
      controllers: [
        { ...mppt, maxInputV: 30 },
        { ...mppt, part: 'other', name: 'other' },
      ],
    };
    expect(toldOf(parts, given)).toEqual([]);
    expect(
      toldOf(parts, { ...given, controllers: [mppt, { ...given.controllers[1], maxInputV: 30 }] }),
    ).toEqual(['stop input other']);
    const input = (part: string) =>
      toldOf(parts, { ...given, inputs: [{ part, name: 'Tarn', maxInputV: 30 }] });
    expect(input('mppt')).toEqual([]);
    expect(input('other')).toEqual(['stop input other']);
  });

  it('tells a stop of the second battery rather than a look of the first', () => {
    const agm = pack({ name: 'first', chemistry: 'agm', cellsInSeries: 6 });
    const iron = pack({ part: 'second', name: 'second' });
    const set = (packs: readonly ReturnType<typeof pack>[]) =>
      toldBy('setpoint', sound, {
        packs,
        inParallel: false,
        controllers: [{ ...mppt, profiles: ['agm', 'lifepo4'], chargesToV: 15.4 }],
      });
    expect(set([agm, iron]).severity).toBe('stop');
    expect(set([agm, iron]).sentence).toContain('second');
    expect(set([iron, agm]).sentence).toContain('second');
    expect(set([agm]).severity).toBe('look');
  });

  it('tells of a charger what concerns no battery also without one', () => {
    const charger = {
      ...{ name: 'Ebb 5', maxA: 5, hasEnd: true, profiles: ['lifepo4' as const], hours: 20, starterA: 6 },
      fromVehicle: true,
      generator: { name: 'Drone', ratedW: 100, takenW: 200, inQuiet: false },
    };
    const places = (packs: HarnessFacts['packs']) =>
      checkHarness(sound, facts({ packs, chargers: [charger] }))
        .filter(({ rule }) => rule === 'starter' || rule === 'generator')
        .map(({ rule, part: where, on }) => `${rule} ${where} ${on}`);
    expect(places([])).toEqual(['generator null kit', 'starter null kit']);
    expect(places([pack()])).toEqual(['generator battery part', 'starter battery part']);
    // A usual limit, not a maker's.
    const unsure = pack({ chargeEntered: undefined as never, maxChargeA: 3 });
    expect(
      toldOf(sound, { packs: [unsure], chargers: [{ ...charger, starterA: null, generator: null }] }),
    ).toEqual(['look accepts battery', 'look accepts mppt']);
    const unknown = pack({ maxChargeA: undefined as never });
    expect(
      toldOf(sound, { packs: [unknown], chargers: [{ ...charger, starterA: null, generator: null }] }),
    ).toEqual([]);
  });
});
