import fc from 'fast-check';
import { forecast } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { labelFromWatts } from '../panel/panel.js';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import { harvest } from '../sun/harvest.js';
import { measuredRadio, whiteboardPlan } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { betaQuantiles, quantileOf } from './beta.js';
import { chanceLaw, sampleFor, emptyRun, expectedFor, take } from './chance-law.js';
import { SEED } from '../random/seed.js';
import { chanceOf, ChanceRun, oddsOf } from './chance.js';
import { tornado } from './tornado.js';

const START_MS = Date.UTC(2027, 5, 1, 8);
const outing = { startMs: START_MS, endMs: START_MS + 30 * HOUR_MS };

const plan = (ratedAh: number, watts = 20, change: Partial<PlanInput> = {}): PlanInput =>
  whiteboardPlan({
    outing,
    stepMs: 15 * MINUTE_MS,
    radio: { name: 'Curlew', figures: measuredRadio(0.2, [10, 2]), dropoutV: 9 },
    blocks: [{ ...outing, label: 'CW 10 W', powerW: 10, modeFactor: 0.44, keyUpAtReceive: true, share: 0.3 }],
    pack: { label: { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh, health: 1 } },
    ...(watts > 0 && {
      sun: sunPlan({
        panel: labelFromWatts(watts, 'good_mono'),
        skyAt: (timeMs) => ({
          cloud: Math.floor(timeMs / HOUR_MS) % 3 === 0 ? 0.9 : 0.5,
          rain: false,
          airC: 15,
          windMS: 2,
        }),
      }),
    }),
    ...change,
  });

describe('the beta law', () => {
  it('has its mean, rises, and is certain at its ends', () => {
    for (const mean of [0.02, 0.2, 0.5, 0.9]) {
      const table = betaQuantiles(mean, 30);
      const samples = Array.from({ length: 2000 }, (_, index) => quantileOf(table, (index + 0.5) / 2000));
      expect(samples.reduce((sum, value) => sum + value, 0) / 2000).toBeCloseTo(mean, 2);
      expect(samples.every((value, index) => index === 0 || value >= samples[index - 1])).toBeTrue();
      const variance = samples.reduce((sum, value) => sum + (value - mean) ** 2, 0) / 2000;
      const spread = Math.sqrt((mean * (1 - mean)) / 31);
      expect(Math.sqrt(variance) / spread).toBeGreaterThan(0.93);
      expect(Math.sqrt(variance) / spread).toBeLessThan(1.03);
    }
    expect(quantileOf(betaQuantiles(0, 30), 0.9)).toBe(0);
    expect(quantileOf(betaQuantiles(1, 30), 0.1)).toBe(1);
  });
});

describe('a chance', () => {
  it('expects what the forecast says', () => {
    const input = plan(16);
    const law = chanceLaw(input);
    const run = emptyRun(law);
    take(law, expectedFor(law), run, []);
    const sun = harvest(input.sun!, law.edgesMs);
    const offered = Array.from(run.sunA!, (_, step) => sun.offeredAt(step, 13.1));
    const sum = (values: ArrayLike<number>) => Array.from(values).reduce((total, value) => total + value, 0);
    expect(sum(run.sunA!) / sum(offered)).toBeGreaterThan(0.97);
    expect(sum(run.sunA!) / sum(offered)).toBeLessThan(1.03);
    const { march } = forecast(input);
    expect(sum(run.loadA) / sum(march.wantedA)).toBeCloseTo(1, 3);
    const { p50 } = chanceOf(input);
    expect(Math.abs(p50[p50.length - 1] - march.soc[march.soc.length - 1])).toBeLessThan(0.06);
  });

  it('never falls with more Ah or more watts', () => {
    const amperes = fc.double({ min: 6, max: 18, noNaN: true });
    const watts = fc.integer({ min: 5, max: 60 });
    const chance = (input: PlanInput) => {
      const run = new ChanceRun(input, 7);
      run.more(60);
      return run.odds().finished;
    };
    fc.assert(
      fc.property(amperes, amperes, watts, watts, (a, b, v, w) => {
        expect(chance(plan(Math.max(a, b), v))).toBeGreaterThanOrEqual(chance(plan(Math.min(a, b), v)));
        expect(chance(plan(a, Math.max(v, w)))).toBeGreaterThanOrEqual(chance(plan(a, Math.min(v, w))));
      }),
      { numRuns: 12 },
    );
  });

  it('takes as many samples as it is told to, and none once it is sure', () => {
    const run = new ChanceRun(plan(11));
    run.more(0);
    expect(run.odds().samples).toBe(0);
    run.more(3);
    run.more(1);
    expect(run.odds().samples).toBe(4);
    while (run.more(50));
    const { samples } = run.odds();
    run.more(7);
    expect(run.odds().samples).toBe(samples);
    expect('availability' in run.soFar()).toBeFalse();
  });

  it('is the same to the bit for the same seed, and goes on where it stopped', () => {
    const whole = chanceOf(plan(11));
    const pieces = new ChanceRun(plan(11));
    while (pieces.more(37));
    expect(pieces.soFar()).toEqual(whole);
    expect(new ChanceRun(plan(11), 1).odds()).not.toEqual(whole);
  });

  it('takes samples until it is sure, or says that it reached the limit', () => {
    const sure = chanceOf(plan(30));
    expect([sure.stopped, sure.samples, sure.target]).toEqual(['sure', 400, 0.9]);
    const even = chanceOf(plan(8.2));
    expect(even.chance).toBeGreaterThan(0.2);
    expect(even.chance).toBeLessThan(0.85);
    expect(even.stopped).toBe('sure');
    // The nearer the target, the more samples: until it is two standard errors away, or there are enough.
    const asked = [-0.1, -0.03, 0, 0.03, 0.1].map((by) =>
      chanceOf(plan(8.2, 20, { targetChance: even.chance + by })),
    );
    for (const { chance, target, standardError, stopped, samples } of asked) {
      expect(stopped === 'sure').toBe(Math.abs(chance - target) > 2 * standardError);
      expect(samples === 2500).toBe(stopped === 'limit');
    }
    expect(Math.max(...asked.map(({ samples }) => samples))).toBeGreaterThan(400);
  });

  it('counts the sun on a pack that waits, and is the loop’s own answer where no pack waits', () => {
    const two = plan(8);
    const [pack] = two.packs;
    const packs = [pack, { ...pack, name: 'second' }];
    const { sun: _sun, ...dark } = { ...two, packs };
    const alone = (input: PlanInput) => {
      const run = new ChanceRun(input, 7);
      run.more(80);
      return run.soFar();
    };
    const idle = { ...two, packs, chargeIdle: true };
    const { march } = forecast(idle);
    // Half way the middle sample stands where the forecast does.
    const half = Math.floor(march.soc.length / 2);
    expect(Math.abs(alone(idle).p50[half] - march.soc[half])).toBeLessThan(0.06);
    expect(Math.abs(alone({ ...two, packs }).p50[half] - march.soc[half])).toBeGreaterThan(0.005);
    const whole = alone({ ...dark, chargeIdle: true });
    const tight = alone(dark);
    expect(whole.finished).toBe(tight.finished);
    expect(Math.abs(whole.p50[60] - tight.p50[60])).toBeLessThan(0.01);
  });

  it('keeps the weather when a block is added, and tells no certainty', () => {
    const one = plan(12);
    const [block] = one.blocks;
    const two = plan(12, 20, {
      blocks: [
        { ...block, endMs: START_MS + HOUR_MS },
        { ...block, startMs: START_MS + HOUR_MS },
      ],
    });
    expect(sampleFor(chanceLaw(two), SEED, 5).sky).toEqual(sampleFor(chanceLaw(one), SEED, 5).sky);
    expect(oddsOf(400, 400).standardError).toBeGreaterThan(0.002);
    expect(oddsOf(200, 400).standardError).toBeCloseTo(0.025, 3);
  });

  it('lets an amplifier’s load follow the drawn share', () => {
    const amplifier = (inOvers: boolean) => {
      const input = plan(60, 0);
      const [block] = input.blocks;
      const mean = { amps: 0.3 * 10, watts: 0 };
      const piece = {
        ...block,
        mean,
        keyDown: { amps: 10, watts: 0 },
        ...(inOvers && { inOvers: { amps: 10, watts: 0 } }),
      };
      return chanceLaw({ ...input, accessories: [{ name: 'amplifier', pieces: [piece] }] });
    };
    const loadOf = (law: ReturnType<typeof chanceLaw>, habit: number) => {
      const run = emptyRun(law);
      take(law, { ...expectedFor(law), habit }, run, []);
      return run.loadA[0];
    };
    const steady = amplifier(false);
    const keyed = amplifier(true);
    expect(loadOf(keyed, 1) - loadOf(keyed, -1)).toBeGreaterThan(
      5 * (loadOf(steady, 1) - loadOf(steady, -1)),
    );
  });
});

describe('what matters most', () => {
  it('is told from the widest bar, each from worse to better around what is expected', () => {
    const { expectedAh, swings } = tornado(plan(12));
    const { march, packs } = forecast(plan(12));
    expect(expectedAh).toBeCloseTo((Math.min(...march.soc) - 0.1) * packs[0].deliverableAh, 0);
    const widths = swings.map(({ badAh, goodAh }) => Math.abs(goodAh - badAh));
    expect(widths).toEqual([...widths].sort((a, b) => b - a));
    // A sky that is dim by day may still be kinder to the night's low point; what draws and what gives never is.
    const oneWay = swings.filter(({ input }) => input !== 'sky' && input !== 'aim');
    expect(oneWay.length).toBeGreaterThan(3);
    expect(oneWay.every(({ badAh, goodAh }) => goodAh > badAh)).toBeTrue();
    // A measured pack of 12 Ah, a tenth worse: 1.2816 x 5 % of its rating.
    const capacity = swings.find(({ input }) => input === 'capacity')!;
    expect((capacity.goodAh - capacity.badAh) / (2 * 1.2816 * 0.05 * 12)).toBeCloseTo(0.9, 1);
  });
});
