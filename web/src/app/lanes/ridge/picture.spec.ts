import type { Verdict } from '@knapsack/core';
import { hour } from '@knapsack/contract/testing/outing';
import type { ForecastView } from '../../work/forecast-protocol';
import { endMarksOf } from './marks';
import { pictureOf } from './picture';

const view = {
  edgesMs: Float64Array.of(hour(6), hour(8), hour(10), hour(18)),
  soc: Float64Array.of(1, 0.9, 0.5, 0.5),
  radioV: Float64Array.of(13.1, 11.4, 12.9),
  keyDownA: Float64Array.of(0, 2, 0),
  dropoutV: 10.5,
  reserveSoc: 0.1,
  verdict: {
    lowestMs: hour(10),
    lowestSoc: 0.5,
    reserveMs: hour(12),
    radioDropoutMs: hour(9),
    cutoffMs: null,
    binds: 'radioDropout',
  } as unknown as Verdict,
} as unknown as ForecastView;

describe('the faces of the ridge', () => {
  it('are charge over the reserve', () => {
    const { values, water, lowest, least, most } = pictureOf(view, 'charge');
    expect(values).toBe(view.soc);
    expect([least, water, most]).toEqual([0, 0.1, 1]);
    expect(lowest).toEqual({ edge: 2, words: 'lowest 50 %' });
  });

  it('and volts at the radio over its drop-out, whose lowest is with the key down', () => {
    const { values, water, waterWords, lowest, least, most, ticks } = pictureOf(view, 'volts');
    expect([...values]).toEqual([13.1, 13.1, 11.4, 12.9]);
    expect(water).toBe(10.5);
    expect(waterWords).toBe('the radio drops out at 10.5 V');
    expect(lowest).toEqual({ edge: 2, words: 'lowest 11.4 V key down' });
    expect(least).toBeLessThan(10.5);
    expect(most).toBeGreaterThan(13.1);
    expect(ticks.every((tick) => tick >= least && tick <= most)).toBeTrue();
  });

  it('mark the end that comes first, then the others in order of time', () => {
    expect(endMarksOf(view).map(({ sign, first }) => [sign, first])).toEqual([
      ['dropout', true],
      ['reserve', false],
    ]);
  });
});
