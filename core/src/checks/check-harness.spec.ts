import { checkedPack, copper, factsOf, part, still } from '../testing/harness.js';
import type { HarnessPart } from '../harness/harness.js';
import { SEVERITIES } from './check.js';
import { checkHarness } from './check-harness.js';
import type { HarnessFacts } from './facts.js';

const flat = { family: 'flat30', end: 'plug' } as const;
const wired = { ...copper(2.5, 0.6, 1), fuseA: 10, near: flat, far: flat };
const good: readonly HarnessPart[] = [
  part('battery', 'battery', null),
  part('radio', 'radio', 'battery', wired),
];
const facts = (more: Partial<HarnessFacts> = {}): HarnessFacts =>
  factsOf({
    flow: still({
      draws: new Map([['radio', { receiveA: 0.3, keyDownA: 4, safeForA: 4 }]]),
      lowV: { receive: 12.8, keyDown: 12.7 },
    }),
    packs: [checkedPack()],
    radios: [{ part: 'radio', name: 'radio', mostW: 10, dropoutV: 9, fullPowerV: 12.5, maxV: 15 }],
    ...more,
  });
const panel = {
  part: 'panel',
  name: 'panel',
  labelVmpV: 18,
  labelVocV: 22,
  coldV: 26,
  shortA: 2,
  stringA: 2,
  strings: 1,
  bestA: 1,
};
const rules = (parts: readonly HarnessPart[], given = facts()) =>
  checkHarness(parts, given).map(({ rule, part: where, severity }) => `${severity} ${rule} ${where}`);

describe('a harness against all rules', () => {
  it('tells each breach at its place, the gravest first', () => {
    const thin = [good[0], part('radio', 'radio', 'battery', { ...wired, ...copper(0.5, 3), fuseA: null })];
    expect(rules(thin)).toEqual(['stop fuse radio', 'look drop radio', 'look floor radio']);
    // A plan that gets to where the radio shuts off is stopped by it.
    const shutsOff = facts({ radios: [{ ...facts().radios[0], dropoutV: 12.4 }] });
    expect(rules(thin, shutsOff)).toContain('look floor radio');
    expect(rules(thin, { ...shutsOff, getsToDropout: true })).toContain('stop floor radio');
  });

  it('tells the gravest first also where rules are looked at in another order', () => {
    const sun = facts({
      controllers: [{ part: 'mppt', name: 'mppt', limits: true, maxInputV: 25, heard: [], hasLoads: false }],
      panels: [panel],
    });
    const thin = part('radio', 'radio', 'battery', { ...wired, ...copper(0.5, 3) });
    const severities = checkHarness([good[0], thin, part('panel', 'panel', 'radio', wired)], sun).map(
      ({ severity }) => severity,
    );
    expect(new Set(severities).size).toBeGreaterThan(1);
    expect(severities).toEqual([...severities].sort((a, b) => SEVERITIES.indexOf(a) - SEVERITIES.indexOf(b)));
    expect(severities[0]).toBe('stop');
  });

  it('holds a fuse against the wire behind it, not against the panel’s', () => {
    const lamp = part('lamp', 'load', 'box', { ...copper(0.5, 1), near: flat, far: flat });
    const box = part('box', 'distribution', 'battery', { ...wired, fuseA: 30 });
    const found = rules([good[0], box, { ...good[1], from: 'box' }, lamp]);
    expect(found).toContain('stop guards lamp');
  });

  it('sees the loads disconnected only where all of them hang behind what opens', () => {
    const unguarded = facts({ packs: [{ ...facts().packs[0], protects: false }] });
    const behind = [
      good[0],
      part('opens', 'disconnect', 'battery', wired),
      part('radio', 'radio', 'opens', wired),
    ];
    expect(rules(good, unguarded)).toContain('stop disconnect battery');
    expect(rules(behind, unguarded).filter((one) => one.includes('disconnect'))).toEqual([]);
    const beside = [...behind, part('lamp', 'load', 'battery', wired)];
    expect(rules(beside, unguarded)).toContain('stop disconnect battery');
  });

  it('sees an amplifier that hangs before what opens', () => {
    const unguarded = facts({ packs: [{ ...facts().packs[0], protects: false }] });
    const behind = [
      good[0],
      part('opens', 'disconnect', 'battery', wired),
      part('radio', 'radio', 'opens', wired),
    ];
    const booster = part('booster', 'amplifier', 'battery', wired);
    expect(rules([...behind, booster], unguarded)).toContain('stop disconnect battery');
    expect(rules([...behind, { ...booster, from: 'opens' }], unguarded)).not.toContain(
      'stop disconnect battery',
    );
  });

  it('asks for a fuse in the cable of each battery behind a joint, not in those that leave the joint', () => {
    const joint = [
      part('joint', 'distribution', null),
      part('battery', 'battery', 'joint', { ...wired, fuseA: null }),
      part('radio', 'radio', 'joint', { ...wired, fuseA: null }),
    ];
    const found = rules(joint);
    expect(found).toContain('stop fuse battery');
    expect(found).not.toContain('stop fuse radio');
  });

  it('says in one note which runs nobody knows', () => {
    const small = { receiveA: 0.1, keyDownA: 0.1, safeForA: 0.1 };
    const drawn = {
      ...facts().flow,
      draws: new Map([...facts().flow.draws, ['lamp', small], ['fan', small]]),
    };
    const unknown = ['lamp', 'fan'].map((id) => part(id, 'load', 'battery', { fuseA: 1 }));
    expect(rules([...good, ...unknown], facts({ flow: drawn }))).toEqual(['note unknown null']);
    // What draws nothing needs no word.
    expect(rules([...good, ...unknown])).toEqual([]);
  });

  it('holds every battery that the sun reaches against it, not the first alone', () => {
    const controller = { part: 'mppt', name: 'mppt', limits: true, heard: [], hasLoads: false } as const;
    const parts = [
      part('joint', 'joint', null),
      part('one', 'battery', 'joint', wired),
      part('two', 'battery', 'joint', wired),
      part('radio', 'radio', 'joint', wired),
      part('mppt', 'controller', 'joint', wired),
      part('panel', 'panel', 'mppt', wired),
    ];
    const packs = [
      checkedPack({ part: 'one', name: 'one' }),
      checkedPack({ part: 'two', name: 'two', chemistry: 'agm', cellsInSeries: 6 }),
    ];
    const given = { packs, panels: [panel], inParallel: false };
    const found = (profiles: readonly ('lifepo4' | 'agm')[]) =>
      rules(parts, facts({ ...given, controllers: [{ ...controller, profiles }] }));
    expect(found(['lifepo4', 'agm'])).not.toContain('stop profile mppt');
    expect(found(['lifepo4'])).toContain('stop profile mppt');
    expect(found(['agm'])).toContain('stop profile mppt');
    // One after the other: nothing keeps them apart.
    expect(found(['agm'])).toContain('stop changeover joint');
    const apart = parts.with(0, part('joint', 'changeover', null));
    expect(rules(apart, facts(given))).not.toContain('stop changeover joint');
  });

  it('asks no fuse of a power station, and a note of one before cells in a holder', () => {
    const bare = [
      part('battery', 'station', null),
      part('radio', 'radio', 'battery', { ...wired, fuseA: null }),
    ];
    expect(rules(bare, facts({ packs: [checkedPack({ hasSocket: true, socketA: 10 })] }))).toEqual([]);
    const cells = [
      part('battery', 'battery', null),
      part('radio', 'radio', 'battery', { ...wired, fuseA: null }),
    ];
    const holder = checkedPack({ ofCells: true, chemistry: 'alkaline', cellsInSeries: 8, capacityAh: 2.5 });
    expect(rules(cells, facts({ packs: [holder] }))).toEqual(['note fuse radio']);
  });

  it('holds the solar input of a power station against the panels', () => {
    const parts = [
      part('battery', 'station', null),
      part('radio', 'radio', 'battery', wired),
      part('panel', 'panel', 'battery', copper(2.5, 2)),
    ];
    const given = (input: { maxInputV?: number }) =>
      facts({
        packs: [checkedPack({ hasSocket: true, socketA: 10, coldProtected: true })],
        panels: [{ ...panel, labelVmpV: 18, labelVocV: 22, coldV: 50 }],
        inputs: [{ part: 'battery', name: 'Tarn', ...input }],
      });
    expect(rules(parts, given({ maxInputV: 28 }))).toContain('stop input battery');
    expect(rules(parts, given({ maxInputV: 60 }))).toEqual([]);
    expect(rules(parts, given({}))).toEqual(['look input battery']);
  });

  it('looks at what a charger does that stays joined, as it does at the sun', () => {
    const tender = facts({ radios: [{ ...facts().radios[0], maxV: 14.2 }] });
    expect(rules(good, tender)).toEqual([]);
    expect(rules(good, { ...tender, hasCharger: true })).toEqual(['stop charging radio']);
    const cells = facts({ packs: [checkedPack({ chemistry: 'alkaline', cellsInSeries: 8 })] });
    expect(rules(good, { ...cells, hasCharger: true })).toContain('stop primary battery');
    expect(rules(good, cells)).not.toContain('stop primary battery');
  });

  it('names mains voltage wherever it is made', () => {
    const outlet = { ...part('mains', 'outlet', 'battery'), run: null };
    expect(rules([...good, outlet])).toEqual(['note outlet mains']);
  });
});
