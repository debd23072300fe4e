import fc from 'fast-check';
import { isEstimated, transmitCurrent, transmitCurrentAtZero } from './transmit-current.js';

describe('transmit current', () => {
  const radio = {
    receiveA: 0.36,
    points: [
      { rfW: 5, amps: 1.5 },
      { rfW: 10, amps: 2.92 },
    ],
  };

  it('is exact at each point', () => {
    for (const { rfW, amps } of radio.points) expect(transmitCurrent(radio, rfW)).toBe(amps);
  });

  it('at 0 W never falls under a tenth of the way from receive to the lowest point', () => {
    // the first segment carried on to 0 W would be -1.9 A
    expect(transmitCurrentAtZero(radio)).toBeCloseTo(0.36 + 0.1 * 1.14, 12);
  });

  it('follows the first segment down to 0 W where that is higher', () => {
    const flat = {
      receiveA: 0.2,
      points: [
        { rfW: 4, amps: 1.4 },
        { rfW: 9, amps: 1.9 },
      ],
    };
    expect(transmitCurrentAtZero(flat)).toBeCloseTo(0.4, 12);
    expect(transmitCurrent(flat, 16)).toBeCloseTo(2.4, 12);
  });

  it('with one point goes on along the line through it and says that it is an estimate', () => {
    const one = { receiveA: 0.4, points: [{ rfW: 100, amps: 20.4 }] };
    expect(isEstimated(one)).toBeTrue();
    expect(isEstimated(radio)).toBeFalse();
    // 0 W: 2.4 A; half the square root: half way
    expect(transmitCurrent(one, 25)).toBeCloseTo(11.4, 12);
    expect(transmitCurrent(one, 400)).toBeCloseTo(38.4, 12);
  });

  it('is a number even between powers that differ by rounding alone', () => {
    const twins = {
      receiveA: 0.1,
      points: [
        { rfW: 1e-6, amps: 1 },
        { rfW: 1.0000000000000002e-6, amps: 2 },
      ],
    };
    expect(Number.isFinite(transmitCurrent(twins, 10))).toBeTrue();
    expect(Number.isFinite(transmitCurrentAtZero(twins))).toBeTrue();
  });

  it('never falls as the power rises, whatever rising points it has', () => {
    const rising = fc
      .array(
        fc.record({
          rfW: fc.double({ min: 0.1, max: 50, noNaN: true }),
          amps: fc.double({ min: 0.01, max: 5, noNaN: true }),
        }),
        { minLength: 1, maxLength: 5 },
      )
      .map((gaps) => {
        let rfW = 0;
        let amps = 0.05;
        return gaps.map((gap) => ({ rfW: (rfW += gap.rfW), amps: (amps += gap.amps) }));
      });
    const power = fc.double({ min: 0, max: 400, noNaN: true });
    fc.assert(
      fc.property(rising, power, power, (points, a, b) => {
        const given = { receiveA: 0.05, points };
        const [low, high] = [Math.min(a, b), Math.max(a, b)];
        expect(transmitCurrent(given, high)).toBeGreaterThanOrEqual(transmitCurrent(given, low) - 1e-9);
      }),
    );
  });
});
