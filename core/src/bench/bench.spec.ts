import { measuredRadio } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { traceOf } from '../testing/traces.js';
import { batteryPackAt } from '../battery/battery-pack.js';
import { steadyRun } from '../battery/steady-run.js';
import { assumedCurrents } from '../load/assumption.js';
import { transmitCurrentAtZero } from '../load/transmit-current.js';
import { HOUR_MS } from '../span.js';
import { harvest } from '../sun/harvest.js';
import { capacityTest, capacityTrend, ratingFrom, stepResistance } from './capacity-test.js';
import { proposeStretches } from './change-points.js';
import { overFigures } from './overs.js';
import { panelCheck } from './panel-check.js';
import { stretchBetween, stretchFigures } from './readings.js';
import {
  meterLine,
  readMeterLine,
  simulatedLoad,
  simulatedMeter,
  type MeterSetup,
} from './simulated-meter.js';

describe('a stretch of readings', () => {
  it('comes to its mean, spread, peak, charge and energy', () => {
    const trace = traceOf([
      { amps: 1, seconds: 60 },
      { amps: 3, seconds: 60 },
    ]);
    const all = stretchFigures(trace, { from: 0, to: trace.amps.length });
    expect([all.meanA, all.peakA, all.seconds]).toEqual([2, 3, 120]);
    expect(all.ampereHours).toBeCloseTo(4 / 60, 12);
    // 1 A at 13.15 V and 3 A at 13.05 V, a minute each
    expect(all.wattHours).toBeCloseTo((13.15 + 3 * 13.05) / 60, 12);
    const second = stretchFigures(trace, stretchBetween(trace, 60_000, 120_000));
    expect([second.meanA, second.spreadA, second.readings]).toEqual([3, 0, 300]);
  });

  it('counts nothing across a pause of the meter', () => {
    const timesMs = Float64Array.from([0, 1000, 600_000, 601_000]);
    const ones = Float64Array.from([1, 1, 1, 1]);
    const figures = stretchFigures({ timesMs, volts: ones, amps: ones }, { from: 0, to: 4 });
    expect(figures.seconds).toBe(3);
  });

  it('of nothing is nothing', () => {
    const figures = stretchFigures(traceOf([]), { from: 0, to: 0 });
    expect(Object.values(figures).every((value) => value === 0)).toBeTrue();
  });
});

describe('proposed stretches', () => {
  it('find where the level changes, through the noise', () => {
    const trace = traceOf(
      [
        { amps: 0.14, seconds: 30 },
        { amps: 1.92, seconds: 12 },
        { amps: 0.14, seconds: 20 },
        { amps: 1.36, seconds: 15 },
      ],
      { noiseA: 0.03 },
    );
    const edges = proposeStretches(trace, 2).map(({ from }) => trace.timesMs[from] / 1000);
    expect(edges.length).toBe(4);
    [0, 30, 42, 62].forEach((second, index) => expect(Math.abs(edges[index] - second)).toBeLessThan(0.5));
  });

  it('are one where nothing changes, and none of nothing', () => {
    expect(proposeStretches(traceOf([{ amps: 0.5, seconds: 300 }], { noiseA: 0.05 }), 2).length).toBe(1);
    expect(proposeStretches(traceOf([]), 2)).toEqual([]);
  });

  it('are no shorter than is asked for', () => {
    const trace = traceOf([
      { amps: 1, seconds: 10 },
      { amps: 2, seconds: 1 },
      { amps: 1, seconds: 10 },
    ]);
    for (const { from, to } of proposeStretches(trace, 3)) {
      expect(trace.timesMs[to - 1] - trace.timesMs[from]).toBeGreaterThanOrEqual(2700);
    }
  });
});

describe('a mode in real use', () => {
  const radio = assumedCurrents(measuredRadio(0.14, [10, 1.92], [5, 1.36], [2, 0.94]), 'measured');
  const setup: MeterSetup = {
    radio,
    powerW: 10,
    script: 'cw',
    noiseA: 0.005,
    offsetA: 0,
    driftAPerHour: 0,
    restV: 13.2,
    ohm: 0.05,
  };
  const record = (change: Partial<MeterSetup>, seconds: number, perSecond = 10) => {
    const read = simulatedMeter({ ...setup, ...change }, 7);
    const rows = Array.from({ length: seconds * perSecond }, (_, index) => read((index * 1000) / perSecond));
    return {
      timesMs: Float64Array.from(rows, ({ timeMs }) => timeMs),
      volts: Float64Array.from(rows, ({ volts }) => volts),
      amps: Float64Array.from(rows, ({ amps }) => amps),
    };
  };

  it('tells its transmit share and mode factor: CW by the standard word, slots all key-down', () => {
    const levels = { receiveA: 0.14, keyUpA: 0.14, keyDownA: 1.92 };
    const cw = record({}, 600);
    const found = overFigures(cw, { from: 0, to: cw.amps.length }, levels);
    expect(found.overs).toBe(20);
    expect(found.share).toBeGreaterThan(0.3);
    expect(found.share).toBeLessThan(0.35);
    expect(Math.abs(found.factor! - 0.44)).toBeLessThan(0.03);
    const slots = record({ script: 'slots' }, 600);
    const slotted = overFigures(slots, { from: 0, to: slots.amps.length }, { ...levels, keyUpA: 0.22 });
    expect(Math.abs(slotted.share - 12.64 / 30)).toBeLessThan(0.005);
    expect(slotted.factor!).toBeGreaterThan(0.99);
  });

  it('has a level of its own for each script: key-down, syllables, a beacon a minute', () => {
    const quiet = { noiseA: 0 };
    expect(new Set(record({ ...quiet, script: 'keyDown' }, 60).amps)).toEqual(new Set([1.92]));
    const beacons = record({ ...quiet, script: 'beacons' }, 120);
    // 0.8 s a minute, ten readings a second, to a reading
    const onAir = beacons.amps.filter((amps) => amps === 1.92).length;
    expect(Math.abs(onAir - 16)).toBeLessThanOrEqual(2);
    expect(beacons.amps.filter((amps) => amps === 0.14).length).toBe(1200 - onAir);
    const voice = record({ ...quiet, script: 'voice' }, 200);
    const overs = [...voice.amps].filter((_, index) => (voice.timesMs[index] / 1000) % 20 < 6);
    const between = [...voice.amps].filter((_, index) => (voice.timesMs[index] / 1000) % 20 >= 6);
    expect(new Set(between)).toEqual(new Set([0.14]));
    // Two fifths of the way from key-up to key-down, on average
    const upA = transmitCurrentAtZero(radio);
    const mean = overs.reduce((sum, amps) => sum + amps, 0) / overs.length;
    expect(Math.abs((mean - upA) / (1.92 - upA) - 0.4)).toBeLessThan(0.04);
    // 13.2 V at rest less 0.05 ohm x 1.92 A
    expect(record({ ...quiet, script: 'keyDown' }, 1).volts[5]).toBeCloseTo(13.2 - 0.05 * 1.92, 2);
  });

  it('is no over where nobody transmits', () => {
    const quiet = record({ script: 'receive' }, 60);
    const levels = { receiveA: 0.14, keyUpA: 0.22, keyDownA: 1.92 };
    expect(overFigures(quiet, { from: 0, to: quiet.amps.length }, levels)).toEqual({
      share: 0,
      factor: null,
      overs: 0,
    });
  });

  it('is the same for the same seed, with the meter’s own faults on top', () => {
    expect(record({}, 10)).toEqual(record({}, 10));
    const drifting = record({ script: 'receive', offsetA: 0.01, driftAPerHour: 0.1 }, 3600, 1);
    const late = stretchFigures(drifting, { from: 3500, to: 3600 });
    expect(late.meanA).toBeCloseTo(0.14 + 0.01 + 0.1 * (3550 / 3600), 2);
  });

  it('goes over a serial line and back', () => {
    const reading = { timeMs: 12_345, volts: 12.8731, amps: 0.1412 };
    expect(meterLine(reading)).toBe('M 12345 12.8731 0.1412');
    expect(readMeterLine(meterLine(reading))).toEqual(reading);
    for (const line of ['', 'V 1.2', 'M 12 volts 3', 'M 1 2']) expect(readMeterLine(line)).toBeNull();
  });
});

describe('a capacity test', () => {
  const label = { chemistry: 'agm', cellsInSeries: 6, ratedAh: 17, health: 0.8 } as const;

  it('turns what was given at one current into the rating, as the battery’s own formula would have it', () => {
    const pack = batteryPackAt(label, 10);
    const amps = 3;
    const { toCutoff } = steadyRun(pack, {
      startSoc: 1,
      reserveSoc: 0,
      meanA: amps,
      keyDownPackA: 0,
      keyDownRadioA: 0,
      cableOhm: 0,
      radioDropoutV: 0,
    });
    // The cut-off of 10.5 V is under an empty AGM's own volts: it is empty then.
    expect(ratingFrom(label, amps, toCutoff, 10)).toBeCloseTo(17 * 0.8, 9);
    expect(ratingFrom(label, 0.2, 50, 25)).toBeCloseTo(10, 12);
  });

  it('is read off a trace: charge, hours, rating and health', () => {
    const trace = traceOf([{ amps: 0.5, seconds: 8 * 3600 }], { perSecond: 1 / 60 });
    const volts = trace.timesMs.map((timeMs) => 12.6 - 0.25 * (timeMs / HOUR_MS));
    const test = capacityTest({ ...trace, volts }, { ...label, ratedAh: 4 }, 11, 25);
    if (!test.ok) throw new Error(test.problems[0].sentence);
    // 12.6 V falls to 11 V in 6.4 h
    expect(test.value.hours).toBeCloseTo(6.4, 1);
    expect(test.value.ampereHours).toBeCloseTo(3.2, 1);
    expect(test.value.health).toBeGreaterThan(0.8);
    expect(capacityTest(trace, label, 5, 25).ok).toBeFalse();
  });

  it('of a simulated load finds the pack that was simulated', () => {
    const own = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 9, health: 0.95 } as const;
    const read = simulatedLoad(batteryPackAt(own, 20), 2, 3);
    const rows = Array.from({ length: 1200 }, (_, index) => read(index * 15_000));
    const trace = {
      timesMs: Float64Array.from(rows, ({ timeMs }) => timeMs),
      volts: Float64Array.from(rows, ({ volts }) => volts),
      amps: Float64Array.from(rows, ({ amps }) => amps),
    };
    const test = capacityTest(trace, own, 10.5, 20);
    if (!test.ok) throw new Error(test.problems[0].sentence);
    expect(Math.abs(test.value.health - 0.95)).toBeLessThan(0.02);
    // Lead never falls so far by its table; empty, it does.
    const lead = simulatedLoad(batteryPackAt(label, 20), 3, 3);
    const volts = Array.from({ length: 1600 }, (_, index) => lead(index * 15_000).volts);
    expect(Math.min(...volts)).toBeLessThan(10.5);
    expect(
      Math.abs(test.value.ohm! - (batteryPackAt(own, 20).ohmicOhm + batteryPackAt(own, 20).polarisationOhm)),
    ).toBeLessThan(0.005);
  });

  it('tells the inner resistance from the steps of the current', () => {
    const trace = traceOf(
      [
        { amps: 0.2, seconds: 20 },
        { amps: 2.2, seconds: 20 },
        { amps: 0.2, seconds: 20 },
      ],
      { ohm: 0.08 },
    );
    expect(stepResistance(trace)).toBeCloseTo(0.08, 9);
    expect(stepResistance(traceOf([{ amps: 1, seconds: 20 }]))).toBeNull();
  });

  it('has a trend over the years, with the day when it is no longer enough', () => {
    const at = (year: number) => Date.UTC(year, 4, 1);
    const tests = [
      { timeMs: at(2023), ratingAh: 17 },
      { timeMs: at(2025), ratingAh: 15 },
      { timeMs: at(2027), ratingAh: 13 },
    ];
    const trend = capacityTrend(tests, 10)!;
    expect(trend.ahPerYear).toBeCloseTo(-1, 2);
    expect(new Date(trend.enoughUntilMs!).getUTCFullYear()).toBe(2030);
    expect(capacityTrend(tests, 20)!.enoughUntilMs).toBeNull();
    expect(capacityTrend(tests.slice(0, 1), 10)).toBeNull();
    // Two are enough, on two days; what it had fallen to before the last test is there already; what rises lasts.
    expect(capacityTrend(tests.slice(0, 2), 10)!.ahPerYear).toBeCloseTo(-1, 2);
    expect(capacityTrend([tests[0], { ...tests[0], ratingAh: 16 }], 10)).toBeNull();
    expect(capacityTrend(tests, 14)!.enoughUntilMs).toBeNull();
    expect(
      capacityTrend(
        tests.map(({ timeMs, ratingAh }) => ({ timeMs, ratingAh: 30 - ratingAh })),
        25,
      ),
    ).toEqual({ ahPerYear: jasmine.any(Number) as unknown as number, enoughUntilMs: null });
  });
});

describe('a panel check', () => {
  it('finds the label truth and its spread from readings under a known sky', () => {
    const startMs = Date.UTC(2027, 5, 21, 10);
    const timesMs = Float64Array.from({ length: 60 }, (_, index) => startMs + index * 60_000);
    const model = harvest(sunPlan({ truth: 1 }), timesMs);
    const volts = timesMs.map(() => 13.2);
    const amps = timesMs.map((_, index) =>
      index < 59 ? model.offeredAt(index, 13.2) * (index % 2 ? 0.8 : 0.84) : 0,
    );
    const check = panelCheck({ timesMs, volts, amps }, sunPlan());
    if (!check.ok) throw new Error(check.problems[0].sentence);
    expect(check.value.readings).toBe(59);
    expect(check.value.truth).toBeCloseTo(0.82, 1);
    expect(check.value.spread).toBeCloseTo(0.02, 2);
  });

  it('says that the night tells nothing', () => {
    const timesMs = Float64Array.from({ length: 20 }, (_, index) => Date.UTC(2027, 5, 21, 0, index));
    const none = timesMs.map(() => 0);
    expect(panelCheck({ timesMs, volts: timesMs.map(() => 13), amps: none }, sunPlan()).ok).toBeFalse();
  });
});
