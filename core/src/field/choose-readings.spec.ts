import { MINUTE_MS } from '../span.js';
import { asOne, chooseReadings } from './choose-readings.js';
import type { FieldReading } from './reading.js';

const reading = (id: string, minute: number, change: Partial<FieldReading> = {}): FieldReading => ({
  ...{ id, timeMs: minute * MINUTE_MS, state: 'listening', source: 'typed', values: { volts: 13 } },
  ...change,
});

describe('readings that are taken', () => {
  it('stand in the order of time, those within a minute as one with the latest values', () => {
    const taken = asOne([
      reading('b', 10.5, { values: { volts: 13.1, percent: 60 } }),
      reading('c', 11.2),
      reading('a', 10, { values: { volts: 13, amps: 0.3 }, counts: true }),
    ]);
    expect(taken.map(({ ids }) => ids)).toEqual([['a', 'b'], ['c']]);
    expect(taken[0].values).toEqual({ volts: 13.1, percent: 60, amps: 0.3 });
    expect(taken[0].id).toBe('b');
    expect(taken[0].counts).toBeTrue();
    expect(taken[1].counts).toBeUndefined();
  });

  it('are not one where the state or the source is another', () => {
    expect(asOne([reading('a', 0), reading('b', 0.5, { state: 'keyDown' })]).length).toBe(2);
    expect(asOne([reading('a', 0), reading('b', 0.5, { source: 'monitor' })]).length).toBe(2);
  });

  const many = Array.from({ length: 10 }, (_, minute) => ({ timeMs: minute * MINUTE_MS }));

  it('are all weighed where they are few', () => {
    expect(chooseReadings(many, new Array(10).fill(0), [], 10).length).toBe(10);
  });

  it('are else the first, the last, the last before each reset, and those where the spread changes most', () => {
    const spreads = [0, 0, 0.01, 0.01, 0.05, 0.05, 0.05, 0.045, 0.045, 0.045];
    expect(chooseReadings(many, spreads, [6.5 * MINUTE_MS], 5)).toEqual([0, 2, 4, 6, 9]);
  });
});
