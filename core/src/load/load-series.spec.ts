import { HOUR_MS } from '../span.js';
import { chargeBetween, loadSeries } from './load-series.js';

const edgesMs = Float64Array.from([0, HOUR_MS]);
const block = { startMs: 0, endMs: HOUR_MS, powerW: 10, modeFactor: 1, keyUpAtReceive: false, share: 0.5 };
const radio = (amps: number) => ({ receiveA: 0.2, points: [{ rfW: 10, amps }] });

/** A first radio of 4 A that drops out at 11 V, and another beside it, on cables of the same resistance. */
const decidedBy = (otherA: number, otherDropoutV: number, cableOhm: number) => {
  const load = loadSeries(
    {
      radioName: 'first',
      radio: radio(4),
      blocks: [block],
      accessories: [],
      dropoutV: 11,
      cableOhm,
      others: [{ name: 'other', radio: radio(otherA), blocks: [block], dropoutV: otherDropoutV }],
    },
    edgesMs,
  );
  return { dropoutV: load.dropoutV![0], radioA: load.keyDownRadioA[0], keyDownA: load.keyDown.amps[0] };
};

describe('the load of several stations', () => {
  it('asks of the battery what both take, and drops out with the one that needs the most volts at the battery', () => {
    expect(decidedBy(2, 10.5, 0)).toEqual({ dropoutV: 11, radioA: 4, keyDownA: 6 });
    expect(decidedBy(2, 11.5, 0)).toEqual({ dropoutV: 11.5, radioA: 2, keyDownA: 6 });
  });

  it('counts what each loses on its own cable', () => {
    // 0.2 ohm: the first needs 11 + 4 x 0.2 = 11.8 V, the other 11.3 + 2 x 0.2 = 11.7 V, or 11.5 + 0.4 = 11.9 V.
    expect(decidedBy(2, 11.3, 0.2)).toEqual({ dropoutV: 11, radioA: 4, keyDownA: 6 });
    expect(decidedBy(2, 11.5, 0.2)).toEqual({ dropoutV: 11.5, radioA: 2, keyDownA: 6 });
  });

  it('asks for one that sends and others that receive, where one speaks at a time', () => {
    const load = (oneSpeaks: boolean, amps: readonly number[]) => {
      const [first, ...others] = amps.map((keyDownA) => radio(keyDownA));
      return loadSeries(
        {
          ...{ radioName: 'first', radio: first, blocks: [block], accessories: [], dropoutV: 11 },
          others: others.map((one) => ({ name: 'other', radio: one, blocks: [block], dropoutV: 10 })),
          oneSpeaks,
        },
        edgesMs,
      );
    };
    // 4 A and 2 A, each 0.2 A while it receives.
    expect(load(true, [4, 2]).keyDown.amps[0]).toBeCloseTo(4.2, 12);
    expect(load(true, [2, 4]).keyDown.amps[0]).toBeCloseTo(4.2, 12);
    expect(load(true, [2, 4, 3]).keyDown.amps[0]).toBeCloseTo(4.4, 12);
    expect(load(false, [2, 4, 3]).keyDown.amps[0]).toBe(9);
    // What is drawn on average is the same.
    expect(load(true, [2, 4]).mean).toEqual(load(false, [2, 4]).mean);
  });
});

describe('the charge between two instants', () => {
  const edgesMs = Float64Array.of(0, HOUR_MS, 2 * HOUR_MS, 3 * HOUR_MS);
  const amps = Float64Array.of(1, 2, 4);
  const between = (from: number, to: number) => chargeBetween(edgesMs, amps, from * HOUR_MS, to * HOUR_MS);

  it('counts each step by the part of it that lies between', () => {
    expect(between(0, 3)).toBe(7);
    expect(between(0.5, 1.5)).toBe(1.5);
    expect(between(1.25, 1.5)).toBe(0.5);
  });

  it('is nothing before, after or backward', () => {
    expect([between(-2, 0), between(3, 9), between(2, 1), between(1, 1)]).toEqual([0, 0, 0, 0]);
    expect(between(-5, 50)).toBe(7);
  });
});

describe('the load of everything', () => {
  const edgesMs = Float64Array.of(0, HOUR_MS, 2 * HOUR_MS, 3 * HOUR_MS);
  const lamp = { amps: 0.05, watts: 3 };
  const fan = { amps: 0.2, watts: 2 };
  const piece = (draw: typeof lamp, from: number, to: number) => ({
    startMs: from * HOUR_MS,
    endMs: to * HOUR_MS,
    mean: draw,
    keyDown: draw,
  });
  const loaded = () =>
    loadSeries(
      {
        radioName: 'radio',
        radio: radio(4),
        blocks: [{ ...block, startMs: HOUR_MS, endMs: 2 * HOUR_MS }],
        accessories: [
          { name: 'lamp', pieces: [piece(lamp, 0, 2)] },
          { name: 'fan', pieces: [piece(fan, 1, 3), piece(fan, 0, 1)] },
        ],
      },
      edgesMs,
    );
  let load: ReturnType<typeof loadSeries>;
  beforeAll(() => {
    load = loaded();
  });

  it('is the sum of each, amps and watts apart', () => {
    expect(load.consumers).toEqual(['radio', 'lamp', 'fan']);
    const [, lamps, fans] = load.byConsumer;
    expect([[...lamps.amps], [...lamps.watts]]).toEqual([
      [0.05, 0.05, 0],
      [3, 3, 0],
    ]);
    expect([[...fans.amps], [...fans.watts]]).toEqual([
      [0.2, 0.2, 0.2],
      [2, 2, 2],
    ]);
    load.mean.amps.forEach((amps, step) =>
      expect(amps).toBeCloseTo(
        load.byConsumer.reduce((sum, one) => sum + one.amps[step], 0),
        12,
      ),
    );
    expect([...load.mean.watts]).toEqual([5, 5, 2]);
  });

  it('counts in what is on while the key is down, and nothing while no radio is on', () => {
    expect([...load.keyDownRadioA]).toEqual([0, 4, 0]);
    expect(load.keyDown.amps[1]).toBeCloseTo(4 + 0.05 + 0.2, 12);
    expect([...load.keyDown.watts]).toEqual([0, 5, 0]);
    expect([load.keyDown.amps[0], load.keyDown.amps[2]]).toEqual([0, 0]);
  });
});
