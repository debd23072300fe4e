import { allKits, isReason, kitName, piecesAh } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { resolve } from '../resolve/resolve.js';
import { readTrip } from '../schemas/read.js';
import { cobble, curlew, relay, shale, trip } from '../testing/documents.js';
import { idealFigures } from './ideal-figures.js';
import { rationOf, rationStretches, USUAL_RATION_OPTIONS, withRation } from './ration-trip.js';
import { sizeProblems, USUAL_SIZE_OPTIONS } from './size-options.js';
import { shelfSpace, withKit } from './size-space.js';

const figure = (value: number) => ({ value, source: 'datasheet' }) as const;
const common = { schema: 'knapsack.gear', version: 8 } as const;
const panel = (id: string, change: object = {}): Gear =>
  ({
    ...common,
    id,
    kind: 'panel',
    name: id,
    watts: figure(40),
    technology: 'good_mono',
    weightG: figure(1200),
    ...change,
  }) as Gear;
const controller = (id: string, change: object = {}): Gear =>
  ({
    ...common,
    id,
    kind: 'controller',
    name: id,
    type: 'mppt',
    maxA: figure(8),
    weightG: figure(200),
    ...change,
  }) as Gear;
const weighed = (gear: Gear, grams: number): Gear => ({ ...gear, weightG: figure(grams) });

const shelf: readonly Gear[] = [
  curlew,
  relay,
  weighed(shale, 1200),
  weighed(cobble, 4000),
  panel('frond'),
  controller('rill', { maxInputV: figure(30), selfUseA: figure(0.01) }),
  controller('weir', { profiles: ['agm'] }),
];
const outing: Trip = trip({
  place: { name: 'islet', timeZone: 'Europe/Oslo', latitudeDeg: 59, longitudeDeg: 5 },
  weather: { air: 'clean', cloud: 0, windMS: 1.5, climate: 'maritime' },
  loadout: [
    { gear: 'curlew', count: 1 },
    { gear: 'shale', count: 1 },
    { gear: 'frond', count: 1 },
    { gear: 'rill', count: 1 },
    { gear: 'relay', count: 1 },
  ],
});

function space(of: Trip = outing, gear = shelf, options = USUAL_SIZE_OPTIONS) {
  const found = shelfSpace(of, gear, options);
  if (!found.ok) throw new Error(found.problems[0].sentence);
  return found.value;
}

describe('the kits of a shelf', () => {
  it('are batteries in parallel and in turn, with no panel or with panels on each controller, laid out each way', () => {
    const { batteries, suns } = space();
    expect(batteries.filter(({ name }) => name.includes('Shale')).map(({ name }) => name)).toEqual([
      'Shale',
      '2 × Shale',
      '2 × Shale, one after another',
      '3 × Shale',
      '3 × Shale, one after another',
      '4 × Shale',
      '4 × Shale, one after another',
    ]);
    expect(suns[0].name).toBe('no panel');
    expect(suns.map(({ name }) => name)).toContain('2 × frond in series on weir, propped');
    expect(suns.map(({ name }) => name)).toContain('frond on rill, flat');
  });

  it('are barred with the sentence that the plan itself would say', () => {
    const { space: kits } = space();
    const { ruledOut } = allKits(kits, {});
    const rule = (name: string) => ruledOut.find((one) => one.rule === name)?.sentence;
    expect(rule('cold voltage')).toContain('it would be destroyed');
    expect(rule('charge profile')).toContain('weir has no charge profile');
    const weak = [
      ...shelf.filter(({ id }) => id !== 'shale'),
      { ...weighed(shale, 1), continuousA: figure(0.5) } as Gear,
    ];
    expect(allKits(space(outing, weak).space, {}).ruledOut.map(({ rule: name }) => name)).toContain(
      'peak discharge',
    );
  });

  it('do without a panel where nobody knows the sky', () => {
    const { weather: _none, ...unknown } = outing;
    const { space: kits } = space(unknown);
    expect(allKits(kits, {}).allowed.every(({ sun }) => sun === 0)).toBeTrue();
    expect(allKits(kits, {}).ruledOut.map(({ rule }) => rule)).toContain('sky not known');
  });

  it('do without a panel where nobody knows the place', () => {
    const { space: kits } = space(trip());
    expect(allKits(kits, {}).allowed.every(({ sun }) => sun === 0)).toBeTrue();
    expect(allKits(kits, {}).ruledOut[0].rule).toBe('place not known');
  });

  it('count the controller’s own draw once, with the controller', () => {
    const { space: kits } = space();
    expect(kits.plan.accessories.map(({ name }) => name)).toEqual(['relay']);
    expect(kits.suns.find(({ name }) => name === 'frond on rill, flat')!.selfUseA).toBe(0.01);
  });

  it('leave wished-for and put-away gear alone unless asked', () => {
    const extra: Gear[] = [
      { ...weighed(shale, 900), id: 'dream', name: 'dream', wished: true },
      { ...weighed(shale, 900), id: 'old', name: 'old', archived: true },
    ];
    const names = (wished: boolean) =>
      space(outing, [...shelf, ...extra], { ...USUAL_SIZE_OPTIONS, wished }).batteries.map(
        ({ name }) => name,
      );
    expect(names(false)).not.toContain('dream');
    expect(names(true)).toContain('dream');
    expect(names(true)).not.toContain('old');
  });

  it('go into the bag where the old kit was, as a trip that can be read', () => {
    const found = space();
    const { allowed } = allKits(found.space, {});
    for (const kit of allowed) {
      const changed = withKit(outing, shelf, found, kit);
      const read = readTrip(changed);
      if (!read.ok) throw new Error(read.problems[0].sentence);
      expect(changed.loadout[0].gear).toBe('curlew');
      expect(changed.loadout.at(-1)!.gear).toBe('relay');
      const name = kitName(found.batteries[kit.battery], found.suns[kit.sun]);
      expect(changed.loadout.length)
        .withContext(name)
        .toBe(kit.sun === 0 ? 3 : 5);
    }
  });

  it('share one sun for chemistries that differ in nothing but the profile', () => {
    const rill = space().space.suns.find(({ name }) => name === 'frond on rill, flat')!;
    const plans = Object.values(rill.by!).filter((of) => !isReason(of));
    expect(plans.length).toBe(2);
    expect(new Set(plans).size).toBe(1);
  });
});

describe('questions that cannot be asked', () => {
  it('get a sentence', () => {
    const say = (change: object) =>
      sizeProblems({ ...USUAL_SIZE_OPTIONS, ...change }).map(({ sentence }) => sentence);
    expect(say({})).toEqual([]);
    expect(say({ chance: 1 })[0]).toContain('Nothing is certain');
    expect(say({ chance: 0 })[0]).toContain('above 0 %');
    expect(say({ chance: NaN })[0]).toContain('above 0 %');
    expect(say({ limits: { grams: -2 } })[0]).toContain('limit on the weight must be above 0');
    expect(say({ aims: [] })[0]).toContain('at least one way');
    const empty = shelfSpace(outing, [curlew], USUAL_SIZE_OPTIONS);
    expect(empty.ok ? '' : empty.problems[0].sentence).toContain('no battery on the shelf');
    const silent = shelfSpace({ ...outing, loadout: [] }, shelf, USUAL_SIZE_OPTIONS);
    expect(silent.ok ? '' : silent.problems[0].sentence).toContain('Put a radio in the bag');
  });
});

describe('the ration of a trip', () => {
  const small = trip({
    loadout: [
      { gear: 'curlew', count: 1 },
      { gear: 'small', count: 1 },
    ],
  });
  const gear: readonly Gear[] = [curlew, { ...shale, id: 'small', ratedAh: figure(1.2) }];

  it('becomes blocks of the same work inside the old ones', () => {
    const found = rationOf(small, gear, USUAL_RATION_OPTIONS);
    if (!found.ok) throw new Error(found.problems[0].sentence);
    const changed = withRation(small, found.value);
    const read = readTrip(changed);
    if (!read.ok) throw new Error(read.problems[0].sentence);
    const [old] = small.blocks;
    for (const block of changed.blocks) {
      expect(block.mode).toBe('CW');
      expect(Date.parse(block.start)).toBeGreaterThanOrEqual(Date.parse(old.start));
      expect(Date.parse(block.end)).toBeLessThanOrEqual(Date.parse(old.end));
    }
    const hours = rationStretches(found.value).reduce(
      (sum, { startMs, endMs }) => sum + (endMs - startMs),
      0,
    );
    expect(hours).toBe(2 * 3_600_000);
  });

  it('says what is missing', () => {
    const say = (of: Trip, chance = 0.9) => {
      const found = rationOf(of, gear, { ...USUAL_RATION_OPTIONS, chance });
      return found.ok ? '' : found.problems[0].sentence;
    };
    expect(say({ ...small, blocks: [] })).toContain('no hours of work');
    expect(say(small, 1)).toContain('Nothing is certain');
    expect(say({ ...small, loadout: [] })).toContain('Put a radio in the bag');
  });
});

describe('the ideal figures', () => {
  it('come one after the other and end with the panel for ever', () => {
    const all = [...idealFigures(outing, shelf, 0.9)].map((figures) => (figures.ok ? figures.value : null));
    const last = all.at(-1)!;
    expect(all[0]!.trade.points.length).toBe(1);
    expect(last.trade.chemistry).toBe('lifepo4');
    expect(last.batteries.length).toBe(8);
    const of = (chemistry: string) =>
      last.batteries.find((battery) => battery.chemistry === chemistry)!.ampereHours!;
    // Lead keeps half of its rating.
    expect(of('agm')).toBeGreaterThan(1.5 * of('lifepo4'));
    const bare = {
      ...outing,
      loadout: outing.loadout.filter(({ gear }) => gear !== 'frond' && gear !== 'rill'),
    };
    const [first] = idealFigures(bare, shelf, 0.9);
    const [, second] = idealFigures(bare, shelf, 0.9);
    // Without a panel in the bag one of the shelf is gone by: less battery beside some watts than beside none.
    expect(first.ok && second.ok && second.value.trade.points[1].ampereHours[0]!).toBeLessThan(
      (first.ok && first.value.trade.points[0].ampereHours[0]!) || 0,
    );
    expect(last.forEver!.month).toBe(9);
    expect(last.forEver!.watts).toBeGreaterThan(10);
  });
});

describe('a device that the sun charges', () => {
  const tablet: Gear = {
    ...{ ...common, id: 'tablet', kind: 'accessory', name: 'tablet', via: 'usb' },
    ...{ drawW: figure(6), rule: { when: 'always' }, weightG: figure(300) },
    internal: { wattHours: figure(20), chargeW: figure(9) },
  } as Gear;
  const of: Trip = {
    ...outing,
    loadout: [...outing.loadout, { gear: 'tablet', count: 1, ownCells: { feed: 'sun', soc: 0.2 } }],
  };

  it('takes the same in the search as in the plan', () => {
    const gear = [...shelf, tablet];
    const plan = resolve(of, gear);
    if (!plan.ok) throw new Error(plan.problems[0].sentence);
    const load = (loads: typeof plan.value.accessories) => loads.find(({ id }) => id === 'tablet')!.pieces;
    const searched = space(of, gear).space.plan;
    expect(load(plan.value.accessories).some(({ mean }) => mean.watts === 9)).toBeTrue();
    expect(piecesAh(load(searched.accessories))).toBeCloseTo(piecesAh(load(plan.value.accessories)), 1);
  });
});

describe('the order of a shelf', () => {
  it('changes nothing', () => {
    const names = (gear: readonly Gear[]) => {
      const { batteries, suns } = space(outing, gear);
      return [batteries.map(({ name }) => name), suns.map(({ name }) => name)];
    };
    expect(names([...shelf].reverse())).toEqual(names(shelf));
    expect(names(shelf)[0][0]).toContain('Cobble');
  });
});

describe('what travels with a trip', () => {
  it('is tried too, once, where the shelf has not got it', () => {
    const extra = weighed({ ...shale, id: 'zinc', name: 'Zinc' } as Gear, 700);
    const names = (gear?: Gear[]) =>
      space({ ...outing, ...(gear && { gear }) } as Trip).batteries.map(({ name }) => name);
    expect(names([extra])).toContain('Zinc');
    expect(names([weighed(shale, 9), cobble])).toEqual(names());
    expect(names([])).toEqual(names());
  });

  it('is asked nothing of a question that cannot be asked', () => {
    expect(shelfSpace(outing, shelf, { ...USUAL_SIZE_OPTIONS, chance: 1 }).ok).toBeFalse();
  });

  it('lays a panel that is turned out towards the sun every two hours, on a stand', () => {
    expect(space().aims.turned).toEqual(
      jasmine.objectContaining({ aim: { how: 'every', minutes: 120 }, mount: 'propped' }),
    );
    expect(space().aims.flat).toEqual(jasmine.objectContaining({ aim: { how: 'flat' }, mount: 'flat' }));
  });
});
