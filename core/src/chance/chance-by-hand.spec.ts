import { HOUR_MS } from '../span.js';
import { labelFromWatts } from '../panel/panel.js';
import { measuredRadio, steadyLoad, whiteboardPlan } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { betaQuantiles, normalProbability, quantileOf } from './beta.js';
import { SocBands } from './soc-bands.js';
import { tornado } from './tornado.js';

const day = { startMs: 0, endMs: 10 * HOUR_MS };
const block = { label: 'CW 10 W', powerW: 10, modeFactor: 0.44, keyUpAtReceive: true, share: 0.5 };
const radio = { name: 'Curlew', figures: measuredRadio(0.3, [10, 2]), dropoutV: 9 };
const relay = steadyLoad('relay', 0.5, day);
/** One of ten cases lies beyond it. */
const TENTH = 1.2816;

describe('what matters most, by hand', () => {
  // Overs of 0.3 + 0.44 × 1.7 = 1.048 A half of 4 h, of 0.3 + 0.8 × 1.7 = 1.66 A a fifth of 2 h, else 0.3 A; the relay 5 Ah:
  // 2.696 + 1.144 + 5 = 8.84 Ah of the 18 that 20 Ah give above a tenth.
  let expectedAh: number;
  let swings: ReturnType<typeof tornado>['swings'];
  beforeAll(() => {
    ({ expectedAh, swings } = tornado(
      whiteboardPlan({
        radio,
        blocks: [
          { ...block, startMs: 0, endMs: 4 * HOUR_MS },
          { ...block, startMs: 5 * HOUR_MS, endMs: 7 * HOUR_MS, share: 0.2, modeFactor: 0.8 },
        ],
        accessories: [relay],
      }),
    ));
  });
  const swing = (input: string) => swings.find((one) => one.input === input)!;

  it('begins with what is to spare where all is as expected', () => {
    expect(expectedAh).toBeCloseTo(18 - 8.84, 4);
  });

  it('moves each thing alone, by what one of ten cases lies beyond', () => {
    const off: Record<string, number> = {
      // 5 % of the rating, nine tenths of it above the reserve.
      capacity: 20 * 0.05 * 0.9,
      accessories: 5 * 0.1,
      // What is drawn at the receive current: between overs, and between the elements of an over.
      receive: 0.03 * (0.5 * 0.3 * 4 + 0.8 * 0.3 * 2 + 0.3 * (0.5 * 0.56 * 4 + 0.2 * 0.2 * 2)),
      keyDown: 0.03 * (0.5 * 0.44 * 2 * 4 + 0.2 * 0.8 * 2 * 2),
      // A quarter of m (1 − m).
      modeFactor: 1.7 * (0.25 * 0.44 * 0.56 * 0.5 * 4 + 0.25 * 0.8 * 0.2 * 0.2 * 2),
    };
    for (const [input, ampereHours] of Object.entries(off)) {
      expect(swing(input).badAh)
        .withContext(input)
        .toBeCloseTo(expectedAh - TENTH * ampereHours, 3);
      expect(swing(input).goodAh)
        .withContext(input)
        .toBeCloseTo(expectedAh + TENTH * ampereHours, 3);
    }
  });

  it('puts the widest first, and says what badly and well mean', () => {
    expect(swings.map(({ input, bad, good }) => [input, bad, good])).toEqual([
      ['capacity', '18.7 Ah to give', '21.3 Ah to give'],
      ['accessories', '5.64 Ah', '4.36 Ah'],
      ['share', '58 % of the time where 50 % is planned', '42 % of the time where 50 % is planned'],
      ['modeFactor', '0.52 of key-down on average', '0.36 of key-down on average'],
      ['keyDown', '2.08 A', '1.92 A'],
      ['receive', '0.31 A', '0.29 A'],
    ]);
  });

  it('tells of the block that transmits most and of the one that is known least, wherever they stand', () => {
    const words = (...blocks: Partial<typeof block>[]) =>
      tornado(
        whiteboardPlan({
          radio,
          blocks: blocks.map((one, place) => ({
            ...block,
            ...one,
            startMs: place * HOUR_MS,
            endMs: (place + 1) * HOUR_MS,
          })),
        }),
      )
        .swings.filter(({ input }) => input === 'share' || input === 'modeFactor')
        .map(({ input, bad }) => `${input} ${bad}`)
        .sort();
    const [busy, hard] = [
      { share: 0.6, modeFactor: 0.9 },
      { share: 0.2, modeFactor: 0.5 },
    ];
    expect(words(busy, hard)).toEqual(words(hard, busy));
    expect(words(busy, hard)[0]).toBe('modeFactor 0.58 of key-down on average');
    expect(words(busy, hard)[1]).toContain('where 60 % is planned');
  });

  it('leaves out what moves nothing', () => {
    const without = tornado(whiteboardPlan({ blocks: [], accessories: [relay] }));
    expect(without.swings.map(({ input }) => input)).toEqual(['capacity', 'accessories']);
  });

  it('counts what is lacking, with several batteries as one', () => {
    const [pack] = whiteboardPlan().packs;
    const lacking = tornado(
      whiteboardPlan({
        blocks: [],
        accessories: [steadyLoad('heater', 3, day)],
        packs: [pack, { ...pack, name: 'second', label: { ...pack.label, ratedAh: 5 } }],
      }),
    );
    // 30 Ah out of 25, a tenth of which is reserve.
    expect(lacking.expectedAh).toBeCloseTo(25 - 30 - 2.5, 1);
  });

  it('of the sun tells the sky, the panel and how it lies, each worse below better', () => {
    const outing = { startMs: Date.UTC(2027, 5, 1, 4), endMs: Date.UTC(2027, 5, 1, 20) };
    const sunny = tornado(
      whiteboardPlan({
        outing,
        blocks: [],
        accessories: [steadyLoad('heater', 1.5, outing)],
        sun: sunPlan({
          panel: labelFromWatts(20, 'good_mono'),
          skyAt: () => ({ cloud: 0.5, rain: false, airC: 15, windMS: 2 }),
        }),
      }),
    );
    for (const input of ['sky', 'truth', 'aim']) {
      const one = sunny.swings.find((swing) => swing.input === input)!;
      expect(one.badAh).withContext(input).toBeLessThan(one.goodAh);
      expect(parseFloat(one.bad)).withContext(input).toBeLessThan(parseFloat(one.good));
    }
    // Turned further to the south one that looks east gets more, one that looks west less: the worse is told as bad.
    for (const azimuthDeg of [110, 250]) {
      const turned = tornado(
        whiteboardPlan({
          outing,
          blocks: [],
          accessories: [steadyLoad('heater', 1.5, outing)],
          sun: sunPlan({
            panel: labelFromWatts(20, 'good_mono'),
            aim: { how: 'fixed', tiltDeg: 70, azimuthDeg },
          }),
        }),
      ).swings.find(({ input }) => input === 'aim')!;
      expect(turned.badAh).withContext(`${azimuthDeg}`).toBeLessThan(turned.goodAh);
    }
    // 8 % of nine tenths of the label, one of ten times beyond: 81 and 99 %.
    const truth = sunny.swings.find(({ input }) => input === 'truth')!;
    expect([truth.bad, truth.good]).toEqual(['81 % of its label', '99 % of its label']);
  });
});

describe('the laws that samples are drawn by', () => {
  it('the beta law has the quantiles that integrals give', () => {
    // Beta(2, 2): 3 x² − 2 x³; Beta(1, 3): 1 − (1 − x)³.
    const even = betaQuantiles(0.5, 4);
    for (const x of [0.25, 0.5, 0.75, 0.9])
      expect(quantileOf(even, 3 * x ** 2 - 2 * x ** 3))
        .withContext(`${x}`)
        .toBeCloseTo(x, 2);
    const small = betaQuantiles(0.25, 4);
    for (const x of [0.1, 0.2, 0.4, 0.6])
      expect(quantileOf(small, 1 - (1 - x) ** 3))
        .withContext(`${x}`)
        .toBeCloseTo(x, 2);
    expect(quantileOf(even, -1)).toBe(quantileOf(even, 0));
    expect(quantileOf(even, 2)).toBe(quantileOf(even, 1));
  });

  it('the normal law as tables have it', () => {
    const table: readonly [number, number][] = [
      [0.5, 0.6914625],
      [1, 0.8413447],
      [2.5, 0.9937903],
      [-0.5, 0.3085375],
      [-3, 0.0013499],
    ];
    for (const [z, share] of table) expect(normalProbability(z)).withContext(`${z}`).toBeCloseTo(share, 6);
  });
});

describe('bands of charge', () => {
  const bandsOf = (...socs: number[]) => {
    const bands = new SocBands(2);
    for (const soc of socs) bands.add(Float32Array.of(soc, 1 - soc));
    return (share: number) => [...bands.quantile(share)];
  };

  it('tell what a share of the samples stays under, edge by edge', () => {
    const quantile = bandsOf(0.2, 0.4, 0.6, 0.8);
    expect(quantile(0.25)[0]).toBeCloseTo(0.2, 6);
    expect(quantile(0.5)[0]).toBeCloseTo(0.4, 6);
    expect(quantile(0.5)[1]).toBeCloseTo(0.4, 6);
    expect(quantile(1)[0]).toBeCloseTo(0.8, 6);
    expect(quantile(0.9)[1]).toBeCloseTo(0.8, 6);
  });

  it('read between where many lie together, and stay within empty and full', () => {
    const same = bandsOf(...Array.from({ length: 100 }, () => 0.5));
    expect(same(0.5)[0]).toBeCloseTo(0.5, 6);
    expect(same(0.1)[0]).toBeCloseTo(0.5 - 0.4 / 250, 6);
    const ends = bandsOf(-0.2, 1.3, 1.3, 1.3);
    expect(ends(0.1)[0]).toBe(0);
    expect(ends(0.99)[0]).toBe(1);
  });
});
