import fc from 'fast-check';
import { copper, part } from '../testing/harness.js';
import type { HarnessPart } from './harness.js';
import { ampsOutOf, cableRunFigures, type HarnessFlow, type LoadDraw } from './cable-run-figures.js';

const draw = (receiveA: number, keyDownA: number): LoadDraw => ({ receiveA, keyDownA, safeForA: keyDownA });
const flow = (draws: Record<string, LoadDraw>, more: Partial<HarnessFlow> = {}): HarnessFlow => ({
  draws: new Map(Object.entries(draws)),
  charging: new Map(),
  lowV: { receive: 12.8, keyDown: 12.6 },
  sources: new Map(),
  inParallel: false,
  temperatureC: 20,
  ...more,
});

describe('the figures of a harness', () => {
  const parts = [
    part('battery', 'battery', null),
    part('box', 'distribution', 'battery', { measuredOhm: 0.02, fuseA: 10 }),
    part('radio', 'radio', 'box', { measuredOhm: 0.03 }),
    part('lamp', 'load', 'box', copper(0.5, 1)),
  ];
  let figures: ReturnType<typeof cableRunFigures>;
  beforeAll(() => {
    figures = cableRunFigures(parts, flow({ radio: draw(0.3, 4), lamp: draw(0.5, 0.5) }));
  });

  it('add up towards the battery, and the volts fall along the way', () => {
    const box = figures.get('box')!;
    const radio = figures.get('radio')!;
    expect([box.receiveA, box.keyDownA]).toEqual([0.8, 4.5]);
    expect(box.keyDownV).toBeCloseTo(12.6 - 4.5 * 0.02, 9);
    expect(radio.keyDownV).toBeCloseTo(12.6 - 4.5 * 0.02 - 4 * 0.03, 9);
    expect(radio.dropShare).toBeCloseTo((4 * 0.03) / 12.51, 6);
  });

  it('count one radio that sends and others that receive, where one speaks at a time', () => {
    const two = [...parts, part('other', 'radio', 'box', { measuredOhm: 0.03 })];
    const draws = { radio: draw(0.3, 4), other: draw(0.2, 2), lamp: draw(0.5, 0.5) };
    const all = cableRunFigures(two, flow(draws));
    const one = cableRunFigures(two, flow(draws, { oneSpeaks: ['radio', 'other'] }));
    expect(all.get('box')!.keyDownA).toBeCloseTo(6.5, 12);
    expect(one.get('box')!.keyDownA).toBeCloseTo(4 + 0.2 + 0.5, 12);
    // Each run of a radio still has all of it, and must be safe for both.
    expect(one.get('radio')!.keyDownA).toBe(4);
    expect(one.get('other')!.keyDownA).toBe(2);
    expect(one.get('box')!.safeForA).toBe(all.get('box')!.safeForA);
    expect(ampsOutOf(two, flow(draws, { oneSpeaks: ['radio', 'other'] }), 'keyDownA')).toBeCloseTo(4.7, 12);
    expect(ampsOutOf(two, flow(draws, { oneSpeaks: ['radio'] }), 'keyDownA')).toBeCloseTo(6.5, 12);
  });

  it('know the fuse that guards a run: the nearest towards the battery', () => {
    expect(figures.get('lamp')!.guardA).toBe(10);
    const unfused = parts.with(1, part('box', 'distribution', 'battery', { fuseA: null }));
    expect(cableRunFigures(unfused, flow({})).get('lamp')!.guardA).toBeNull();
  });

  it('tell no volts lost on a run that is not entered, nor behind it, and the smallest fuse that is sold', () => {
    const unknown = cableRunFigures(
      [parts[0], part('radio', 'radio', 'battery')],
      flow({ radio: draw(1, 9) }),
    );
    expect(unknown.get('radio')).toEqual(
      jasmine.objectContaining({
        ohm: null,
        keyDownDropV: null,
        keyDownV: null,
        dropShare: null,
        ampacityA: null,
        wantsA: 15,
      }),
    );
  });

  it('share the load among batteries behind a joint, whose fuses guard what follows', () => {
    const joint = [
      part('joint', 'joint', null),
      part('one', 'battery', 'joint', { fuseA: 15 }),
      part('two', 'battery', 'joint', { fuseA: 20 }),
      part('radio', 'radio', 'joint', copper(2.5, 1)),
    ];
    const shared = cableRunFigures(joint, flow({ radio: draw(1, 12) }, { inParallel: true }));
    expect(shared.get('one')!.keyDownA).toBe(6);
    expect(shared.get('radio')!.keyDownA).toBe(12);
    // Both feed a short circuit behind the joint at once; one after the other the larger of them does.
    expect(shared.get('radio')!.guardA).toBe(35);
    expect(cableRunFigures(joint, flow({ radio: draw(1, 12) })).get('radio')!.guardA).toBe(20);
  });

  it('make each of several batteries in parallel safe for three fifths of the whole', () => {
    const joint = [
      part('joint', 'joint', null),
      part('one', 'battery', 'joint', copper(2.5, 0.5)),
      part('two', 'battery', 'joint', copper(2.5, 0.5)),
      part('radio', 'radio', 'joint', copper(2.5, 1)),
    ];
    const one = (inParallel: boolean) =>
      cableRunFigures(joint, flow({ radio: draw(1, 20) }, { inParallel })).get('one')!;
    expect([one(true).keyDownA, one(true).safeForA]).toEqual([10, 12]);
    expect([one(false).keyDownA, one(false).safeForA]).toEqual([20, 20]);
    // What their own cables lose is missing behind the joint.
    const behind = cableRunFigures(joint, flow({ radio: draw(1, 20) }, { inParallel: true })).get('radio')!;
    expect(behind.keyDownV).toBeCloseTo(12.6 - 10 * one(true).ohm! - 20 * behind.ohm!, 9);
  });

  it('share the load by the resistance of the batteries and of their cables', () => {
    const joint = [
      part('joint', 'joint', null),
      part('near', 'battery', 'joint', copper(6, 0.2)),
      part('far', 'battery', 'joint', copper(1.5, 4)),
      part('radio', 'radio', 'joint', copper(6, 1)),
    ];
    const sources = new Map(['near', 'far'].map((id) => [id, { fullV: 13.6, ohmicOhm: 0.0125 }] as const));
    const figures = cableRunFigures(joint, flow({ radio: draw(1, 22) }, { inParallel: true, sources }));
    const [near, far] = [figures.get('near')!, figures.get('far')!];
    expect(near.keyDownA + far.keyDownA).toBeCloseTo(22, 9);
    // Both branches lose the same: current x (inside + cable).
    expect(near.keyDownA * (0.0125 + near.ohm!)).toBeCloseTo(far.keyDownA * (0.0125 + far.ohm!), 9);
    expect(near.keyDownA).toBeGreaterThan(4 * far.keyDownA);
  });

  it('take the fault current of one battery, and of all that feed a joint', () => {
    const sources = new Map(
      ['one', 'two', 'three'].map((id) => [id, { fullV: 13.6, ohmicOhm: 0.25 / 12 }] as const),
    );
    const alone = [part('one', 'battery', null), part('radio', 'radio', 'one', { fuseAtM: 0.2 })];
    const single = cableRunFigures(alone, flow({}, { sources })).get('radio')!.faultA!;
    // 12 Ah with 20 cm of AWG 12 is about where a blade's 1 kA ends: 13.6 V / (0.0104 + 0.0021) ohm.
    expect(single).toBeCloseTo(1088, -1);
    const joint = [
      part('joint', 'joint', null),
      ...['one', 'two', 'three'].map((id) => part(id, 'battery', 'joint', { fuseAtM: 0.2 })),
      part('radio', 'radio', 'joint', { fuseAtM: 0.2 }),
      part('lamp', 'load', 'radio', { fuseAtM: 0.2 }),
    ];
    const fault = (id: string, inParallel: boolean) =>
      cableRunFigures(joint, flow({}, { sources, inParallel })).get(id)!.faultA;
    expect(fault('radio', true)).toBeCloseTo(3 * single, 6);
    expect(fault('radio', false)).toBeCloseTo(single, 6);
    // Into its own branch the two others feed.
    expect(fault('one', true)).toBeCloseTo(2 * single, 6);
    expect(fault('lamp', true)).toBeNull();
  });

  it('carry power through a converter, on both sides', () => {
    const regulated = [
      part('battery', 'battery', null),
      { ...part('reg', 'converter', 'battery', copper(6, 0.5)), supply: { volts: 13.8, efficiency: 0.9 } },
      part('radio', 'radio', 'reg', copper(6, 0.5)),
    ];
    const low = { receive: 12.8, keyDown: 12.222 };
    const found = cableRunFigures(regulated, flow({ radio: draw(1, 22) }, { lowV: low }));
    // 22 A x 13.8 V / (0.9 x 12.22 V).
    expect(found.get('reg')!.keyDownA).toBeCloseTo(27.6, 1);
    expect(found.get('reg')!.wantsA).toBe(35);
    expect(found.get('radio')!.keyDownA).toBe(22);
    expect(found.get('radio')!.keyDownV).toBeCloseTo(13.8 - 22 * found.get('radio')!.ohm!, 9);
  });

  it('are the same in whatever order the parts are named', () => {
    const there = [...figures.entries()];
    const back = cableRunFigures(parts.toReversed(), flow({ radio: draw(0.3, 4), lamp: draw(0.5, 0.5) }));
    for (const [id, one] of there) expect(back.get(id)).toEqual(one);
  });

  it('know the volts that the receiver has too, along the whole way', () => {
    const ohm = figures.get('lamp')!.ohm!;
    expect(figures.get('box')!.receiveV).toBeCloseTo(12.8 - 0.8 * 0.02, 9);
    expect(figures.get('radio')!.receiveV).toBeCloseTo(12.8 - 0.8 * 0.02 - 0.3 * 0.03, 9);
    expect(figures.get('lamp')!.receiveV).toBeCloseTo(12.8 - 0.8 * 0.02 - 0.5 * ohm, 9);
    expect(figures.get('lamp')!.receiveDropV).toBeCloseTo(0.5 * ohm, 9);
    expect(figures.get('box')!.receiveDropV).toBeCloseTo(0.8 * 0.02, 9);
  });

  it('know what guards a run: a converter’s limit, no fuse where one battery has none, nothing where one is not entered', () => {
    const behind = (maxA: number | undefined) =>
      cableRunFigures(
        [
          part('battery', 'battery', null),
          {
            ...part('reg', 'converter', 'battery', { fuseA: 10 }),
            supply: { volts: 13.8, efficiency: 0.9 },
            ...(maxA !== undefined && { maxA }),
          },
          part('radio', 'radio', 'reg', copper(2.5, 1)),
        ],
        flow({ radio: draw(1, 2) }),
      ).get('radio')!.guardA;
    expect([behind(5), behind(undefined)]).toEqual([5, undefined]);
    const joint = (one: number | null | undefined, two: number | null | undefined, own?: number) =>
      cableRunFigures(
        [
          part('joint', 'joint', null),
          part('one', 'battery', 'joint', { fuseA: one }),
          part('two', 'station', 'joint', { fuseA: two }),
          part('radio', 'radio', 'joint', { ...copper(2.5, 1), fuseA: own }),
        ],
        flow({ radio: draw(1, 2) }, { inParallel: true }),
      );
    expect(joint(10, 15).get('radio')!.guardA).toBe(25);
    expect(joint(10, null).get('radio')!.guardA).toBeNull();
    expect(joint(10, undefined).get('radio')!.guardA).toBeUndefined();
    expect(joint(null, undefined).get('radio')!.guardA).toBeUndefined();
    expect(joint(10, 15, 5).get('radio')!.guardA).toBe(5);
    // A battery's own cable is guarded by its own fuse alone.
    expect([joint(10, 15).get('one')!.guardA, joint(null, 15).get('one')!.guardA]).toEqual([10, null]);
  });

  it('feed a converter behind another with the volts of that one', () => {
    const chain = [
      part('battery', 'battery', null),
      { ...part('up', 'converter', 'battery', copper(6, 0.5)), supply: { volts: 24, efficiency: 0.9 } },
      { ...part('down', 'converter', 'up', copper(6, 0.5)), supply: { volts: 5, efficiency: 0.8 } },
      part('phone', 'load', 'down', copper(1, 0.5)),
    ];
    const found = cableRunFigures(chain, flow({ phone: draw(2, 2) }));
    // 2 A at 5 V are 12.5 W at 24 V, which are 13.9 W at the battery.
    expect(found.get('down')!.keyDownA).toBeCloseTo(12.5 / 24, 9);
    expect(found.get('up')!.keyDownA).toBeCloseTo(12.5 / 0.9 / 12.6, 9);
    expect(found.get('up')!.receiveA).toBeCloseTo(12.5 / 0.9 / 12.8, 9);
    expect(ampsOutOf(chain, flow({ phone: draw(2, 2) }), 'keyDownA')).toBeCloseTo(12.5 / 0.9 / 12.6, 9);
    expect(found.get('down')!.keyDownV).toBeCloseTo(24 - (12.5 / 24) * found.get('down')!.ohm!, 9);
  });

  it('ends the way where parts hang in a ring', () => {
    const ring = [part('one', 'load', 'two', copper(1, 1)), part('two', 'load', 'one', copper(1, 1))];
    const found = cableRunFigures(ring, flow({ one: draw(1, 1), two: draw(2, 2) }));
    expect(found.get('one')!.keyDownA).toBe(3);
  });

  it('take the fault current of the strongest of batteries that are used in turn, and of the others into one’s own branch', () => {
    const sources = new Map([
      ['weak', { fullV: 13.6, ohmicOhm: 0.06 }],
      ['strong', { fullV: 13.6, ohmicOhm: 0.02 }],
    ]);
    const joint = [
      part('joint', 'joint', null),
      part('weak', 'battery', 'joint', { fuseAtM: 0.2 }),
      part('strong', 'battery', 'joint', { fuseAtM: 0.2 }),
      part('radio', 'radio', 'joint', { fuseAtM: 0.2 }),
    ];
    const fault = (id: string, inParallel: boolean) =>
      cableRunFigures(joint, flow({}, { sources, inParallel })).get(id)!.faultA!;
    expect(fault('radio', false)).toBe(fault('strong', false));
    expect(fault('strong', false)).toBeGreaterThan(fault('weak', false));
    expect(fault('radio', true)).toBeCloseTo(fault('strong', false) + fault('weak', false), 6);
    // In parallel the strong one feeds a fault in the weak one's branch; its own feeds its own.
    expect(fault('weak', true)).toBe(fault('strong', false));
    expect(fault('strong', true)).toBe(fault('strong', false));
  });

  it('never want less than 2 A before a radio', () => {
    const small = [
      part('battery', 'battery', null),
      part('radio', 'radio', 'battery', copper(1, 1)),
      part('lamp', 'load', 'battery', copper(1, 1)),
    ];
    const found = cableRunFigures(small, flow({ radio: draw(0.1, 0.4), lamp: draw(0.1, 0.4) }));
    expect([found.get('radio')!.wantsA, found.get('lamp')!.wantsA]).toEqual([2, 1]);
  });

  it('hold a panel’s run against its own volts', () => {
    const charging = new Map([['panel', { meanA: 1, mostA: 2, safeForA: 2.4, feedV: 18 }]]);
    const sun = [
      parts[0],
      part('controller', 'controller', 'battery'),
      part('panel', 'panel', 'controller', { measuredOhm: 0.09 }),
    ];
    const panel = cableRunFigures(sun, flow({}, { charging })).get('panel')!;
    expect(panel.mostDropV).toBeCloseTo(0.18, 9);
    expect(panel.dropShare).toBeCloseTo(0.01, 9);
    expect(panel.most).toBe(0.03);
  });

  it('conserve current: what leaves the battery is what the loads take, in any tree', () => {
    const trees = fc.array(
      fc.record({ under: fc.nat(), amps: fc.double({ min: 0, max: 20, noNaN: true }) }),
      {
        minLength: 1,
        maxLength: 12,
      },
    );
    fc.assert(
      fc.property(trees, (loads) => {
        const all: HarnessPart[] = [part('battery', 'battery', null)];
        loads.forEach(({ under }, index) => all.push(part(`l${index}`, 'load', all[under % all.length].id)));
        const draws = Object.fromEntries(loads.map(({ amps }, index) => [`l${index}`, draw(amps, amps)]));
        const found = cableRunFigures(all, flow(draws));
        const out = all
          .filter(({ from }) => from === 'battery')
          .reduce((sum, { id }) => sum + found.get(id)!.keyDownA, 0);
        const taken = loads.reduce((sum, { amps }) => sum + amps, 0);
        return Math.abs(out - taken) <= 1e-9 * Math.max(1, taken);
      }),
    );
  });
});
