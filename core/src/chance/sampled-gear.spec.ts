import { forecast } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { tightMarch, type TightOutcome } from '../march/tight-march.js';
import { copyOf } from '../march/tight-pack.js';
import { labelFromWatts } from '../panel/panel.js';
import { HOUR_MS } from '../span.js';
import { leadOf, measuredRadio, steadyLoad, whiteboardPlan } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { chanceLaw, emptyRun, expectedFor, take } from './chance-law.js';
import type { Sample } from './sample.js';
import { loadLaw } from './sampled-load.js';
import { wholeMarch } from './whole-march.js';

const outing = { startMs: 0, endMs: 10 * HOUR_MS };
const fm = { ...outing, label: 'FM 10 W', powerW: 10, modeFactor: 1, keyUpAtReceive: false, share: 0.5 };
const out = (): TightOutcome => ({ endHours: 0, lowestSoc: 0, endSoc: 0, steps: 0 });

/** How a plan goes in a sample that differs from the expected one. */
function drawn(plan: PlanInput, change: (expected: Sample) => Partial<Sample>) {
  const law = chanceLaw(plan);
  const run = emptyRun(law);
  const packs = law.packs.map(copyOf);
  const expected = expectedFor(law);
  take(law, { ...expected, ...change(expected) }, run, packs);
  const outcome = out();
  tightMarch(run, packs, outcome);
  return { run, outcome };
}

describe('a sample of the gear', () => {
  it('moves a continuous carrier by its radio’s own factor, and each accessory by its own', () => {
    const plan = whiteboardPlan({
      radio: { name: 'Curlew', figures: measuredRadio(1, [10, 3]), dropoutV: 9 },
      blocks: [fm],
      accessories: [
        { ...steadyLoad('lamp', 0.2, outing), from: { source: 'measured' } },
        steadyLoad('relay', 0.4, outing),
      ],
    });
    // 0.5 x 3 + 0.5 x 1 + 0.2 + 0.4 = 2.6 A
    expect(drawn(plan, () => ({})).run.loadA[0]).toBeCloseTo(2.6, 6);
    const deviation = (...values: number[]) => Float64Array.from(values);
    expect(drawn(plan, () => ({ keyDown: deviation(1) })).run.loadA[0]).toBeCloseTo(2.6 + 0.5 * 3 * 0.03, 6);
    expect(drawn(plan, () => ({ receive: deviation(-1) })).run.loadA[0]).toBeCloseTo(2.6 - 0.5 * 0.03, 6);
    const both = drawn(plan, () => ({ accessories: deviation(1, -1) }));
    expect(both.run.loadA[0]).toBeCloseTo(2.6 + 0.2 * 0.03 - 0.4 * 0.1, 6);
  });

  it('knows of each block and accessory how far it is to be believed', () => {
    const figures = {
      ...measuredRadio(1, [10, 3]),
      receiveByEar: [{ amps: 0.7, source: 'datasheet' as const }],
    };
    const hour = (from: number) => ({ startMs: from * HOUR_MS, endMs: (from + 1) * HOUR_MS });
    const voice = { ...fm, modeFactor: 0.4, keyUpAtReceive: false };
    const law = (assumption: 'measured' | 'expected', block = {}) =>
      loadLaw(
        whiteboardPlan({
          radio: { name: 'Curlew', figures, dropoutV: 9 },
          assumption,
          blocks: [
            { ...voice, ...hour(0), byEar: true },
            { ...voice, ...hour(2), measuredFactor: 0.3, ...block },
          ],
          accessories: [
            {
              name: 'lamp',
              pieces: [{ ...outing, mean: { amps: 0.1, watts: 5 }, keyDown: { amps: 0, watts: 0 } }],
            },
            { ...steadyLoad('relay', 0.4, outing), from: { source: 'measured' } },
          ],
        }),
        Float64Array.from({ length: 11 }, (_, edge) => edge * HOUR_MS),
        () => 12.5,
      );
    const { blocks, accessories } = law('measured');
    // 0.1 A and 5 W at 12.5 V
    expect(accessories[0].amps[3]).toBeCloseTo(0.5, 12);
    expect(accessories.map(({ from }) => from.source)).toEqual(['datasheet', 'measured']);
    expect(blocks.map(({ fromStep, toStep }) => [fromStep, toStep])).toEqual([
      [0, 1],
      [2, 3],
    ]);
    expect(blocks.map(({ receiveFrom }) => receiveFrom.source)).toEqual(['datasheet', 'measured']);
    // How hard overs are keyed: what was measured is surer, where the plan goes by what was measured.
    const spreads = blocks.map(({ modeSpread }) => modeSpread);
    expect(spreads[1]).toBeLessThan(spreads[0]);
    const expected = law('expected').blocks.map(({ modeSpread, modeFactor }) => [modeSpread, modeFactor]);
    expect(expected[1]).toEqual(expected[0]);
    const own = law('expected', { assumption: 'measured' }).blocks[1];
    expect(own.modeSpread).toBe(spreads[1]);
    expect(blocks.every(({ inOversA }) => inOversA === 0)).toBeTrue();
  });

  it('ends where the march ends with a battery that is less stiff, and a key-down current that is larger', () => {
    const plan = whiteboardPlan({
      radio: { name: 'Curlew', figures: measuredRadio(0.5, [10, 4]), dropoutV: 12.4 },
      blocks: [fm],
      pack: {
        label: {
          chemistry: 'lifepo4',
          cellsInSeries: 4,
          ratedAh: 30,
          health: 1,
          ohmicOhm: 0.02,
          leaksAMonth: 0,
        },
      },
      wiring: { ...whiteboardPlan().wiring, radio: leadOf(0.1) },
    });
    const stiff = Math.log(1.5) / 0.3;
    const { outcome } = drawn(plan, () => ({ resistance: stiff, keyDown: Float64Array.from([2]) }));
    const [pack] = plan.packs;
    const same = forecast({
      ...plan,
      radio: { ...plan.radio, figures: measuredRadio(0.5, [10, 4 * 1.06]) },
      packs: [{ ...pack, label: { ...pack.label, ohmicOhm: 0.02 * 1.5 } }],
    });
    expect(same.verdict.binds).toBe('radioDropout');
    // The loop takes the polarisation by the planned mean: some millivolts, on a table that is almost level.
    expect(Math.abs(outcome.endHours - same.verdict.endMs! / HOUR_MS)).toBeLessThan(0.1);
    expect(outcome.endHours).toBeLessThan(drawn(plan, () => ({})).outcome.endHours);
  });

  it('under the sun goes through the whole march as through the tight one, the controller’s limit in it', () => {
    const day = { startMs: Date.UTC(2027, 5, 1, 6), endMs: Date.UTC(2027, 5, 1, 18) };
    for (const maxA of [100, 0.8]) {
      const plan = whiteboardPlan({
        outing: day,
        stepMs: 15 * 60_000,
        blocks: [{ ...fm, ...day, share: 0 }],
        sun: sunPlan({
          panel: labelFromWatts(20, 'good_mono'),
          controller: { kind: 'mppt', maxA, wakeShare: 0.01, panelCableOhm: 0 },
        }),
      });
      const law = chanceLaw(plan);
      const run = emptyRun(law);
      const packs = law.packs.map(copyOf);
      const sample = { ...expectedFor(law), truth: -1 };
      take(law, sample, run, packs);
      const [tight, whole] = [new Float32Array(law.edgesMs.length), new Float32Array(law.edgesMs.length)];
      tightMarch(run, packs, out(), tight);
      wholeMarch(law, sample, run, out(), whole);
      expect(Math.max(...run.sunA!)).toBeGreaterThan(0.8);
      expect(whole.at(-1)).toBeGreaterThan(0.3);
      whole.forEach((soc, edge) => expect(Math.abs(soc - tight[edge])).toBeLessThan(0.003));
    }
  });

  it('takes each pack’s own spread, also where packs come into use in another order than they are named in', () => {
    const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 10, health: 1, leaksAMonth: 0 } as const;
    const pack = (name: string, startSoc: number, spread: number) => ({
      name,
      label,
      startSoc,
      reserveSoc: 0.1,
      capacityFrom: { source: 'measured', spread } as const,
    });
    // The second one waits almost empty, so the third comes before it.
    const packs = [pack('a', 1, 0), pack('b', 0.2, 0.2), pack('c', 1, 0)];
    // 1 A: a and c give 9 h each whatever the sample; only b, with 1 Ah, may be more or less.
    const law = chanceLaw(
      whiteboardPlan({
        packs,
        chargeIdle: true,
        outing: { startMs: 0, endMs: 30 * HOUR_MS },
        blocks: [{ ...fm, startMs: 0, endMs: 30 * HOUR_MS, share: 0 }],
      }),
    );
    const endOf = (capacity: number) => {
      const sample = { ...expectedFor(law), capacity };
      const run = emptyRun(law);
      take(law, sample, run, law.packs.map(copyOf));
      const outcome = out();
      wholeMarch(law, sample, run, outcome, new Float32Array(law.edgesMs.length));
      return outcome.endHours;
    };
    expect(endOf(0)).toBeCloseTo(19, 3);
    expect(endOf(-1)).toBeCloseTo(19 - 0.2, 3);
  });
});
