import { sampleSky, skyLaw } from '../chance/sampled-sky.js';
import { generator } from '../random/generator.js';
import { HOUR_MS } from '../span.js';
import { clearSky, dayOfYear, underCloud } from '../sun/clear-sky.js';
import { cloudAt, FOG, OVERCAST, RAIN } from '../sun/light-table.js';
import { sunPosition } from '../sun/position.js';
import { whiteboardPlan } from '../testing/plans.js';
import { sunPlan } from '../testing/sun-plans.js';
import type { Outlook } from '../weather/outlook.js';
import { underTypicalSky } from './typical-sky.js';

const START_MS = Date.UTC(2027, 6, 1);
const outing = { startMs: START_MS, endMs: START_MS + 72 * HOUR_MS };
const said = (cloud: number, more = {}) => ({
  ...sunPlan(),
  skyAt: () => ({ cloud, rain: false, airC: 12, windMS: 3, ...more }),
});
const certain: Outlook = { isForecast: () => true };
const maritime: Outlook = { climate: 'maritime', isForecast: () => false };
const planUnder = (sun: ReturnType<typeof said>, outlook: Outlook) =>
  whiteboardPlan({ outing, sun, outlook });
const skyAt = (hour: number, sun = said(0.5), outlook = maritime, factor = 1) =>
  underTypicalSky(planUnder(sun, outlook), factor).sun!.skyAt(START_MS + hour * HOUR_MS);
/** Light on the level under a sky, W/m². */
const lightUnder = (hour: number, sky: { cloud: number; rainShare?: number; fog?: boolean }) => {
  const timeMs = START_MS + (hour + 0.5) * HOUR_MS;
  const { latitudeDeg, longitudeDeg, heightM, turbidity } = sunPlan();
  const { altitudeDeg } = sunPosition(timeMs, latitudeDeg, longitudeDeg);
  const clear = clearSky(altitudeDeg, heightM, turbidity, dayOfYear(timeMs));
  return underCloud(clear, altitudeDeg, { rainShare: 0, fog: false, ...sky }).ghi;
};

describe('the typical sky', () => {
  it('lets through the mean light of the simulated skies of the hour', () => {
    const sun = said(0.5);
    const law = skyLaw(outing, sun, sun.skyAt, maritime);
    for (const hour of [8, 12, 16, 36]) {
      let sum = 0;
      const count = 2000;
      const places = new Float32Array(law.hours.length);
      for (let seed = 0; seed < count; seed++) {
        sampleSky(law, generator(seed + 1), places);
        const place = places[hour];
        const row = Math.floor(place);
        const at = (one: number) =>
          lightUnder(hour, {
            cloud: cloudAt(Math.min(one, OVERCAST)),
            rainShare: one === RAIN ? 1 : 0,
            fog: one >= FOG,
          });
        sum += at(row) + (place - row) * (at(Math.min(row + 1, FOG)) - at(row));
      }
      const { cloud, rainShare = 0 } = skyAt(hour + 0.5, sun);
      const typical = lightUnder(hour, { cloud, rainShare });
      // 150 skies against 2,000 others
      expect(Math.abs(typical / (sum / count) - 1))
        .withContext(`hour ${hour}`)
        .toBeLessThan(0.08);
    }
  });

  it('is closed where rain is said, and open where little cloud is', () => {
    const wet = skyAt(12.5, said(1, { rain: true }), certain);
    expect(wet.cloud).toBeGreaterThan(0.95);
    expect(wet.rain).toBeFalse();
    const dry = skyAt(12.5, said(0.3), certain);
    expect(dry.rainShare).toBe(0);
    expect(dry.cloud).toBeLessThan(0.6);
  });

  it('under fog is as dark as fog', () => {
    const foggy = skyAt(12.5, said(1, { fog: true }), certain);
    const light = lightUnder(12, { cloud: foggy.cloud, rainShare: foggy.rainShare ?? 0 });
    expect(light).toBeLessThan(lightUnder(12, { cloud: 0.8 }));
  });

  it('is more closed by a factor, up to rain all of the hour, and keeps its air and wind', () => {
    const [half, whole, twice, far] = [0.5, 1, 1.5, 9].map((factor) =>
      skyAt(12.5, said(0.5), maritime, factor),
    );
    expect(half.cloud).toBeCloseTo(whole.cloud / 2, 9);
    const closed = (sky: typeof half) => sky.cloud + (sky.rainShare ?? 0);
    expect(closed(twice)).toBeCloseTo(1.5 * closed(whole), 9);
    expect([far.cloud, far.rainShare]).toEqual([1, 1]);
    expect([whole.airC, whole.windMS]).toEqual([12, 3]);
    expect(whole.turbidity).toBe(sunPlan().turbidity);
  });

  it('is known before the outing and after it as in its first and its last hour', () => {
    expect(skyAt(-5)).toEqual(skyAt(0.5));
    expect(skyAt(99)).toEqual(skyAt(71.5));
    expect(skyAt(12.2)).toEqual(skyAt(12.8));
  });
});
