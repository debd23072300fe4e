import { darkFieldPlan, fieldHour, fieldPlan } from '../testing/field-outings.js';
import { MINUTE_MS } from '../span.js';
import { readInstrumentLine, type InstrumentReading } from './instrument-lines.js';
import { playInstruments } from './stand-ins.js';

const EVERY = 10 * MINUTE_MS;
type Of<Source> = Extract<InstrumentReading, { source: Source }>;
const readingsOf = <Source extends InstrumentReading['source']>(
  played: ReturnType<typeof playInstruments>,
  source: Source,
) =>
  played.lines
    .map(({ line }) => readInstrumentLine(line))
    .filter((reading): reading is Of<Source> => reading?.source === source);

describe('stand-ins of the instruments', () => {
  let played: ReturnType<typeof playInstruments>;
  let monitor: Of<'monitor'>[];
  let controller: Of<'controller'>[];
  beforeAll(() => {
    played = playInstruments(fieldPlan(), 3, { everyMs: EVERY });
    monitor = readingsOf(played, 'monitor');
    controller = readingsOf(played, 'controller');
  });

  it('send lines that are read, each at its time, the same for the same seed', () => {
    expect(monitor.length).toBe(played.truth.length);
    expect(controller.length).toBe(monitor.length);
    expect(played.lines.every(({ line }) => readInstrumentLine(line) !== null)).toBeTrue();
    for (const { timeMs, line } of played.lines)
      expect(readInstrumentLine(line)!.ms).toBe(timeMs - fieldHour(0));
    expect(playInstruments(fieldPlan(), 3, { everyMs: EVERY })).toEqual(played);
    expect(playInstruments(fieldPlan(), 4, { everyMs: EVERY }).truth).not.toEqual(played.truth);
  });

  it('stay near the truth: a monitor drifts, a little', () => {
    played.truth.forEach(({ soc }, index) => {
      expect(Math.abs(monitor[index].percent / 100 - soc)).toBeLessThan(0.08);
    });
    const off = played.truth.map(({ soc }, index) => monitor[index].percent / 100 - soc);
    expect(Math.max(...off.map(Math.abs))).toBeGreaterThan(0.006);
  });

  it('tell what belongs together', () => {
    for (const { percent, ampereHours, minutesLeft, amps } of monitor) {
      expect(percent).toBeLessThanOrEqual(100);
      expect(ampereHours).toBeLessThanOrEqual(0);
      if (amps > 0) expect(minutesLeft).toBeNull();
    }
    for (const [index, { stage, panelA, inAh, peakW }] of controller.entries()) {
      // At the edge the last digit that is shown decides.
      if (Math.abs(panelA - 0.02) > 0.011) expect(stage === 'off').toBe(panelA < 0.02);
      if (index === 0) continue;
      expect(peakW).toBeGreaterThanOrEqual(controller[index - 1].peakW);
      // What is counted only grows, but for the last digit that is shown.
      expect(inAh).toBeGreaterThan(controller[index - 1].inAh - 0.3);
    }
    expect(controller.at(-1)!.inAh).toBeGreaterThan(controller[10].inAh);
    // The most watts so far: those that it passed on itself.
    const most = Math.max(...controller.map(({ panelV, panelA }) => panelV * panelA));
    expect(Math.abs(controller.at(-1)!.peakW - most)).toBeLessThan(1);
  });

  it('know of a battery that is full, in the order of time, and of none after the end', () => {
    const full = (hour: number) =>
      ({ kind: 'battery', timeMs: fieldHour(hour), does: 'full', pack: 0 }) as const;
    const with12 = playInstruments(fieldPlan(), 3, { everyMs: EVERY, batteries: [full(12), full(41)] });
    expect(with12.lines.length).toBe(played.lines.length);
    const socAt = ({ truth }: typeof played, hour: number) =>
      truth.find(({ timeMs }) => timeMs > fieldHour(hour))!.soc;
    expect(socAt(with12, 11.5)).toBe(socAt(played, 11.5));
    expect(socAt(with12, 12)).toBeGreaterThan(0.98);
    expect(socAt(played, 12)).toBeLessThan(0.97);
    // What is seen is of the same instant as what is true.
    const sky = (of: typeof played) => of.truth.map(({ sky: seen }) => seen);
    expect(sky(with12)).toEqual(sky(played));
  });

  it('are the inline meter too, where it is wanted: it shows what the loads take', () => {
    const all = playInstruments(fieldPlan(), 3, { everyMs: EVERY, sources: ['meter', 'monitor'] });
    const meter = readingsOf(all, 'meter');
    expect(meter.length).toBe(all.truth.length);
    expect(readingsOf(all, 'controller')).toEqual([]);
    for (const { volts, amps } of meter) {
      expect(volts).toBeGreaterThan(9);
      expect(volts).toBeLessThan(16);
      expect(amps).toBeLessThan(5);
    }
    // With the key down it shows far more than while nothing is on.
    expect(Math.max(...meter.map(({ amps }) => amps))).toBeGreaterThan(1.5);
  });

  it('see rain where it rains', () => {
    const plan = fieldPlan();
    const wet = { ...plan.sun!.skyAt(0), cloud: 1, rain: true };
    const rainy = { ...plan, sun: { ...plan.sun!, skyAt: () => wet } };
    // A day turns out otherwise than forecast now and then.
    const truth = [1, 2, 3, 4].flatMap((seed) => playInstruments(rainy, seed, { everyMs: EVERY }).truth);
    const inRain = truth.filter(({ sky }) => sky!.rain);
    expect(inRain.length).toBeGreaterThan(0.5 * truth.length);
    expect(inRain.every(({ sky }) => sky!.cloud === 1)).toBeTrue();
    expect(played.truth.some(({ sky }) => sky!.rain)).toBeFalse();
  });

  it('have no controller without a panel', () => {
    const dark = playInstruments(darkFieldPlan(), 3, { everyMs: EVERY });
    expect(readingsOf(dark, 'controller')).toEqual([]);
    expect(dark.truth.at(-1)!.soc).toBeLessThan(dark.truth[0].soc);
  });
});
