import { positionsOf } from '../forecast/plan-input.js';
import type { Learned, LearnedName } from '../field/learned.js';
import { fieldPlan } from '../testing/field-outings.js';
import { steadyLoad, whiteboardPlan } from '../testing/plans.js';
import {
  learnedFactor,
  withLearnedAccessories,
  withLearnedDuty,
  withLearnedKeyDown,
  withLearnedReceive,
  type Lessons,
} from './learned-plan.js';

/** From one mean to another. */
const from = (before: number, after: number): Learned => ({
  before: { mean: before, sd: 0.1 },
  after: { mean: after, sd: 0.05 },
});
const lessons = (...all: readonly (readonly [LearnedName, Learned])[]): Lessons => new Map(all);

describe('a plan with what was learned', () => {
  it('has figures times after over before; where nothing is known they stay', () => {
    expect(learnedFactor(lessons(['receive', from(0.8, 1.2)]), 'receive')).toBeCloseTo(1.5, 12);
    expect(learnedFactor(lessons(['receive', from(0, 1.2)]), 'receive')).toBe(1);
    expect(learnedFactor(lessons(), 'sky')).toBe(1);
  });

  it('has the duty cycle of each mode, up to all the time', () => {
    const plan = fieldPlan();
    const told = withLearnedDuty(plan, lessons(['dutyCycle.CW', from(0.3, 0.45)]));
    told.blocks.forEach(({ mode, share }, place) => {
      expect(share).toBeCloseTo(plan.blocks[place].share * (mode === 'CW' ? 1.5 : 1), 12);
    });
    const most = withLearnedDuty(plan, lessons(['dutyCycle.CW', from(0.1, 0.9)]));
    expect(most.blocks[0].share).toBe(1);
  });

  it('has the radio’s currents, by ear too', () => {
    const { radio } = whiteboardPlan();
    const heard = [{ amps: 0.4, source: 'measured' }] as const;
    const plan = whiteboardPlan({
      radio: { ...radio, figures: { ...radio.figures, receiveByEar: heard } },
    });
    const told = withLearnedReceive(plan, lessons(['receive', from(1, 1.25)])).radio.figures;
    expect(told.receive[0].amps).toBeCloseTo(1.25 * plan.radio.figures.receive[0].amps, 12);
    expect(told.receiveByEar![0].amps).toBeCloseTo(0.5, 12);
    expect('receiveByEar' in withLearnedReceive(whiteboardPlan(), lessons()).radio.figures).toBeFalse();
    const keyed = withLearnedKeyDown(plan, lessons(['keyDown', from(1, 0.5)])).radio.figures;
    expect(keyed.transmit[0].amps).toBeCloseTo(0.5 * plan.radio.figures.transmit[0].amps, 12);
    expect(keyed.receive).toEqual(plan.radio.figures.receive);
  });

  it('has the currents of each radio by what it taught', () => {
    const { radio, blocks } = whiteboardPlan();
    const plan = whiteboardPlan({ others: [{ radio, blocks }] });
    const told = withLearnedReceive(
      withLearnedKeyDown(plan, lessons(['keyDown.2', from(1, 1.5)])),
      lessons(['receive', from(1, 2)]),
    );
    const [first, second] = positionsOf(told).map((one) => one.radio.figures);
    expect(first.receive[0].amps).toBeCloseTo(2 * radio.figures.receive[0].amps, 12);
    expect(first.transmit).toEqual(radio.figures.transmit);
    expect(second.receive).toEqual(radio.figures.receive);
    expect(second.transmit[0].amps).toBeCloseTo(1.5 * radio.figures.transmit[0].amps, 12);
  });

  it('has the accessories’ currents, in overs too', () => {
    const plan = whiteboardPlan();
    const lamp = steadyLoad('lamp', 0.2, plan.outing);
    const fan = {
      ...lamp,
      pieces: lamp.pieces.map((piece) => ({ ...piece, inOvers: { amps: 0.1, watts: 2 } })),
    };
    const told = withLearnedAccessories({ ...plan, accessories: [lamp, fan] }, [1.5, 2]).accessories;
    expect(told[0].pieces[0].mean.amps).toBeCloseTo(0.3, 12);
    expect(told[0].pieces[0].keyDown.amps).toBeCloseTo(1.5 * lamp.pieces[0].keyDown.amps, 12);
    expect('inOvers' in told[0].pieces[0]).toBeFalse();
    expect(told[1].pieces[0].inOvers).toEqual({ amps: 0.2, watts: 4 });
  });
});
