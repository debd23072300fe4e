import { fieldPlan } from '../testing/field-outings.js';
import { whiteboardPlan } from '../testing/plans.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { chanceLaw } from '../chance/chance-law.js';
import { generator } from '../random/generator.js';
import { darkFieldPlan, fieldHour } from '../testing/field-outings.js';
import { firstStepFrom } from '../time-grid.js';
import { FieldMarch } from './field-march.js';
import { follow } from './follow.js';
import { dutyIn, isWorthAWord, learnedFrom } from './learned.js';
import { Particles } from './particles.js';

const learned = (plan: PlanInput) =>
  learnedFrom(follow(plan, { readings: [], events: [] }, plan.outing.endMs, { particles: 20 }));
/** A spread that fell by a share of itself. */
const fell = (share: number) => ({ before: { mean: 1, sd: 0.1 }, after: { mean: 1, sd: 0.1 * (1 - share) } });

describe('what is worth a word', () => {
  it('is a spread that fell by a fifth, and by a twentieth where outings have taught it before', () => {
    expect(isWorthAWord(fell(0.201))).toBeTrue();
    expect(isWorthAWord(fell(0.199))).toBeFalse();
    expect(isWorthAWord({ ...fell(0.051), again: true })).toBeTrue();
    expect(isWorthAWord({ ...fell(0.049), again: true })).toBeFalse();
  });
});

describe('what an outing teaches', () => {
  it('is told of each radio that is worked, by its place', () => {
    const { radio, blocks } = whiteboardPlan();
    const names = (plan: PlanInput) => [...learned(plan).keys()].filter((name) => /^(rec|key)/.test(name));
    expect(names(whiteboardPlan())).toEqual(['receive', 'keyDown']);
    expect(names(whiteboardPlan({ others: [{ radio, blocks }] }))).toEqual([
      'receive',
      'keyDown',
      'receive.2',
      'keyDown.2',
    ]);
    expect(names(whiteboardPlan({ blocks: [], others: [{ radio, blocks }] }))).toEqual([
      'receive.2',
      'keyDown.2',
    ]);
  });

  it('is known to be taught again, figure by figure', () => {
    const taught = { source: 'learned', spread: 0.05 } as const;
    const { radio, packs } = whiteboardPlan();
    const { figures } = radio;
    const again = (plan: PlanInput) => [...learned(plan)].flatMap(([name, one]) => (one.again ? [name] : []));
    expect(again(whiteboardPlan())).toEqual([]);
    const receive = figures.receive.map((figure) => ({ ...figure, ...taught }));
    expect(again(whiteboardPlan({ radio: { ...radio, figures: { ...figures, receive } } }))).toEqual([
      'receive',
    ]);
    const transmit = figures.transmit.map((figure) => ({ ...figure, ...taught }));
    expect(again(whiteboardPlan({ radio: { ...radio, figures: { ...figures, transmit } } }))).toEqual([
      'keyDown',
    ]);
    const plan = fieldPlan();
    expect(again({ ...plan, sun: { ...plan.sun!, truthFrom: taught } })).toEqual(['panelOutput']);
    expect(again({ ...whiteboardPlan(), packs: [{ ...packs[0], capacityFrom: taught }] })).toEqual([
      'capacity',
    ]);
    expect(again({ ...whiteboardPlan(), packs: [{ ...packs[0], resistanceFrom: taught }] })).toEqual([
      'resistance',
    ]);
  });
});

describe('the duty cycle in a mode up to now', () => {
  const at = (hour: number) => {
    const law = chanceLaw(darkFieldPlan());
    const particles = new Particles(400, law, generator(3));
    const march = new FieldMarch(law, particles, generator(4));
    march.to(firstStepFrom(law.edgesMs, fieldHour(hour)));
    const mean = (duty: Float64Array | null) => duty && duty.reduce((sum, one) => sum + one, 0) / duty.length;
    return { cw: mean(dutyIn(march, 'CW')), ssb: mean(dutyIn(march, 'SSB')) };
  };

  it('is over the hours that were worked, in the middle of a block as well as after all of them', () => {
    for (const hour of [2, 5, 27, 40])
      expect(Math.abs(at(hour).cw! - 0.3))
        .withContext(`${hour}`)
        .toBeLessThan(0.02);
    expect(Math.abs(at(9).ssb! - 0.2)).toBeLessThan(0.02);
  });

  it('is not known before the first hour of it', () => {
    expect([at(1).cw, at(7).ssb]).toEqual([null, null]);
  });
});
