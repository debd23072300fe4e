import { bestPoints } from './transmit-points.js';

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
