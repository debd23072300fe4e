import { labelFromWatts } from '../panel/panel.js';
import { harvest } from '../sun/harvest.js';
import { sunPlan } from '../testing/sun-plans.js';
import { traceOf } from '../testing/traces.js';
import { capacityTest, stepResistance } from './capacity-test.js';
import { proposeStretches } from './change-points.js';
import { overFigures } from './overs.js';
import { panelCheck } from './panel-check.js';
import { stretchFigures } from './readings.js';

describe('one reading alone', () => {
  const trace = { timesMs: Float64Array.of(7000), volts: Float64Array.of(12.8), amps: Float64Array.of(1.5) };

  it('has its current and volts, no spread, and lasts no time that anybody knows', () => {
    expect(stretchFigures(trace, { from: 0, to: 1 })).toEqual({
      seconds: 0,
      readings: 1,
      meanA: 1.5,
      spreadA: 0,
      peakA: 1.5,
      meanV: 12.8,
      ampereHours: 0,
      wattHours: 0,
    });
  });

  it('is one level', () => {
    expect(proposeStretches(trace, 0)).toEqual([{ from: 0, to: 1 }]);
  });
});

describe('the spread of readings', () => {
  it('is that of a sample: 1 A and 3 A lie the root of 2 A apart', () => {
    const trace = traceOf(
      [
        { amps: 1, seconds: 1 },
        { amps: 3, seconds: 1 },
      ],
      { perSecond: 1 },
    );
    expect(stretchFigures(trace, { from: 0, to: 2 }).spreadA).toBeCloseTo(Math.SQRT2, 12);
    expect(stretchFigures(trace, { from: 0, to: 2 }).meanV).toBeCloseTo(13.2 - 2 * 0.05, 12);
  });
});

describe('levels close together', () => {
  it('of a meter without noise are told from 2 mA up, its last digit, and not under that', () => {
    const step = (amps: number) =>
      proposeStretches(
        traceOf([
          { amps: 0.14, seconds: 20 },
          { amps: 0.14 + amps, seconds: 20 },
        ]),
        2,
      ).length;
    expect(step(0.002)).toBe(2);
    expect(step(0.0005)).toBe(1);
  });
});

describe('overs', () => {
  const levels = { receiveA: 0, keyUpA: 0, keyDownA: 2 };
  const twoOvers = (restS: number) => {
    const trace = traceOf(
      [
        { amps: 0, seconds: 1 },
        { amps: 2, seconds: 3 },
        { amps: 0, seconds: restS },
        { amps: 2, seconds: 3 },
        { amps: 0, seconds: 3 },
      ],
      { perSecond: 1 },
    );
    return overFigures(trace, { from: 0, to: trace.amps.length }, levels);
  };

  it('take in a rest of a second, which is current of theirs; two seconds and more part them', () => {
    // 3 + 1 + 3 of 11 s in one over, 6/7 of it key-down
    expect(twoOvers(1)).toEqual({ share: 7 / 11, factor: 6 / 7, overs: 1 });
    expect(twoOvers(2)).toEqual({ share: 6 / 12, factor: 1, overs: 2 });
  });

  it('of a stretch are those within it', () => {
    const trace = traceOf([{ amps: 2, seconds: 10 }], { perSecond: 1 });
    expect(overFigures(trace, { from: 4, to: 8 }, levels)).toEqual({ share: 1, factor: 1, overs: 1 });
    expect(overFigures(trace, { from: 4, to: 4 }, levels)).toEqual({ share: 0, factor: null, overs: 0 });
  });
});

describe('a discharge', () => {
  const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 9, health: 1 } as const;
  const hours = (volts: number[]) => ({
    timesMs: Float64Array.from(volts, (_, index) => index * 60_000),
    volts: Float64Array.from(volts),
    amps: Float64Array.from(volts, () => 1),
  });

  it('that begins below its end, or never comes there, is no test, and it is said why', () => {
    for (const volts of [
      [10, 13, 10],
      [13, 12, 11.5],
    ]) {
      const test = capacityTest(hours(volts), label, 11, 25);
      if (test.ok) throw new Error('taken for a test');
      expect(test.problems[0].code).toBe('test-unfinished');
      expect(test.problems[0].sentence).toContain('never falls to 11 V');
    }
    expect(capacityTest(hours([13, 12, 11]), label, 11, 25).ok).toBeTrue();
  });

  it('tells the resistance by the middle one of its steps', () => {
    // Up and down by 2 A, the volts by 0.1, 0.04 and 0.2: 0.05, 0.02 and 0.1 ohm
    const amps = Float64Array.of(0, 2, 0, 2);
    expect(
      stepResistance({ timesMs: amps, volts: Float64Array.of(13, 12.9, 12.94, 12.74), amps }),
    ).toBeCloseTo(0.05, 12);
  });
});

describe('a panel check', () => {
  const from = Date.UTC(2027, 5, 21, 10);
  const timesMs = Float64Array.from({ length: 11 }, (_, index) => from + index * 60_000);
  const volts = timesMs.map(() => 13.2);
  const controller = { kind: 'mppt', maxA: 1, wakeShare: 0.01, panelCableOhm: 0 } as const;

  it('passes over what a controller at its limit cut off', () => {
    const check = panelCheck({ timesMs, volts, amps: volts.map(() => 1) }, sunPlan({ controller }));
    expect(check.ok).toBeFalse();
    const free = { ...controller, maxA: 100 };
    expect(
      panelCheck({ timesMs, volts, amps: volts.map(() => 1) }, sunPlan({ controller: free })).ok,
    ).toBeTrue();
  });

  it('says what would be enough where the sun is too weak, or the readings are too few', () => {
    const tiny = sunPlan({ panel: labelFromWatts(1, 'good_mono') });
    for (const check of [
      panelCheck({ timesMs, volts, amps: volts.map(() => 0.05) }, tiny),
      panelCheck({ timesMs: timesMs.slice(0, 5), volts, amps: volts }, sunPlan()),
      panelCheck({ timesMs: timesMs.slice(0, 1), volts, amps: volts }, sunPlan()),
    ]) {
      if (check.ok) throw new Error('taken for a check');
      expect(check.problems[0].code).toBe('too-little-sun');
    }
    expect(panelCheck({ timesMs: timesMs.slice(0, 6), volts, amps: volts }, sunPlan()).ok).toBeTrue();
  });

  it('takes the middle one of what the readings say', () => {
    const model = harvest(sunPlan({ truth: 1 }), timesMs);
    const truths = [0.9, 0.1, 0.8, 0.7, 0.2, 0.95, 0.85, 0.15, 0.75, 0.6, 0];
    const amps = Float64Array.from(truths, (truth, index) =>
      index < 10 ? truth * model.offeredAt(index, 13.2) : 0,
    );
    const check = panelCheck({ timesMs, volts, amps }, sunPlan());
    if (!check.ok) throw new Error(check.problems[0].sentence);
    expect(check.value.truth).toBeCloseTo(0.75, 12);
    const mean = 6 / 10;
    const squares = truths.slice(0, 10).reduce((sum, truth) => sum + (truth - mean) ** 2, 0);
    expect(check.value.spread).toBeCloseTo(Math.sqrt(squares / 9), 12);
  });
});
