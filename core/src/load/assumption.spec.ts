import { assumedCurrents, assumedFactor, type RadioFigures } from './assumption.js';

describe('an assumption', () => {
  const radio: RadioFigures = {
    receive: [
      { amps: 0.3, source: 'datasheet' },
      { amps: 0.14, source: 'measured' },
    ],
    transmit: [
      { rfW: 10, amps: 1.9, source: 'measured' },
      { rfW: 10, amps: 2.3, source: 'datasheet' },
      { rfW: 5, amps: 1.4, source: 'measured' },
    ],
  };

  it('takes the worst of the sheet when cautious, the best-founded otherwise', () => {
    expect(assumedCurrents(radio, 'cautious')).toEqual({
      receiveA: 0.3,
      points: [
        { rfW: 5, amps: 1.4 },
        { rfW: 10, amps: 2.3 },
      ],
    });
    for (const assumption of ['expected', 'measured'] as const) {
      const { receiveA, points } = assumedCurrents(radio, assumption);
      expect([receiveA, points[1].amps]).toEqual([0.14, 1.9]);
    }
  });

  it('keeps the current at listening volume apart', () => {
    const loud = { ...radio, receiveByEar: [{ amps: 0.2, source: 'measured' as const }] };
    expect(assumedCurrents(loud, 'measured').receiveByEarA).toBe(0.2);
    expect(assumedCurrents(radio, 'measured').receiveByEarA).toBeUndefined();
  });

  it('takes the bench’s average of a mode only when it is asked for, and all of it key-down when cautious', () => {
    const over = { modeFactor: 0.4, measuredFactor: 0.33 };
    expect([
      assumedFactor(over, 'cautious'),
      assumedFactor(over, 'expected'),
      assumedFactor(over, 'measured'),
    ]).toEqual([1, 0.4, 0.33]);
    expect(assumedFactor({ modeFactor: 0.4 }, 'measured')).toBe(0.4);
  });
});
