import { labelFromWatts } from '../panel/panel.js';
import { HOUR_MS } from '../span.js';
import { whiteboardPlan } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import { sunDayAh } from './sun-day.js';

const SEPTEMBER = Date.UTC(2027, 8, 4);
const sky = (cloud: number) => ({ cloud, rain: false, airC: 15, windMS: 2 });
const hundred = sunPlan({ panel: labelFromWatts(100, 'good_mono') });

describe('what a panel brings on a day before the departure', () => {
  it('is what practice has of 100 W: 25 to 35 Ah under a broken sky of early autumn', () => {
    const ampereHours = sunDayAh(whiteboardPlan({ sun: hundred }), SEPTEMBER, sky(0.6));
    expect(ampereHours).toBeGreaterThan(25);
    expect(ampereHours).toBeLessThan(36);
  });

  it('belongs to the whole day, whatever the hours, the shade and the load of the outing', () => {
    const of = (change: Parameters<typeof whiteboardPlan>[0]) =>
      sunDayAh(whiteboardPlan({ sun: hundred, ...change }), SEPTEMBER, sky(0.5));
    const noon = SEPTEMBER + 12 * HOUR_MS;
    const shaded = {
      ...hundred,
      shade: { ...hundred.shade, spans: [{ startMs: noon, endMs: noon + HOUR_MS, fraction: 1 }] },
    };
    expect(of({ outing: { startMs: noon, endMs: noon + 3 * HOUR_MS }, blocks: [] })).toBeCloseTo(of({}), 9);
    expect(of({ sun: shaded })).toBeCloseTo(of({}), 9);
  });

  it('is less under more cloud, less in December, and nothing without a panel', () => {
    const plan = whiteboardPlan({ sun: hundred });
    expect(sunDayAh(plan, SEPTEMBER, sky(1))).toBeLessThan(sunDayAh(plan, SEPTEMBER, sky(0.3)));
    expect(sunDayAh(plan, Date.UTC(2027, 11, 20), sky(0.3))).toBeLessThan(
      sunDayAh(plan, SEPTEMBER, sky(0.3)),
    );
    expect(sunDayAh(whiteboardPlan(), SEPTEMBER, sky(0))).toBe(0);
  });
});
