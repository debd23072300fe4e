import { chanceLaw } from '../chance/chance-law.js';
import { darkFieldPlan, fieldHour, fieldPlan } from '../testing/field-outings.js';
import { HOUR_MS } from '../span.js';
import { fieldSteps } from './field-steps.js';

describe('what each step has to do with', () => {
  let law: ReturnType<typeof chanceLaw>;
  let steps: ReturnType<typeof fieldSteps>;
  let edgesMs: Float64Array;
  beforeAll(() => {
    law = chanceLaw(fieldPlan());
    steps = fieldSteps(law);
    ({ edgesMs } = law);
  });
  const middleOf = (step: number) => (edgesMs[step] + edgesMs[step + 1]) / 2;

  it('are the blocks that are worked in it', () => {
    steps.blocks.forEach((blocks, step) => {
      const worked = law.plan.blocks.flatMap(({ startMs, endMs }, block) =>
        startMs <= middleOf(step) && middleOf(step) < endMs ? [block] : [],
      );
      expect(blocks).withContext(`step ${step}`).toEqual(worked);
    });
  });

  it('is the key-down of those blocks: of the radio while one is worked, of none else', () => {
    steps.keyDown.forEach((place, step) => {
      const { radioA, packA } = law.steps.keyDowns[place];
      const isWorked = steps.blocks[step].length > 0;
      expect(radioA > 0)
        .withContext(`step ${step}`)
        .toBe(isWorked);
      // 3 A with the key down, and the lamp
      expect(packA)
        .withContext(`step ${step}`)
        .toBeCloseTo(isWorked ? 3.05 : 0, 9);
    });
  });

  it('is the hour of its sky, and its place in the light, none by night', () => {
    steps.hour.forEach((hour, step) => {
      const startMs = law.sky!.startMs + hour * HOUR_MS;
      expect(startMs <= edgesMs[step] && edgesMs[step] < startMs + HOUR_MS)
        .withContext(`step ${step}`)
        .toBeTrue();
    });
    steps.sunny.forEach((place, step) => {
      if (place >= 0) expect(law.sun!.light.sunny[place]).toBe(step);
    });
    const at = (hour: number) => steps.sunny[edgesMs.findIndex((ms) => ms >= fieldHour(hour))];
    // Noon of the first day, and midnight after it; it begins at six.
    expect(at(6)).toBeGreaterThanOrEqual(0);
    expect(at(18.5)).toBe(-1);
    const dark = fieldSteps(chanceLaw(darkFieldPlan()));
    expect([...dark.sunny].every((place) => place === -1)).toBeTrue();
    expect([...dark.hour].every((hour) => hour === 0)).toBeTrue();
  });
});
