import fc from 'fast-check';
import { forecast } from '../forecast/forecast.js';
import { labelFromWatts } from '../panel/panel.js';
import { HOUR_MS } from '../span.js';
import type { SunPlan } from '../sun/harvest.js';
import { measuredRadio, whiteboardPlan } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { atChance, TRADE_CHANCES, tradeAt } from './ideal.js';
import type { BatteryChoice, SizeSpace, SunChoice } from './choices.js';
import { KitSearch, picks, type Fronts } from './kit-search.js';
import { KitTrials, type Trial } from './kit-trial.js';
import { allKits } from './kits.js';

const START_MS = Date.UTC(2027, 5, 1, 8);
const outing = { startMs: START_MS, endMs: START_MS + 30 * HOUR_MS };
const DRAWS = 60;

const base = whiteboardPlan({
  outing,
  stepMs: HOUR_MS / 2,
  radio: { name: 'Curlew', figures: measuredRadio(0.2, [10, 2]), dropoutV: 9 },
  blocks: [{ ...outing, label: 'CW 10 W', powerW: 10, modeFactor: 0.44, keyUpAtReceive: true, share: 0.3 }],
});

function battery(ratedAh: number, grams: number | null, price: number | null): BatteryChoice {
  const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh, health: 1 } as const;
  const packs = [{ ...base.packs[0], label }];
  const name = `${ratedAh.toFixed(1)} Ah`;
  return {
    name,
    packs,
    chemistry: 'lifepo4',
    isPowerStation: false,
    barred: null,
    grams,
    price,
    litres: 1,
    pieces: 1,
  };
}

const NO_SUN: SunChoice = {
  name: 'no panel',
  effort: 0,
  selfUseA: 0,
  throughPowerStation: false,
  by: null,
  grams: 0,
  price: 0,
  litres: 0,
  pieces: 0,
};

function sun(watts: number, grams: number, price: number | null, aim: SunPlan['aim']): SunChoice {
  const lifepo4 = sunPlan({
    aim,
    panel: labelFromWatts(watts, 'good_mono'),
    skyAt: () => ({ cloud: 0.5, rain: false, airC: 15, windMS: 2 }),
  });
  const effort = aim.how === 'flat' ? 0 : 1;
  return { ...NO_SUN, name: `${watts} W ${aim.how}`, effort, by: { lifepo4 }, grams, price, pieces: 2 };
}

function searched(space: SizeSpace, exhaustive: boolean): { fronts: Fronts; steps: number } {
  const { allowed } = allKits(space, {});
  const trials = new KitTrials(space, DRAWS);
  const search = new KitSearch(allowed, DRAWS);
  if (exhaustive) {
    const ranks = allowed.map((_, rank) => rank);
    search.take(
      { ranks, mustBeat: [] },
      ranks.map((rank) => trials.try(allowed[rank])),
    );
  } else {
    for (let batch = search.batch(3); batch; batch = search.batch(3)) {
      const { ranks, mustBeat } = batch;
      search.take(
        batch,
        ranks.map((rank, at) => trials.try(allowed[rank], mustBeat[at])),
      );
    }
  }
  return { fronts: search.fronts(), steps: search.progress.steps };
}

describe('the search over a shelf', () => {
  const ampereHours = fc.double({ min: 4, max: 16, noNaN: true });
  const weighed = fc.record({
    ratedAh: ampereHours,
    grams: fc.integer({ min: 5, max: 30 }).map((hundreds) => hundreds * 100),
    price: fc.option(
      fc.integer({ min: 2, max: 20 }).map((tens) => tens * 10),
      { nil: null },
    ),
  });
  const shelves = fc.record({
    batteries: fc.array(weighed, { minLength: 1, maxLength: 5 }),
    panels: fc.array(fc.integer({ min: 5, max: 60 }), { maxLength: 3 }),
  });

  it('finds the same fronts as trying every kit on every sample, in fewer steps', () => {
    let narrowed = 0;
    let all = 0;
    fc.assert(
      fc.property(shelves, ({ batteries, panels }) => {
        const space: SizeSpace = {
          plan: base,
          batteries: batteries.map(({ ratedAh, grams, price }) => battery(ratedAh, grams, price)),
          suns: [
            NO_SUN,
            ...panels.flatMap((watts) => [
              sun(watts, 10 * watts, 3 * watts, { how: 'flat' }),
              sun(watts, 10 * watts, 3 * watts, { how: 'fixed', tiltDeg: 35, azimuthDeg: 180 }),
            ]),
          ],
        };
        const quick = searched(space, false);
        const whole = searched(space, true);
        expect(quick.fronts).toEqual(whole.fronts);
        narrowed += quick.steps;
        all += whole.steps;
      }),
      { numRuns: 25 },
    );
    expect(narrowed).toBeLessThan(0.7 * all);
  });

  it('keeps the reason of each rule that drops kits, and the limits', () => {
    const barred = { rule: 'discharge limit', sentence: 'Its protection would open.' };
    const space: SizeSpace = {
      plan: base,
      batteries: [battery(9, 1000, 80), { ...battery(5, 500, 40), barred }, battery(20, null, 100)],
      suns: [
        NO_SUN,
        {
          ...sun(20, 700, null, { how: 'flat' }),
          by: { lifepo4: { rule: 'cold voltage', sentence: 'Too many volts.' } },
        },
      ],
    };
    const { allowed, ruledOut } = allKits(space, {});
    expect(allowed.map(({ battery: at, sun: sunAt }) => [at, sunAt])).toEqual([[0, 0]]);
    expect(ruledOut.map(({ rule, count }) => [rule, count])).toEqual([
      ['cold voltage', 2],
      ['discharge limit', 2],
      ['no weight', 1],
    ]);
    expect(allKits(space, { grams: 900 }).ruledOut.find(({ rule }) => rule === 'too heavy')?.sentence).toBe(
      'It weighs 1.00 kg and 0.90 kg is the limit.',
    );
    expect(allKits(space, { price: 50 }).allowed).toEqual([]);
    expect(allKits(space, { pieces: 1 }).allowed.length).toBe(1);
    // What nobody has priced is not known to be within a price.
    const unpriced = { ...space, batteries: [battery(9, 1000, null)], suns: [NO_SUN] };
    expect(allKits(unpriced, {}).allowed.length).toBe(1);
    expect(allKits(unpriced, { price: 500 }).ruledOut[0].rule).toBe('no price');
    expect(
      allKits({ ...unpriced, suns: [{ ...NO_SUN, litres: null }] }, { litres: 5 }).ruledOut[0].rule,
    ).toBe('no volume');
  });

  it('stand from light to heavy, of equal weight the cheaper first, what has no price last', () => {
    const space: SizeSpace = {
      plan: base,
      batteries: [
        battery(9, 1000, null),
        battery(8, 1000, 90),
        battery(7, 800, 200),
        battery(6, 1000, 50),
        battery(5, 1000, null),
      ],
      suns: [NO_SUN],
    };
    expect(allKits(space, {}).allowed.map(({ battery: at }) => at)).toEqual([2, 3, 1, 0, 4]);
  });

  it('says which card lacks its weight, and what limits are passed by', () => {
    const told = (batteries: readonly BatteryChoice[], suns: readonly SunChoice[], limits = {}) =>
      allKits({ plan: base, batteries, suns }, limits).ruledOut.map(({ sentence }) => sentence);
    expect(told([battery(9, null, 10)], [NO_SUN])).toEqual([
      'The card of 9.0 Ah does not say what it weighs.',
    ]);
    const unweighed = { ...sun(20, 700, 60, { how: 'flat' }), grams: null };
    expect(told([battery(9, 1000, 10)], [unweighed])).toEqual([
      'The card of 20 W flat does not say what it weighs.',
    ]);
    expect(told([battery(9, 1000, 80)], [NO_SUN], { price: 50 })).toEqual([
      'To buy it costs 80 and 50 is the limit.',
    ]);
    expect(told([battery(9, 1000, 80)], [NO_SUN], { litres: 0.5 })).toEqual([
      'It takes up 1 l and 0.5 l is the limit.',
    ]);
    expect(told([battery(9, 1000, 80)], [NO_SUN], { pieces: 0 })).toEqual([
      'Its pieces are 1 and 0 is the limit.',
    ]);
    // What one has already costs nothing to buy.
    expect(told([{ ...battery(9, 1000, 80), toBuy: 0 }], [NO_SUN], { price: 50 })).toEqual([]);
    expect(told([{ ...battery(9, 1000, null), toBuy: 0 }], [NO_SUN], { price: 50 })).toEqual([]);
  });

  it('picks the lightest, the cheapest, the one that wants no hand, and the best within a weight', () => {
    const kits = [
      { battery: 0, sun: 0, grams: 1000, price: 200, litres: 1, pieces: 1, effort: 1 },
      { battery: 1, sun: 0, grams: 1500, price: 90, litres: 1, pieces: 1, effort: 0 },
      { battery: 2, sun: 0, grams: 2500, price: 150, litres: 1, pieces: 1, effort: 0 },
    ] as const;
    const search = new KitSearch(kits, 100);
    const trial = (wins: number): Trial => ({ wins, tried: 100, meanHours: 1, steps: 1 });
    const batch = { ranks: [0, 1, 2], mustBeat: [-1, -1, -1] };
    search.take(batch, [trial(92), trial(80), trial(97)]);
    const fronts = search.fronts();
    expect(fronts.weight.map(({ rank }) => rank)).toEqual([0, 2]);
    expect(fronts.price.map(({ rank }) => rank)).toEqual([1, 2]);
    const { lightest, cheapest, effortless, best } = picks(fronts, 0.9);
    expect([lightest, cheapest, effortless, best].map((kit) => kit?.rank)).toEqual([0, 2, 2, 2]);
  });

  it('names the kit that lasts longest where none comes near, and none where one does', () => {
    const tiny: SizeSpace = {
      plan: base,
      batteries: [battery(2, 300, 20), battery(4, 500, 40), battery(3, 400, 30)],
      suns: [NO_SUN],
    };
    const search = new KitSearch(allKits(tiny, {}).allowed, DRAWS);
    const trials = new KitTrials(tiny, DRAWS);
    const { allowed } = allKits(tiny, {});
    expect(search.nearest()).toBeNull();
    for (let batch = search.batch(2); batch; batch = search.batch(2)) {
      const { ranks, mustBeat } = batch;
      search.take(
        batch,
        ranks.map((rank, at) => trials.try(allowed[rank], mustBeat[at])),
      );
    }
    expect(search.fronts().weight).toEqual([]);
    expect(search.nearest()!.kit.grams).toBe(500);
    // 3.6 Ah above the reserve at some 0.44 A.
    expect(search.nearest()!.meanHours).toBeGreaterThan(6);
    expect(search.nearest()!.meanHours).toBeLessThan(11);
  });

  it('tells what a kit has to do with', () => {
    const space: SizeSpace = {
      plan: base,
      batteries: [battery(10, 1000, 80)],
      suns: [NO_SUN, sun(20, 700, 60, { how: 'flat' })],
    };
    const [dark, bright] = allKits(space, {}).allowed;
    const trials = new KitTrials(space, DRAWS);
    const ledger = trials.ledger(dark);
    expect(ledger.givesAh).toBeCloseTo(9, 6);
    // 30 h of 0.2 A and of three tenths on transmit: 0.3 x 0.44 x (2 - 0.2) more.
    expect(ledger.loadAh.middle).toBeGreaterThan(11.5);
    expect(ledger.loadAh.middle).toBeLessThan(14.5);
    expect(ledger.sunAh.high).toBe(0);
    const { sunAh, loadAh } = trials.ledger(bright);
    expect(sunAh.low).toBeLessThan(sunAh.middle);
    expect(sunAh.middle).toBeLessThan(sunAh.high);
    expect(ledger.loadAh.low).toBeLessThan(ledger.loadAh.middle);
    expect(ledger.loadAh.middle).toBeLessThan(ledger.loadAh.high);
    expect(loadAh).toEqual(ledger.loadAh);
    // A panel of 20 W flat under half a sky, as the forecast has it, to a fifth.
    const offered = forecast({ ...base, sun: space.suns[1].by!.lifepo4 as SunPlan }).verdict.sun!.offeredAh;
    expect(Math.abs(sunAh.middle / offered - 1)).toBeLessThan(0.2);
    // What the sun part takes for itself is load: 0.1 A for 30 h.
    const hungry = { ...space, suns: [{ ...NO_SUN, selfUseA: 0.1 }] };
    const itself = new KitTrials(hungry, DRAWS).ledger(allKits(hungry, {}).allowed[0]);
    expect(itself.loadAh.middle).toBeCloseTo(ledger.loadAh.middle + 3, 6);
  });
});

describe('the trade between battery and panel', () => {
  it('asks for more Ah with the chance, and for fewer beside more watts', () => {
    const plan = { ...base, sun: sunPlan() };
    const points = [0, 20, 60].map((watts) => tradeAt(plan, watts, 80));
    for (const { ampereHours } of points) {
      const known = ampereHours.map((value) => value!);
      expect(known).toEqual([...known].sort((a, b) => a - b));
    }
    TRADE_CHANCES.forEach((_, at) => {
      expect(points[1].ampereHours[at]!).toBeLessThan(points[0].ampereHours[at]!);
      expect(points[2].ampereHours[at]!).toBeLessThanOrEqual(points[1].ampereHours[at]!);
    });
  });

  it('says that no size is enough where the volts are too few', () => {
    const radio = { ...base.radio, dropoutV: 14 };
    expect(tradeAt({ ...base, radio }, 0, 20).ampereHours).toEqual([null, null, null, null]);
  });
});

describe('the smallest battery for a chance', () => {
  it('is the one that so many of the samples are content with, and none where too many want more than there is', () => {
    const smallest = Float64Array.from([1, 2, 3, 4, 5, 6, 7, 8, 9, Infinity]);
    // Nine of ten are content with 9 Ah, half of them with 5; all of them with none.
    expect([0.1, 0.5, 0.51, 0.9].map((chance) => atChance(smallest, chance))).toEqual([1, 5, 6, 9]);
    expect([0.95, 1].map((chance) => atChance(smallest, chance))).toEqual([null, null]);
  });
});
