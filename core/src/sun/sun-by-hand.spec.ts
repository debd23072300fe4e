import { HOUR_MS, MINUTE_MS } from '../span.js';
import { aimsAt, misaimed, towards } from './aim.js';
import { airMass, clearSky, dayOfYear, extraterrestrialNormal } from './clear-sky.js';
import { cosIncidence, lightOnPanel, totalOf } from './plane-of-panel.js';
import type { SunPosition } from './position.js';
import { hiddenSky, shadedFraction, shadeLoss, skylineAt } from './shade.js';
import { darkSpans, RISE_AND_SET_DEG, sunCrossings } from './twilight.js';

const sun = (altitudeDeg: number, azimuthDeg = 180): SunPosition =>
  ({ altitudeDeg, azimuthDeg }) as SunPosition;
const aim = (tiltDeg: number, azimuthDeg = 180) => ({ tiltDeg, azimuthDeg });

describe('the aim of a panel', () => {
  const START = Date.UTC(2027, 5, 1, 8);
  /** A sun that has moved a degree of azimuth for each minute since the start. */
  const sunAt = (timeMs: number) => sun(40, (timeMs - START) / MINUTE_MS);
  const azimuths = (plan: Parameters<typeof aimsAt>[0], minutes: number) =>
    aimsAt(plan, START + minutes * MINUTE_MS, START, sunAt).map(({ azimuthDeg }) => azimuthDeg);

  it('is flat, fixed, or turned every so often or at set hours', () => {
    expect(aimsAt({ how: 'flat' }, START, START, sunAt)).toEqual([aim(0)]);
    expect(aimsAt({ how: 'fixed', tiltDeg: 35, azimuthDeg: 170 }, START, START, sunAt)[0]).toEqual(
      jasmine.objectContaining(aim(35, 170)),
    );
    expect([0, 29, 30, 89].map((at) => azimuths({ how: 'every', minutes: 30 }, at)[0])).toEqual([
      0, 0, 30, 60,
    ]);
    const times = [40, 100].map((at) => START + at * MINUTE_MS);
    expect([39, 40, 99, 100, 500].map((at) => azimuths({ how: 'at', timesMs: times }, at)[0])).toEqual([
      0, 40, 40, 100, 100,
    ]);
  });

  it('of one that hangs on a pack is all round', () => {
    const hung = aimsAt({ how: 'hung' }, START, START, sunAt);
    expect(hung.length).toBe(12);
    expect(hung.map(({ azimuthDeg }) => azimuthDeg)).toEqual(
      Array.from({ length: 12 }, (_, index) => index * 30),
    );
    expect(hung.every(({ tiltDeg }) => tiltDeg === 70)).toBeTrue();
  });

  it('towards the sun is upright to its rays, flat while it is down', () => {
    expect(towards(sun(40, 200))).toEqual(aim(50, 200));
    expect(towards(sun(0, 200))).toEqual(aim(0));
    expect(cosIncidence(sun(40, 200), towards(sun(40, 200)))).toBeCloseTo(1, 12);
  });

  it('that is missed past the level looks the other way, and never past upright', () => {
    expect(misaimed(aim(3, 180), { tiltDeg: -5, azimuthDeg: 10 })).toEqual(aim(2, 10));
    expect(misaimed(aim(88, 350), { tiltDeg: 5, azimuthDeg: 20 })).toEqual(aim(90, 10));
    expect(misaimed(aim(30, 5), { tiltDeg: 1, azimuthDeg: -10 })).toEqual(aim(31, 355));
  });
});

describe('shade', () => {
  const horizon = [
    { azimuthDeg: 90, elevationDeg: 10 },
    { azimuthDeg: 180, elevationDeg: 30 },
    { azimuthDeg: 270, elevationDeg: 0 },
  ];

  it('of a skyline goes straight from point to point, round by north', () => {
    expect(
      [90, 135, 180, 225, 270, 0, 359, 45].map((at) => Math.round(skylineAt(horizon, at) * 100) / 100),
    ).toEqual([10, 20, 30, 15, 0, 5, 4.94, 7.5]);
    expect(skylineAt([], 100)).toBe(0);
    expect(skylineAt([horizon[0]], 300)).toBe(10);
  });

  it('hides the sky by the mean of the squared sine of its height', () => {
    expect(hiddenSky([])).toBe(0);
    expect(hiddenSky([{ azimuthDeg: 0, elevationDeg: 30 }])).toBeCloseTo(0.25, 12);
    // A wall to the south half, nothing under the horizon to the north.
    const half = [
      { azimuthDeg: 89.9, elevationDeg: -5 },
      { azimuthDeg: 90, elevationDeg: 30 },
      { azimuthDeg: 269.9, elevationDeg: 30 },
      { azimuthDeg: 270, elevationDeg: -5 },
    ];
    expect(hiddenSky(half)).toBeCloseTo(0.125, 2);
  });

  it('is whole behind the skyline, else the largest of the hours’ shares, from the first instant to before the last', () => {
    const spans = [
      { startMs: 0, endMs: HOUR_MS, fraction: 0.2 },
      { startMs: HOUR_MS / 2, endMs: 2 * HOUR_MS, fraction: 0.5 },
    ];
    const at = (timeMs: number, altitudeDeg: number) =>
      shadedFraction({ horizon, spans, sensitivity: 2.5 }, timeMs, sun(altitudeDeg));
    expect(at(0, 29)).toBe(1);
    expect([-1, 0, HOUR_MS / 2, HOUR_MS, 2 * HOUR_MS].map((timeMs) => at(timeMs, 31))).toEqual([
      0, 0.2, 0.5, 0.5, 0,
    ]);
    expect(at(0, 30)).toBe(0.2);
    expect([shadeLoss(0.2, 2.5), shadeLoss(0.5, 2.5)]).toEqual([0.5, 1]);
  });
});

describe('light on a panel', () => {
  const sky = { ghi: 600, dni: 700, dhi: 150 };
  const day = 172;
  const outside = 1361.1 * (1 + 0.033 * Math.cos((2 * Math.PI * day) / 365));

  it('is brought together from four ways, as Hay and Davies have it', () => {
    expect(extraterrestrialNormal(day)).toBeCloseTo(outside, 9);
    const light = lightOnPanel(sky, sun(40, 210), aim(30, 170), day, 0.2);
    const rad = Math.PI / 180;
    const cosine =
      Math.sin(40 * rad) * Math.cos(30 * rad) + Math.cos(40 * rad) * Math.sin(30 * rad) * Math.cos(40 * rad);
    const anisotropy = 700 / outside;
    expect(light.beam).toBeCloseTo(700 * cosine * (1 - 0.05 * (1 / cosine - 1)), 9);
    expect(light.circumsolar).toBeCloseTo((150 * anisotropy * cosine) / Math.sin(40 * rad), 9);
    expect(light.isotropic).toBeCloseTo((150 * (1 - anisotropy) * (1 + Math.cos(30 * rad))) / 2, 9);
    expect(light.ground).toBeCloseTo((0.2 * 600 * (1 - Math.cos(30 * rad))) / 2, 9);
    expect(totalOf(light)).toBeCloseTo(light.beam + light.circumsolar + light.isotropic + light.ground, 12);
  });

  it('has no beam from behind, nor at the flattest, and divides by no sun under a degree', () => {
    const behind = lightOnPanel(sky, sun(10, 0), aim(90, 180), day, 0.2);
    expect([behind.beam, behind.circumsolar]).toEqual([0, 0]);
    expect(behind.ground).toBeCloseTo(60, 9);
    // A cosine of 1/21 and less is lost whole: 1 − 0.05 × 20.
    expect(lightOnPanel(sky, sun(2, 180), aim(0), day, 0).beam).toBe(0);
    expect(lightOnPanel(sky, sun(4, 180), aim(0), day, 0).beam).toBeGreaterThan(0);
    const low = lightOnPanel(sky, sun(0.2, 180), aim(90, 180), day, 0);
    expect(low.circumsolar).toBeCloseTo(
      ((150 * 700) / outside) * (Math.cos((0.2 * Math.PI) / 180) / 0.01745),
      6,
    );
  });
});

describe('a clear sky', () => {
  it('counts its days, and what is outside of it', () => {
    expect(dayOfYear(Date.UTC(2027, 0, 1))).toBe(1);
    expect(dayOfYear(Date.UTC(2027, 11, 31, 23))).toBe(365);
    expect(extraterrestrialNormal(1)).toBeGreaterThan(1400);
    expect(extraterrestrialNormal(183)).toBeLessThan(1320);
  });

  it('is crossed by an air mass of one overhead, 38 at the horizon, less at height', () => {
    expect(airMass(90, 0)).toBeCloseTo(1, 3);
    expect(airMass(30, 0)).toBeCloseTo(1.993, 2);
    expect(airMass(0, 0)).toBeCloseTo(37.9, 0);
    expect(airMass(30, 3000) / airMass(30, 0)).toBeCloseTo(Math.exp(-3000 / 8434.5), 12);
  });

  it('closes: what comes on the level is the beam’s share and the sky’s', () => {
    for (const [altitude, height, turbidity] of [
      [60, 0, 3],
      [20, 2000, 2],
      [5, 0, 6],
    ] as const) {
      const { ghi, dni, dhi } = clearSky(altitude, height, turbidity, 100);
      expect(dni * Math.sin((altitude * Math.PI) / 180) + dhi)
        .withContext(`${altitude}`)
        .toBeCloseTo(ghi, 9);
      expect(dhi).toBeGreaterThan(0);
    }
    expect(clearSky(0, 0, 3, 100)).toEqual({ ghi: 0, dni: 0, dhi: 0 });
    // More light from higher up and through clearer air.
    expect(clearSky(40, 2500, 3, 100).ghi).toBeGreaterThan(clearSky(40, 0, 3, 100).ghi);
    expect(clearSky(40, 0, 2, 100).dni).toBeGreaterThan(clearSky(40, 0, 5, 100).dni);
    expect(clearSky(40, 0, 5, 100).dhi).toBeGreaterThan(clearSky(40, 0, 2, 100).dhi);
  });

  it('by the formulas of Ineichen and Perez at one point', () => {
    // Sea level, turbidity 3, the sun at 30°, day 100: fh1 = fh2 = 1.
    const outside = extraterrestrialNormal(100);
    const mass = airMass(30, 0);
    const ghi = 0.868 * outside * 0.5 * Math.exp(-0.0387 * mass * 3);
    const beam = (0.664 + 0.163) * outside * Math.exp(-0.09 * mass * 2);
    const bound = (ghi * (1 - (0.1 - 0.2 * Math.exp(-3)) / (0.1 + 0.882))) / 0.5;
    const found = clearSky(30, 0, 3, 100);
    expect(found.ghi).toBeCloseTo(ghi, 9);
    expect(found.dni).toBeCloseTo(Math.min(beam, bound), 9);
  });
});

describe('dawn and dusk', () => {
  const oslo = { latitudeDeg: 59.9, longitudeDeg: 10.7 };
  const day = { startMs: Date.UTC(2027, 2, 20, 0), endMs: Date.UTC(2027, 2, 21, 0) };

  it('are about twelve hours apart at the equinox, and darkness twice half an hour less', () => {
    const [rise, set] = sunCrossings(day, oslo, RISE_AND_SET_DEG);
    expect([rise.rising, set.rising]).toEqual([true, false]);
    expect((set.timeMs - rise.timeMs) / HOUR_MS).toBeCloseTo(12.2, 0);
    // The middle of the day is at noon by the sun: 12 h − 10.7° ÷ 15, and 7 minutes for the equation of time.
    expect((rise.timeMs + set.timeMs) / 2 / HOUR_MS - day.startMs / HOUR_MS).toBeCloseTo(
      12 - 10.7 / 15 + 7.5 / 60,
      1,
    );
    const dark = darkSpans(day, oslo);
    expect(dark.length).toBe(2);
    expect(dark[0].startMs).toBe(day.startMs);
    expect(dark[1].endMs).toBe(day.endMs);
    expect(dark[0].endMs).toBeLessThan(rise.timeMs - 30 * MINUTE_MS);
    expect(dark[1].startMs).toBeGreaterThan(set.timeMs + 30 * MINUTE_MS);
  });

  it('do not come in the polar day and night', () => {
    const north = { latitudeDeg: 80, longitudeDeg: 10 };
    const at = (month: number) => ({ startMs: Date.UTC(2027, month, 20), endMs: Date.UTC(2027, month, 21) });
    expect(sunCrossings(at(5), north, RISE_AND_SET_DEG)).toEqual([]);
    expect(darkSpans(at(5), north)).toEqual([]);
    expect(darkSpans(at(11), north)).toEqual([at(11)]);
  });

  it('are told only of a stretch, one that begins in the dark and ends by day', () => {
    const morning = { startMs: Date.UTC(2027, 2, 20, 2), endMs: Date.UTC(2027, 2, 20, 9) };
    const [only, ...others] = darkSpans(morning, oslo);
    expect(others).toEqual([]);
    expect(only.startMs).toBe(morning.startMs);
    expect(only.endMs).toBeLessThan(morning.endMs);
    const evening = { startMs: Date.UTC(2027, 2, 20, 12), endMs: Date.UTC(2027, 2, 20, 23) };
    expect(darkSpans(evening, oslo).map(({ endMs }) => endMs)).toEqual([evening.endMs]);
  });
});
