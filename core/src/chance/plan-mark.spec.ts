import type { Finding } from '../forecast/finding.js';
import type { Chance } from './chance.js';
import { chanceMark, isBorderline, planMark } from './plan-mark.js';

const chanceOf = (chance: number, more: Partial<Chance> = {}) =>
  ({ chance, target: 0.9, stopped: 'sure', standardError: 0.01, ...more }) as Chance;
const found = (severity: Finding['severity'], code: string) => ({ severity, code }) as Finding;

describe('the mark of a plan', () => {
  it('of its chance is fine from the target up, a check from even odds up, and a stop below them', () => {
    expect([1, 0.9, 0.899, 0.5, 0.499, 0].map((chance) => chanceMark({ chance }, 0.9))).toEqual([
      ...['fine', 'fine', 'look', 'look', 'stop', 'stop'],
    ] as never);
  });

  it('is a stop where anything stops it, also while the chance is not known', () => {
    const findings = [found('note', 'b'), found('stop', 'a')];
    expect(planMark({ findings }, chanceOf(1))).toBe('stop');
    expect(planMark({ findings }, null)).toBe('stop');
  });

  it('waits for the chance', () => {
    expect(planMark({ findings: [] }, null)).toBe('calculating');
    expect(planMark({ findings: [] }, chanceOf(1, { stopped: 'not yet' }))).toBe('calculating');
  });

  it('is lowered by what is to be checked about energy or volts, never raised, and by nothing else', () => {
    const volts = [found('look', 'full-power')];
    expect(planMark({ findings: volts }, chanceOf(0.95))).toBe('look');
    expect(planMark({ findings: volts }, chanceOf(0.2))).toBe('stop');
    expect(planMark({ findings: [found('look', 'another')] }, chanceOf(0.95))).toBe('fine');
    expect(planMark({ findings: [found('note', 'full-power')] }, chanceOf(0.95))).toBe('fine');
  });

  it('is borderline within one standard error of the target, once all samples are taken', () => {
    const limit = { stopped: 'limit', standardError: 0.01 } as const;
    expect([0.891, 0.909, 0.88, 0.92].map((chance) => isBorderline(chanceOf(chance, limit)))).toEqual([
      true,
      true,
      false,
      false,
    ]);
    expect(isBorderline(chanceOf(0.9))).toBeFalse();
  });
});
