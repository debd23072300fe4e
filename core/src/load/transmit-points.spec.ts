import { bestPoints, trustAt } from './transmit-points.js';

describe('transmit points', () => {
  it('ascend by power, the best-founded for each', () => {
    const points = bestPoints([
      { rfW: 10, amps: 2.3, source: 'datasheet' },
      { rfW: 5, amps: 1.4, source: 'assumed' },
      { rfW: 10, amps: 1.9, source: 'measured' },
      { rfW: 5, amps: 1.5, source: 'learned' },
      { rfW: 10, amps: 2.0, source: 'learned' },
    ]);
    expect(points.map(({ rfW, amps }) => [rfW, amps])).toEqual([
      [5, 1.5],
      [10, 2],
    ]);
  });
});

describe('how far a current at a power is to be believed', () => {
  const points = [
    { rfW: 2, amps: 0.9, source: 'measured', spread: 0.01 },
    { rfW: 10, amps: 2, source: 'datasheet' },
  ] as const;
  const sourceAt = (powerW: number) => trustAt(points, powerW).source;

  it('is as its nearest point is, by the root of the power', () => {
    // The roots of 2 and 10 W are 1.41 and 3.16: half-way is 5.24 W.
    expect([0.5, 2, 5, 5.2].map(sourceAt)).toEqual(['measured', 'measured', 'measured', 'measured']);
    expect([5.3, 5.5, 10, 50].map(sourceAt)).toEqual(['datasheet', 'datasheet', 'datasheet', 'datasheet']);
    expect(trustAt(points, 3).spread).toBe(0.01);
  });
});
