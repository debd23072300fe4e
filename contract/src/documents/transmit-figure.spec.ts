import { withEntry } from './figure.js';
import { currentOf, transmitFigure, type TransmitFigure } from './transmit-figure.js';

describe('a transmit figure', () => {
  const point: TransmitFigure = {
    rfW: 5,
    amps: 1.4,
    source: 'measured',
    date: '2027-05-02',
    spread: 0.02,
    pinned: true,
    others: [{ value: 1.3, source: 'datasheet' }],
  };

  it('is a figure of its current at a power, and back with nothing lost', () => {
    expect(transmitFigure(5, currentOf(point))).toEqual(point);
    const bare: TransmitFigure = { rfW: 2, amps: 0.9, source: 'assumed' };
    expect(transmitFigure(2, currentOf(bare))).toEqual(bare);
    expect(Object.keys(currentOf(bare))).toEqual(['value', 'source']);
  });

  it('keeps what is pinned in front of a new measurement', () => {
    const after = transmitFigure(5, withEntry(currentOf(point), { value: 1.5, source: 'measured' }));
    expect([after.amps, after.pinned]).toEqual([1.4, true]);
    expect(after.others?.map(({ value }) => value)).toEqual([1.5, 1.3]);
  });
});
