import { hour } from '@knapsack/contract/testing/outing';
import type { ForecastView } from '../../work/forecast-protocol';
import { drawnAt, flowColumns } from './flow-columns';

const view = {
  edgesMs: Float64Array.of(hour(6), hour(7), hour(8), hour(9), hour(10)),
  loadA: Float64Array.of(0.5, 2, 0.5, 0.5),
  offeredA: Float64Array.of(0, 0, 1, 3),
  curtailedA: Float64Array.of(0, 0, 0, 1.5),
  fedTakenA: Float64Array.of(0, 5, 0, 0),
  consumers: [
    { name: 'radio', amps: Float64Array.of(0.1, 1.6, 0, 0) },
    { name: 'relay', amps: Float64Array.of(0.4, 0.4, 0.5, 0.5) },
  ],
} as unknown as ForecastView;

describe('the flow lane', () => {
  it('has a column the largest of its steps, carried only where all of it is', () => {
    const [first, second] = flowColumns(view, { startMs: hour(6), endMs: hour(10) }, 2);
    expect(first).toEqual({ inA: 5, fedA: 5, outA: 2, curtailedA: 0, carried: false });
    expect(second).toEqual({ inA: 3, fedA: 0, outA: 0.5, curtailedA: 1.5, carried: true });
  });

  it('shows one step in many columns when drawn near', () => {
    const columns = flowColumns(view, { startMs: hour(7.25), endMs: hour(7.75) }, 30);
    expect(columns.every(({ outA }) => outA === 2)).toBeTrue();
  });

  it('knows who draws at an instant, the largest first', () => {
    expect(drawnAt(view, hour(7.5))).toEqual([
      { name: 'radio', amps: 1.6 },
      { name: 'relay', amps: 0.4 },
    ]);
    expect(drawnAt(view, hour(9.5)).map(({ name }) => name)).toEqual(['relay']);
  });
});
