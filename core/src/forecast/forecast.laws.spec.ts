import fc from 'fast-check';
import { CHEMISTRY_NAMES } from '../battery/chemistry.js';
import type { ControllerKind } from '../panel/controller.js';
import { labelFromWatts, type Technology } from '../panel/panel.js';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import type { AimPlan } from '../sun/aim.js';
import type { SunPlan } from '../sun/harvest.js';
import { forecast, type Forecast } from './forecast.js';
import type { PlanInput } from './plan-input.js';

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });

/** Plans of up to two days with up to six blocks, any chemistry, in cold and heat, with or without an offered current. */
const plans: fc.Arbitrary<PlanInput> = fc
  .record({
    quarters: fc.array(fc.tuple(fc.integer({ min: 0, max: 16 }), fc.integer({ min: 1, max: 24 })), {
      maxLength: 6,
    }),
    tailQuarters: fc.integer({ min: 1, max: 40 }),
    share: between(0, 1),
    powerW: between(0.5, 100),
    receiveA: between(0.01, 1),
    topA: between(0.1, 20),
    steadyA: between(0, 2),
    chemistry: fc.constantFrom(...CHEMISTRY_NAMES),
    ratedAh: between(1, 100),
    temperatureC: between(-30, 40),
    startSoc: between(0.05, 1),
    floorSoc: between(0, 0.9),
    leadOhm: between(0, 0.3),
    dropoutV: between(8, 12),
    sunA: fc.option(between(0, 30), { nil: null }),
    panel: fc.option(
      fc.record({
        watts: between(1, 200),
        kind: fc.constantFrom('mppt' as const, 'boost' as const, 'pwm' as const),
        technology: fc.constantFrom('good_mono' as const, 'cheap_mono' as const, 'thin_film' as const),
        cloud: between(0, 1),
        latitudeDeg: between(-89, 89),
        maxA: between(0.5, 20),
        aim: fc.constantFrom<AimPlan>({ how: 'flat' }, { how: 'every', minutes: 60 }, { how: 'hung' }),
      }),
      { nil: null },
    ),
  })
  .map((given) => {
    let atMs = 0;
    const blocks = given.quarters.map(([gap, length]) => {
      const startMs = atMs + gap * 15 * MINUTE_MS;
      atMs = startMs + length * 15 * MINUTE_MS;
      const { share, powerW } = given;
      return { startMs, endMs: atMs, label: 'b', powerW, modeFactor: 0.44, keyUpAtReceive: true, share };
    });
    const outing = { startMs: 0, endMs: atMs + given.tailQuarters * 15 * MINUTE_MS };
    const { sunA } = given;
    return {
      outing,
      stepMs: 5 * MINUTE_MS,
      radio: {
        name: 'r',
        currents: { receiveA: given.receiveA, points: [{ rfW: 100, amps: given.receiveA + given.topA }] },
        dropoutV: given.dropoutV,
      },
      blocks,
      steady: [{ name: 's', amps: given.steadyA, spans: [outing] }],
      pack: {
        name: 'p',
        label: {
          chemistry: given.chemistry,
          cellsInSeries: { lifepo4: 4, liion: 4, agm: 6, gel: 6, flooded: 6, nimh: 10, alkaline: 9 }[
            given.chemistry
          ],
          ratedAh: given.ratedAh,
          health: 1,
        },
      },
      temperatureC: given.temperatureC,
      startSoc: given.startSoc,
      floorSoc: given.floorSoc,
      leadOhm: given.leadOhm,
      assumed: [],
      ...(given.panel && { sun: sunPlan(given.panel, given.temperatureC) }),
      ...(sunA !== null && {
        offeredA: (timeMs: number) => sunA * Math.max(0, Math.sin((timeMs / (24 * HOUR_MS)) * 2 * Math.PI)),
      }),
    };
  });

function sunPlan(
  panel: {
    readonly watts: number;
    readonly kind: ControllerKind;
    readonly technology: Technology;
    readonly cloud: number;
    readonly latitudeDeg: number;
    readonly maxA: number;
    readonly aim: AimPlan;
  },
  airC: number,
): SunPlan {
  return {
    latitudeDeg: panel.latitudeDeg,
    longitudeDeg: 5,
    heightM: 100,
    turbidity: 3.5,
    albedo: 0.2,
    skyAt: () => ({ cloud: panel.cloud, rain: false, airC, windMS: 2 }),
    aim: panel.aim,
    mount: 'propped',
    shade: { horizon: [], spans: [], sensitivity: 1.5 },
    panel: labelFromWatts(panel.watts, panel.technology),
    truth: 0.9,
    controller: { kind: panel.kind, maxA: panel.maxA, wakeShare: 0.01, panelLeadOhm: 0.05 },
  };
}

/** The same plan with something else about its sun, where it has one. */
const withSun = (plan: PlanInput, change: (sun: SunPlan) => SunPlan): PlanInput =>
  plan.sun ? { ...plan, sun: change(plan.sun) } : plan;

/** When the plan ends, or never. */
const endOf = ({ verdict }: Forecast): number => verdict.endMs ?? Infinity;

describe('laws of the forecast', () => {
  it('conserves charge to a millionth of what passes, with no loss below nothing', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const { books, soc } = forecast(plan).march;
        const through = books.offeredAh + books.drawnAh + 1e-6;
        const offered = books.servedAh + books.storedAh + books.curtailedAh + books.chargeLossAh;
        expect(Math.abs(books.offeredAh - offered)).toBeLessThanOrEqual(1e-6 * through);
        const { ratedAh } = plan.pack.label;
        const change = (soc[soc.length - 1] - plan.startSoc) * ratedAh;
        expect(Math.abs(change - (books.storedAh - books.drawnAh))).toBeLessThanOrEqual(1e-6 * through);
        expect(books.dischargeLossAh).toBeGreaterThanOrEqual(-1e-6 * through);
        expect(books.chargeLossAh).toBeGreaterThanOrEqual(0);
        expect(books.curtailedAh).toBeGreaterThanOrEqual(0);
      }),
    );
  });

  it('gives finite figures and a charge between empty and full', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const { march, verdict } = forecast(plan);
        for (const series of [march.soc, march.terminalV, march.radioV, march.loadA, march.curtailedA]) {
          expect(series.every(Number.isFinite)).toBeTrue();
        }
        expect(march.soc.every((soc) => soc >= 0 && soc <= 1)).toBeTrue();
        expect(Number.isFinite(verdict.marginAh)).toBeTrue();
        expect(Number.isNaN(verdict.marginHours)).toBeFalse();
      }),
    );
  });

  it('never ends sooner with more battery', () => {
    fc.assert(
      fc.property(plans, between(1, 3), (plan, times) => {
        const label = { ...plan.pack.label, ratedAh: plan.pack.label.ratedAh * times };
        const larger = forecast({ ...plan, pack: { ...plan.pack, label } });
        expect(endOf(larger)).toBeGreaterThanOrEqual(endOf(forecast(plan)) - 1);
      }),
    );
  });

  it('never ends sooner with less load', () => {
    fc.assert(
      fc.property(plans, between(0, 1), (plan, part) => {
        const steady = plan.steady.map((load) => ({ ...load, amps: load.amps * part }));
        expect(endOf(forecast({ ...plan, steady }))).toBeGreaterThanOrEqual(endOf(forecast(plan)) - 1);
      }),
    );
  });

  it('never ends sooner with more current offered', () => {
    fc.assert(
      fc.property(plans, between(0, 5), (plan, moreA) => {
        const offeredA = (timeMs: number) => (plan.offeredA?.(timeMs) ?? 0) + moreA;
        expect(endOf(forecast({ ...plan, offeredA }))).toBeGreaterThanOrEqual(endOf(forecast(plan)) - 1);
      }),
    );
  });

  it('never ends sooner with more panel', () => {
    fc.assert(
      fc.property(plans, between(1, 3), (plan, times) => {
        const larger = withSun(plan, (sun) => ({
          ...sun,
          panel: { ...sun.panel, impA: sun.panel.impA * times, iscA: sun.panel.iscA * times },
        }));
        expect(endOf(forecast(larger))).toBeGreaterThanOrEqual(endOf(forecast(plan)) - 1);
      }),
    );
  });

  it('moves its end by less than a step when the step is halved', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const steady = { ...plan, offeredA: undefined, sun: undefined } as unknown as PlanInput;
        const whole = endOf(forecast(steady));
        const half = endOf(forecast({ ...steady, stepMs: plan.stepMs / 2 }));
        if (whole === half) return;
        expect(Math.abs(whole - half)).toBeLessThan(plan.stepMs);
      }),
    );
  });

  it('is the same to the bit for the same plan', () => {
    fc.assert(
      fc.property(plans, (plan) => {
        const [one, two] = [forecast(plan), forecast(plan)];
        expect(one.march.soc).toEqual(two.march.soc);
        expect(one.verdict).toEqual(two.verdict);
      }),
      { numRuns: 20 },
    );
  });
});
