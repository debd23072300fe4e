import { SHEET_RECEIVE_MEAN, sheetReceiveFactor } from '../load/sheet-receive.js';
import { keyDownFactor, receiveFactor, resistanceFactor, shareLaw } from './spreads.js';

const evenly = (count: number) => Array.from({ length: count }, (_, index) => (index + 0.5) / count);

describe('what may be off', () => {
  it('a sheet’s receive current: a triangle from 0.55 to 1.1 of it, highest at 1, whose mean is what plans take', () => {
    expect(sheetReceiveFactor(0)).toBeCloseTo(0.55, 12);
    expect(sheetReceiveFactor(1)).toBeCloseTo(1.1, 12);
    // 0.45 of its 0.55 wide lie under the top.
    expect(sheetReceiveFactor(0.45 / 0.55)).toBeCloseTo(1, 12);
    const shares = evenly(2000).map(sheetReceiveFactor);
    const mean = shares.reduce((sum, share) => sum + share, 0) / shares.length;
    expect(mean).toBeCloseTo((0.55 + 1 + 1.1) / 3, 4);
    expect(Math.abs(mean - SHEET_RECEIVE_MEAN)).toBeLessThan(0.005);
    expect(receiveFactor({ source: 'datasheet' }, 0) * SHEET_RECEIVE_MEAN).toBeCloseTo(
      sheetReceiveFactor(0.5),
      6,
    );
  });

  it('a figure with a spread of its own has that one, but for a sheet’s', () => {
    expect(receiveFactor({ source: 'measured' }, 1)).toBeCloseTo(1.03, 12);
    expect(receiveFactor({ source: 'measured', spread: 0.01 }, 1)).toBeCloseTo(1.01, 12);
    expect(receiveFactor({ source: 'learned', spread: 0.07 }, -1)).toBeCloseTo(0.93, 12);
    expect(keyDownFactor({ source: 'datasheet', spread: 0.5 }, 1)).toBeCloseTo(1.08, 12);
    expect(keyDownFactor({ source: 'assumed' }, 1)).toBeCloseTo(1.15, 12);
  });

  it('a resistance: a factor that is as often twice as half', () => {
    const twice = Math.log(2) / 0.3;
    expect(resistanceFactor({ source: 'assumed' }, twice)).toBeCloseTo(2, 12);
    expect(resistanceFactor({ source: 'assumed' }, -twice)).toBeCloseTo(0.5, 12);
    expect(resistanceFactor({ source: 'measured' }, 1)).toBeCloseTo(Math.exp(0.1), 12);
  });

  it('a duty cycle: what was learned is surer, and never or always has nothing to be sure of', () => {
    const usual = shareLaw(0.3);
    for (const share of [0, 1]) expect(shareLaw(share, { source: 'learned', spread: 0.01 })).toEqual(usual);
    const learned = shareLaw(0.3, { source: 'learned', spread: 0.05 });
    expect(learned.firmness).toBeGreaterThan(usual.firmness);
    expect(learned.habit).toBeLessThan(usual.habit);
    // One that taught nothing is as usual.
    const vague = shareLaw(0.3, { source: 'learned', spread: 5 });
    expect(vague.firmness).toBeCloseTo(usual.firmness, 9);
    expect(vague.habit).toBeCloseTo(usual.habit, 9);
  });
});
