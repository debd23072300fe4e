import fc from 'fast-check';
import {
  CONTROLLER_STAGES,
  instrumentLine,
  readInstrumentLine,
  type InstrumentReading,
} from './instrument-lines.js';

const hundredths = (least: number, most: number) =>
  fc.integer({ min: 100 * least, max: 100 * most }).map((n) => n / 100);
const ms = fc.nat(2_000_000_000);
const readings: fc.Arbitrary<InstrumentReading> = fc.oneof(
  fc.record({
    source: fc.constant('meter' as const),
    ms,
    volts: hundredths(0, 60),
    amps: hundredths(-5, 30),
  }),
  fc.record({
    source: fc.constant('monitor' as const),
    ms,
    volts: hundredths(0, 60),
    amps: hundredths(-50, 50),
    percent: fc.nat(100),
    ampereHours: hundredths(-500, 0),
    minutesLeft: fc.option(fc.nat(99_999)),
  }),
  fc.record({
    source: fc.constant('controller' as const),
    ms,
    panelV: hundredths(0, 100),
    panelA: hundredths(0, 20),
    batteryV: hundredths(0, 60),
    batteryA: hundredths(-20, 20),
    inAh: hundredths(0, 900),
    peakW: fc.nat(900),
    stage: fc.constantFrom(...CONTROLLER_STAGES),
  }),
);

describe('lines of instruments', () => {
  it('are read as they were written', () => {
    fc.assert(
      fc.property(readings, (reading) => {
        expect(readInstrumentLine(instrumentLine(reading))).toEqual(reading);
      }),
    );
  });

  it('look as the formats tell', () => {
    expect(readInstrumentLine('B 60000 13.12 -0.84 87 -2.31 640')).toEqual({
      source: 'monitor',
      ms: 60_000,
      volts: 13.12,
      amps: -0.84,
      percent: 87,
      ampereHours: -2.31,
      minutesLeft: 640,
    });
    expect(readInstrumentLine('  C 60000 17.90 1.20 13.30 1.52 4.10 22 bulk\r')?.source).toBe('controller');
    expect(readInstrumentLine('B 60000 13.12 -0.84 87 -2.31 -')).toEqual(
      jasmine.objectContaining({ minutesLeft: null }),
    );
  });

  it('are nothing where a word is missing, too many, no number, or no stage', () => {
    for (const line of [
      '',
      'M 1 2',
      'B 60000 13.12 -0.84 87 -2.31',
      'B 60000 13.12 -0.84 87 -2.31 640 1',
      'B 60000 13.12 x 87 -2.31 640',
      'B 60000 13.12 -0.84 87 -2.31 soon',
      'X 60000 18.0 1.1 13.2 1.5 3.4 20 float',
      'C 60000 18.0 1.1 13.2 1.5 3.4 float',
      'C 60000 18.0 1.1 13.2 1.5 3.4 20 asleep',
      'B 60000 13.12 -0.84 87 -2.31 0x10',
      'B -1 13.12 -0.84 87 -2.31 640',
      'B 60000 1e9 -0.84 87 -2.31 640',
      'C 60000 17.90 1.20 13.30 1.52 4.10 22 constructor',
      'C 60000 17.90 1.20 13.30 1.52 4.10 22',
      'X 60000 1',
      `M 1 12.0 ${'1'.repeat(200)}`,
    ])
      expect(readInstrumentLine(line)).withContext(line).toBeNull();
  });

  it('are read or refused, whatever comes', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 150 }), (text) => {
        const read = readInstrumentLine(text);
        expect(read === null || Number.isFinite(read.ms)).toBeTrue();
      }),
    );
  });
});
