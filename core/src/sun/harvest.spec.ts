import fc from 'fast-check';
import { timeGrid } from '../time-grid.js';
import { labelFromWatts } from '../panel/panel.js';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import type { AimPlan } from './aim.js';
import { sunPlan as plan } from '../testing/sun-plans.js';
import { harvest, type SunPlan } from './harvest.js';

const START_MS = Date.UTC(2027, 5, 21);
const day = timeGrid({ startMs: START_MS, endMs: START_MS + 24 * HOUR_MS }, 10 * MINUTE_MS, []);

/** Charge offered over the day at 13 V, Ah. */
function offeredAh(of: SunPlan, edges = day): number {
  const { offeredAt } = harvest(of, edges);
  let sum = 0;
  for (let step = 0; step < edges.length - 1; step++)
    sum += (offeredAt(step, 13) * (edges[step + 1] - edges[step])) / HOUR_MS;
  return sum;
}

describe('harvest', () => {
  it('of a clear midsummer day is what the whiteboard expects: some six hours of full light', () => {
    // 50 W x 0.9 x 0.95 / 13 V = 3.3 A; at about 7.5 kWh/m2 and warm cells a little under 7 hours of it
    const full = (50 * 0.9 * 0.95) / 13;
    const hours = offeredAh(plan()) / full;
    expect(hours).toBeGreaterThan(6);
    expect(hours).toBeLessThan(7.5);
  });

  it('is nothing in the night and in the polar night', () => {
    const { offeredAt, sunAltitudeDeg } = harvest(plan(), day);
    expect(sunAltitudeDeg[0]).toBeLessThan(0);
    expect(offeredAt(0, 13)).toBe(0);
    expect(offeredAh(plan({ latitudeDeg: -80 }))).toBe(0);
  });

  it('gains by turning to the sun, loses flat and hung on a pack', () => {
    // At the equinox: in midsummer the sun rises so far north that flat is as good as tilted.
    const equinox = day.map((timeMs) => timeMs + 92 * 24 * HOUR_MS);
    const by = (aim: AimPlan) => offeredAh(plan({ aim }), equinox);
    const fixed = by({ how: 'fixed', tiltDeg: 35, azimuthDeg: 180 });
    expect(by({ how: 'every', minutes: 60 })).toBeGreaterThan(fixed * 1.15);
    expect(by({ how: 'flat' })).toBeLessThan(fixed);
    expect(by({ how: 'hung' })).toBeLessThan(by({ how: 'flat' }));
  });

  it('never shrinks with panel or truth', () => {
    const amount = fc.double({ min: 0, max: 1, noNaN: true });
    fc.assert(
      fc.property(amount, amount, (a, b) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)];
        const watts = (share: number) =>
          offeredAh(plan({ panel: labelFromWatts(20 + 80 * share, 'good_mono') }));
        expect(watts(more)).toBeGreaterThanOrEqual(watts(less) - 1e-9);
        const truth = (share: number) => offeredAh(plan({ truth: 0.5 + 0.5 * share }));
        expect(truth(more)).toBeGreaterThanOrEqual(truth(less) - 1e-9);
      }),
      { numRuns: 20 },
    );
  });

  it('is a quarter under a closed sky and an eighth in rain, near enough, for a panel that lies flat', () => {
    const under = (cloud: number, rain: boolean) =>
      offeredAh(plan({ aim: { how: 'flat' }, skyAt: () => ({ cloud, rain, airC: 15, windMS: 2 }) }));
    const clear = under(0, false);
    expect(under(1, false) / clear).toBeGreaterThan(0.22);
    expect(under(1, false) / clear).toBeLessThan(0.3);
    expect(under(0, true) / clear).toBeGreaterThan(0.09);
    expect(under(0, true) / clear).toBeLessThan(0.15);
  });

  it('loses the beam while the tower shades it, and all but the rest of the sky behind a wall', () => {
    const noon = START_MS + 12 * HOUR_MS;
    const step = 12 * 6;
    const at = (shade: SunPlan['shade']) => harvest(plan({ shade }), day).lightWM2[step];
    const open = at({ horizon: [], spans: [], sensitivity: 2.5 });
    const half = { startMs: noon - HOUR_MS, endMs: noon + HOUR_MS, fraction: 0.2 };
    const film = at({ horizon: [], spans: [half], sensitivity: 1 });
    const crystalline = at({ horizon: [], spans: [half], sensitivity: 2.5 });
    expect(film).toBeLessThan(open);
    expect(crystalline).toBeLessThan(film);
    const walled = at({ horizon: [{ azimuthDeg: 0, elevationDeg: 89 }], spans: [], sensitivity: 2.5 });
    expect(walled).toBeLessThan(0.1 * open);
  });
});
