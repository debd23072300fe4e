import { copper, part } from '../testing/harness.js';
import type { HarnessPart } from '../harness/harness.js';
import { checkHarness } from './check-harness.js';
import type { HarnessFacts } from './facts.js';

const flat = { family: 'flat30', end: 'plug' } as const;
const wired = { ...copper(2.5, 0.6, 1), fuseA: 10, near: flat, far: flat };
const good: readonly HarnessPart[] = [
  part('battery', 'battery', null),
  part('radio', 'radio', 'battery', wired),
];
const facts = (more: Partial<HarnessFacts> = {}): HarnessFacts => ({
  flow: {
    draws: new Map([['radio', { receiveA: 0.3, keyDownA: 4, safeForA: 4 }]]),
    charging: new Map(),
    floorV: { receive: 12.8, keyDown: 12.7 },
    batteryShare: 1,
    temperatureC: 20,
  },
  packs: [
    {
      part: 'battery',
      name: 'battery',
      chemistry: 'lifepo4',
      cellsInSeries: 4,
      health: 1,
      meanA: 0.6,
      keyDownA: 4,
      continuousA: 10,
      peakA: 20,
      protects: true,
      hasSocket: false,
      capacityAh: 18,
      soc: 1,
    },
  ],
  inParallel: true,
  radios: [{ part: 'radio', name: 'radio', dropoutV: 9, fullPowerV: 12.5, maxV: 15 }],
  controllers: [],
  panels: [],
  inverters: [],
  coldC: 12,
  storedDays: 0,
  standingA: 0,
  singles: [],
  missing: [],
  ...more,
});
const rules = (parts: readonly HarnessPart[], given = facts()) =>
  checkHarness(parts, given).map(({ rule, part: where, severity }) => `${severity} ${rule} ${where}`);

describe('a harness against all rules', () => {
  it('that is sound has nothing to be told', () => {
    expect(rules(good)).toEqual([]);
  });

  it('tells each breach at its place, the gravest first', () => {
    const thin = [good[0], part('radio', 'radio', 'battery', { ...wired, ...copper(0.5, 3), fuseA: null })];
    expect(rules(thin)).toEqual(['stop fuse radio', 'look drop radio', 'look floor radio']);
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

  it('sees a controller in the cold, and a panel that goes straight to the radio', () => {
    const sun = facts({
      coldC: -5,
      controllers: [{ part: 'mppt', name: 'mppt', limits: true, maxInputV: 25, heard: [], hasLoads: false }],
      panels: [{ part: 'panel', name: 'panel', coldV: 26, shortA: 2, bestA: 1 }],
    });
    const found = rules(
      [...good, part('mppt', 'controller', 'battery', wired), part('panel', 'panel', 'mppt', wired)],
      sun,
    );
    expect(found).toContain('stop cold battery');
    expect(found).toContain('stop input mppt');
    const straight = rules([...good, part('panel', 'panel', 'radio', wired)], sun);
    expect(straight).toContain('stop straight panel');
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
});
