import { HOUR_MS } from '../span.js';
import { FIELD_ACTS, fieldHour, fieldPlan } from '../testing/field-outings.js';
import { steadyLoad, whiteboardPlan } from '../testing/plans.js';
import { follow, type FieldLog } from '../field/follow.js';
import { play } from '../field/play.js';
import type { FieldReading } from '../field/reading.js';
import { underOtherSky } from '../instruments/other-sky.js';
import {
  chanceCarried,
  WATERFALL_STEPS,
  waterfall,
  type Waterfall,
  type WaterfallStep,
} from './waterfall.js';

const NOTHING: FieldLog = { readings: [], events: [] };
const few = { particles: 600 };
const hours = (count: number) => count * HOUR_MS;
const ah = ({ steps }: Waterfall, what: WaterfallStep) => steps.find((step) => step.what === what)!.ah;
const sum = ({ steps }: Waterfall) => steps.reduce((all, step) => all + step.ah, 0);
const outAh = (timeMs: number, read: number): FieldReading => ({
  ...{ id: 'a', timeMs, state: 'listening', source: 'typed' },
  values: { outAh: read },
});

describe('why more or less was used than planned', () => {
  it('sums up to the difference, whatever happened, one step for each reason', () => {
    for (const seed of [1, 2, 3]) {
      const plan = fieldPlan();
      const { log } = play(underOtherSky(plan, 'duller'), FIELD_ACTS, plan.outing.endMs, seed);
      const found = waterfall(plan, follow(plan, log, plan.outing.endMs, few));
      expect(found.steps.map(({ what }) => what)).toEqual([...WATERFALL_STEPS]);
      expect(sum(found)).toBeCloseTo(found.actualAh - found.plannedAh, 9);
    }
  });

  it('is nothing where all went as planned', () => {
    const plan = whiteboardPlan();
    const found = waterfall(plan, follow(plan, NOTHING, plan.outing.endMs, few));
    // An amp for ten hours.
    expect(found.plannedAh).toBeCloseTo(10, 1);
    expect(ah(found, 'work')).toBeCloseTo(0, 12);
    expect(Math.abs(found.actualAh - found.plannedAh)).toBeLessThan(0.05);
  });

  it('is the hours that were worked more or less', () => {
    const plan = whiteboardPlan();
    const { startMs } = plan.outing;
    const worked = { ...plan, outing: { startMs, endMs: startMs + hours(6) } };
    const halved = {
      ...worked,
      blocks: plan.blocks.flatMap((block) =>
        block.startMs < worked.outing.endMs
          ? [{ ...block, endMs: Math.min(block.endMs, worked.outing.endMs) }]
          : [],
      ),
    };
    const found = waterfall(plan, follow(halved, NOTHING, worked.outing.endMs, few));
    expect(ah(found, 'work')).toBeCloseTo(-4, 1);
    expect(Math.abs(found.actualAh - found.plannedAh + 4)).toBeLessThan(0.1);
  });

  it('knows how likely it was carried to the end', () => {
    const carried = (endHours: number) => {
      const { startMs } = whiteboardPlan().outing;
      const plan = whiteboardPlan({
        outing: { startMs, endMs: startMs + hours(endHours) },
        blocks: whiteboardPlan().blocks.map((block) => ({ ...block, endMs: startMs + hours(endHours) })),
      });
      return chanceCarried(follow(plan, NOTHING, plan.outing.endMs, few));
    };
    // An amp out of twenty.
    expect(carried(10)).toBeCloseTo(1, 9);
    expect(carried(40)).toBe(0);
  });

  it('is a receive current that a meter taught', () => {
    const board = whiteboardPlan();
    const wide = { source: 'assumed', spread: 0.15 } as const;
    const unsure = whiteboardPlan({
      radio: { ...board.radio, figures: { ...board.radio.figures, receive: [{ amps: 1, ...wide }] } },
      pack: { capacityFrom: { source: 'measured', spread: 0.005 } },
    });
    const { endMs } = unsure.outing;
    const log: FieldLog = { readings: [outAh(endMs - 1, 12)], events: [] };
    const found = waterfall(unsure, follow(unsure, log, endMs, few));
    expect(ah(found, 'receive')).toBeGreaterThan(1.6);
    expect(ah(found, 'receive')).toBeLessThan(2.4);
    expect(Math.abs(ah(found, 'rest'))).toBeLessThan(0.2);
  });

  it('is an accessory that takes more', () => {
    const plan = (source: 'assumed' | 'measured') => {
      const board = whiteboardPlan();
      const heater = { ...steadyLoad('heater', 0.5, board.outing), from: { source, spread: 0.4 } as const };
      return whiteboardPlan({ accessories: [heater] });
    };
    const unsure = plan('assumed');
    const log: FieldLog = { readings: [outAh(unsure.outing.endMs - 1, 17)], events: [] };
    const found = waterfall(unsure, follow(unsure, log, unsure.outing.endMs, few));
    expect(ah(found, 'otherLoads')).toBeGreaterThan(0.8);
  });

  it('counts no load as less because the sun was another: what it feeds is the same', () => {
    // A load in watts takes fewer amps at the volts of a battery that is charged.
    const board = fieldPlan();
    const heater = { ...steadyLoad('heater', 0, board.outing), name: 'heater' };
    const watts = { amps: 0, watts: 4 };
    const plan = fieldPlan({
      accessories: [
        { ...heater, pieces: heater.pieces.map((piece) => ({ ...piece, mean: watts, keyDown: watts })) },
      ],
    });
    const dark = { ...plan, sun: { ...plan.sun!, truth: 0.05 } };
    const found = waterfall(plan, follow(dark, NOTHING, plan.outing.endMs, few));
    expect(ah(found, 'work')).toBeCloseTo(0, 9);
    expect(ah(found, 'sunOffered')).toBeGreaterThan(3);
  });

  it('is a sky that was duller than forecast', () => {
    const plan = fieldPlan();
    const sky = (hour: number) =>
      ({ kind: 'sky', timeMs: fieldHour(hour), cloud: 1, rain: false, fog: false }) as const;
    const noted = { readings: [], events: [2, 4, 6, 8, 10, 26, 28, 30, 32, 34].map(sky) };
    const found = waterfall(plan, follow(plan, noted, plan.outing.endMs, few));
    expect(ah(found, 'sunOffered')).toBeGreaterThan(1);
    expect(found.actualAh).toBeGreaterThan(found.plannedAh);
    // Less that was offered is less that could not be taken.
    expect(ah(found, 'sunNotTaken')).toBeLessThanOrEqual(0);
    expect(sum(found)).toBeCloseTo(found.actualAh - found.plannedAh, 9);
  });
});
