import fc from 'fast-check';
import { HOUR_MS } from '../span.js';
import { proposeStretches } from './change-points.js';
import { stretchFigures, type Readings } from './readings.js';
import { Recording } from './recording.js';
import { meterLine, readMeterLine } from './simulated-meter.js';

/** A trace read at a steady pace. */
const trace: fc.Arbitrary<Readings> = fc
  .record({
    stepMs: fc.integer({ min: 100, max: 5000 }),
    rows: fc.array(
      fc.record({
        amps: fc.double({ min: 0, max: 25, noNaN: true }),
        volts: fc.double({ min: 8, max: 16, noNaN: true }),
      }),
      { minLength: 4, maxLength: 60 },
    ),
  })
  .map(({ stepMs, rows }) => ({
    timesMs: Float64Array.from(rows, (_, index) => index * stepMs),
    amps: Float64Array.from(rows, ({ amps }) => amps),
    volts: Float64Array.from(rows, ({ volts }) => volts),
  }));

const whole = ({ amps }: Readings) => ({ from: 0, to: amps.length });

describe('laws of the bench', () => {
  it('charge, energy and time of the parts are those of the whole', () => {
    fc.assert(
      fc.property(trace, fc.nat({ max: 1000 }), (readings, any) => {
        const { to } = whole(readings);
        // The last of a part holds as long as the one before it, so a part has two readings at least.
        const cut = 2 + (any % (to - 3));
        const sum = stretchFigures(readings, { from: 0, to });
        const parts = [
          stretchFigures(readings, { from: 0, to: cut }),
          stretchFigures(readings, { from: cut, to }),
        ];
        for (const key of ['ampereHours', 'wattHours', 'seconds'] as const) {
          expect(parts[0][key] + parts[1][key]).toBeCloseTo(sum[key], 9);
        }
      }),
    );
  });

  it('the mean lies among the readings, and over the time it makes the charge', () => {
    fc.assert(
      fc.property(trace, (readings) => {
        const { meanA, peakA, spreadA, seconds, ampereHours, wattHours } = stretchFigures(
          readings,
          whole(readings),
        );
        expect(meanA).toBeGreaterThanOrEqual(Math.min(...readings.amps) - 1e-9);
        expect(meanA).toBeLessThanOrEqual(peakA + 1e-9);
        expect(spreadA).toBeGreaterThanOrEqual(0);
        expect((meanA * seconds * 1000) / HOUR_MS).toBeCloseTo(ampereHours, 9);
        expect(wattHours).toBeLessThanOrEqual(ampereHours * Math.max(...readings.volts) + 1e-9);
      }),
    );
  });

  it('proposed stretches follow one another from the first reading to the last', () => {
    fc.assert(
      fc.property(trace, fc.integer({ min: 0, max: 20 }), (readings, leastSeconds) => {
        const stretches = proposeStretches(readings, leastSeconds);
        expect(stretches[0].from).toBe(0);
        expect(stretches.at(-1)?.to).toBe(readings.amps.length);
        stretches.slice(1).forEach(({ from }, index) => expect(from).toBe(stretches[index].to));
      }),
    );
  });

  it('a recording is always in order of time, and holds what came after all before it', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 1000 }), { maxLength: 50 }), (times) => {
        const recording = new Recording();
        for (const timeMs of times) recording.add({ timeMs, volts: 13, amps: 1 });
        const after = times.filter((time, index) => times.slice(0, index).every((before) => before < time));
        expect([...recording.readings().timesMs]).toEqual(after);
      }),
    );
  });

  it('any line that the meter writes is read as it was written', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e9 }),
        fc.integer({ min: 0, max: 600_000 }),
        fc.integer({ min: 0, max: 250_000 }),
        (timeMs, volts, amps) => {
          const reading = { timeMs, volts: volts / 10_000, amps: amps / 10_000 };
          expect(readMeterLine(meterLine(reading))).toEqual(reading);
        },
      ),
    );
  });
});
