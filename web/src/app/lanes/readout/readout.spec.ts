import type { Verdict } from '@knapsack/core';
import { hour, trip } from '@knapsack/contract/testing/outing';
import type { ForecastView } from '../../work/forecast-protocol';
import { stepAt, valueAt } from '@knapsack/core';
import { readoutAt } from './readout';

const view = {
  startMs: hour(6),
  endMs: hour(18),
  edgesMs: Float64Array.of(hour(6), hour(8), hour(10), hour(18)),
  soc: Float64Array.of(1, 0.9, 0.5, 0.5),
  loadA: Float64Array.of(0.1, 1.2, 0),
  terminalV: Float64Array.of(13.1, 12.9, 12.9),
  radioV: Float64Array.of(13.1, 12.4, 12.9),
  keyDownA: Float64Array.of(0, 2, 0),
  offeredA: Float64Array.of(0, 0, 0.5),
  fedTakenA: Float64Array.of(0, 3, 0),
  reserveSoc: 0.1,
  verdict: { endMs: null, lowestMs: hour(10) } as unknown as Verdict,
} as unknown as ForecastView;

describe('the reading under the cursor', () => {
  it('stands straight between the edges of a step', () => {
    expect(stepAt(view.edgesMs, hour(9))).toBe(1);
    expect(stepAt(view.edgesMs, hour(18))).toBe(2);
    expect(valueAt(view.edgesMs, view.soc, hour(9))).toBeCloseTo(0.7, 12);
    expect(valueAt(view.edgesMs, view.soc, hour(6))).toBe(1);
  });

  it('says what is going on, with volts at the radio only while it is on', () => {
    const during = readoutAt(view, trip(), hour(9));
    expect(during.words).toBe(
      'Sat 11:00, 70 %, 12.9 V at the battery, 12.4 V at the radio key down, 3.00 A from the charger, 1.20 A drawn, CW 10 W',
    );
    expect(readoutAt(view, trip(), hour(7)).radioV).toBeNull();
    expect(readoutAt(view, trip(), hour(7)).doing).toBe('radio off');
  });

  it('without a cursor stands at the low point', () => {
    expect(readoutAt(view, trip(), null).time).toBe('Sat 12:00');
  });
});
