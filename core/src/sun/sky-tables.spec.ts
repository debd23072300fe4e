import { HOUR_MS, MINUTE_MS } from '../span.js';
import { sunPlan } from '../testing/sun-plans.js';
import { clearSky, underCloud } from './clear-sky.js';
import { harvest, lightOn, type SunPlan } from './harvest.js';
import { cloudAt, FOG, lightIn, lightTable, OVERCAST, RAIN, skyIndex } from './light-table.js';
import { outputTable, sampledSun } from './output-table.js';
import type { SunPosition } from './position.js';

const BATTERY_V = 13.2;
const START = Date.UTC(2027, 5, 1, 3, 20);
const edgesMs = Float64Array.from({ length: 24 * 4 + 1 }, (_, index) => START + index * 15 * MINUTE_MS);
const SPREAD = { tiltDeg: 5, azimuthDeg: 10 };

type Sky = Partial<ReturnType<SunPlan['skyAt']>>;
const planUnder = (sky: Sky, change: Partial<SunPlan> = {}): SunPlan =>
  sunPlan({ skyAt: () => ({ cloud: 0, rain: false, airC: 15, windMS: 2, ...sky }), ...change });
const exact = (plan: SunPlan) => {
  const { offeredAt } = harvest(plan, edgesMs);
  return Array.from({ length: edgesMs.length - 1 }, (_, step) => offeredAt(step, BATTERY_V));
};
const sampled = (place: number, aim = { tilt: 0, azimuth: 0 }, change: Partial<SunPlan> = {}) => {
  const plan = planUnder({}, change);
  const table = lightTable(plan, edgesMs, SPREAD);
  const into = new Float64Array(edgesMs.length - 1);
  sampledSun(
    table,
    outputTable(plan, table, edgesMs, BATTERY_V),
    new Float64Array(30).fill(place),
    aim,
    into,
  );
  return [...into];
};
const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);

describe('what a panel offers under a drawn sky', () => {
  it('is what the forecast calculates for that sky, in every step', () => {
    const skies: readonly (readonly [number, Sky])[] = [
      [0, {}],
      [5, { cloud: cloudAt(5) }],
      [OVERCAST, { cloud: 1 }],
      [RAIN, { rain: true }],
      [FOG, { fog: true }],
    ];
    for (const [place, sky] of skies) {
      const [drawn, calculated] = [sampled(place), exact(planUnder(sky))];
      expect(sum(calculated)).withContext(`${place}`).toBeGreaterThan(0);
      // Read between lights 35 W/m² apart; a charge controller that wakes makes a corner there.
      drawn.forEach((amps, step) =>
        expect(Math.abs(amps - calculated[step]))
          .withContext(`${place}, ${step}`)
          .toBeLessThan(0.04),
      );
      expect(sum(drawn) / sum(calculated))
        .withContext(`${place}`)
        .toBeCloseTo(1, 1);
    }
  });

  it('follows the skyline, hours of shade and a panel that is turned', () => {
    const shade = {
      horizon: [
        { azimuthDeg: 90, elevationDeg: 20 },
        { azimuthDeg: 270, elevationDeg: 0 },
      ],
      spans: [{ startMs: START + 8 * HOUR_MS, endMs: START + 10 * HOUR_MS, fraction: 0.3 }],
      sensitivity: 2,
    };
    const change: Partial<SunPlan> = { shade, aim: { how: 'every', minutes: 120 } };
    const [drawn, calculated] = [
      sampled(3, undefined, change),
      exact(planUnder({ cloud: cloudAt(3) }, change)),
    ];
    expect(sum(calculated)).toBeLessThan(
      0.95 * sum(exact(planUnder({ cloud: cloudAt(3) }, { aim: change.aim! }))),
    );
    drawn.forEach((amps, step) =>
      expect(Math.abs(amps - calculated[step]))
        .withContext(`${step}`)
        .toBeLessThan(0.04),
    );
  });

  it('lies between two places of cloud as far as between them', () => {
    const [clearer, between, cloudier] = [4, 4.25, 5].map((place) => sum(sampled(place)));
    expect((between - clearer) / (cloudier - clearer)).toBeCloseTo(0.25, 1);
  });

  it('of a panel that lies askew is what the forecast calculates for one that does', () => {
    const aim = (tilt: number, azimuth: number) => ({
      aim: { how: 'fixed', tiltDeg: 35 + tilt, azimuthDeg: 180 + azimuth } as const,
    });
    for (const [tilt, azimuth] of [
      [1, 0],
      [-1, 0],
      [0, 1],
      [0, -1],
    ] as const) {
      const drawn = sum(sampled(0, { tilt, azimuth }));
      const calculated = sum(exact(planUnder({}, aim(tilt * SPREAD.tiltDeg, azimuth * SPREAD.azimuthDeg))));
      expect(drawn / calculated)
        .withContext(`${tilt}, ${azimuth}`)
        .toBeCloseTo(1, 2);
    }
  });

  it('bends by a panel that lies askew just as the light on one that does, one standard deviation to each side', () => {
    const clear = (tiltDeg: number, azimuthDeg: number) => {
      const aim = { how: 'fixed', tiltDeg: 35 + tiltDeg, azimuthDeg: 180 + azimuthDeg } as const;
      return lightTable(planUnder({}, { aim }), edgesMs, SPREAD);
    };
    const table = clear(0, 0);
    const { tilt, tiltSquared, azimuth, azimuthSquared } = table;
    const ways: readonly [number, number, (index: number) => number][] = [
      [SPREAD.tiltDeg, 0, (index) => tilt[index] + tiltSquared[index]],
      [-SPREAD.tiltDeg, 0, (index) => -tilt[index] + tiltSquared[index]],
      [0, SPREAD.azimuthDeg, (index) => azimuth[index] + azimuthSquared[index]],
      [0, -SPREAD.azimuthDeg, (index) => -azimuth[index] + azimuthSquared[index]],
    ];
    for (const [tiltDeg, azimuthDeg, bend] of ways) {
      const turned = clear(tiltDeg, azimuthDeg);
      for (let index = 0; index < table.sunny.length; index++)
        expect(bend(index)).toBeCloseTo(turned.light[index] / table.light[index] - 1, 4);
    }
    // In the morning a panel that faces more to the west has less of the sun.
    expect(azimuth[Math.floor(table.sunny.length / 4)]).toBeLessThan(-0.02);
  });

  it('bends by half a square of what is clear of the sky, and not at all under a closed one', () => {
    const table = lightTable(planUnder({}), edgesMs, SPREAD);
    const index = Math.floor(table.sunny.length / 4);
    const { tilt, tiltSquared, azimuth, azimuthSquared } = table;
    const bend = tilt[index] + tiltSquared[index] + 2 * (azimuth[index] + 2 * azimuthSquared[index]);
    const askew = (sky: number) => lightIn(table, index, sky, 1, 2) / lightIn(table, index, sky, 0, 0) - 1;
    expect(Math.abs(bend)).toBeGreaterThan(0.02);
    expect(askew(0)).toBeCloseTo(bend, 6);
    expect(askew(OVERCAST / 2)).toBeCloseTo(bend / 4, 6);
    for (const closed of [OVERCAST, RAIN]) expect(askew(closed)).toBe(0);
  });

  it('of a panel that sees nothing of the sky is nothing, askew or not', () => {
    const whole = { startMs: START, endMs: START + 24 * HOUR_MS, fraction: 1 };
    const shade = { horizon: [], spans: [whole], sensitivity: 1 };
    const { tilt, azimuth, light } = lightTable(planUnder({}, { shade, albedo: 0 }), edgesMs, SPREAD);
    expect([...light, ...tilt, ...azimuth].every(Number.isFinite)).toBeTrue();
  });

  it('has a place for each cloud amount, dense where the sky closes, and back', () => {
    expect([skyIndex(0), skyIndex(0.75), skyIndex(1)]).toEqual([0, OVERCAST / 2, OVERCAST]);
    for (const cloud of [0, 0.1, 0.5, 0.9, 1]) expect(cloudAt(skyIndex(cloud))).toBeCloseTo(cloud, 12);
    expect([RAIN, FOG]).toEqual([OVERCAST + 1, OVERCAST + 2]);
  });

  it('counts its hours from the whole hour at or before the start, and only where the sun is up', () => {
    const { sunny, hour } = lightTable(planUnder({}), edgesMs, SPREAD);
    const { sunAltitudeDeg } = harvest(planUnder({}), edgesMs);
    expect([...sunny]).toEqual([...sunAltitudeDeg.keys()].filter((step) => sunAltitudeDeg[step] > 0));
    // The first step's middle is 03:27:30 in the hour of the start; a step from 04:05 on is in the next.
    const hourOf = new Map([...sunny].map((step, index) => [step, hour[index]]));
    [...sunny].forEach((step) =>
      expect(hourOf.get(step)).toBe(
        Math.floor((START + (step + 0.5) * 15 * MINUTE_MS) / HOUR_MS) - Math.floor(START / HOUR_MS),
      ),
    );
  });
});

describe('a sky under clouds, by hand', () => {
  const clear = clearSky(40, 0, 3, 150);
  const sin40 = Math.sin((40 * Math.PI) / 180);
  const dry = { rainShare: 0, fog: false };

  it('lets 12 % through in rain and 25 % in fog, all of it from the sky', () => {
    const rain = underCloud(clear, 40, { cloud: 0, rainShare: 1, fog: false });
    expect(rain).toEqual({ ghi: 0.12 * clear.ghi, dni: 0, dhi: 0.12 * clear.ghi });
    const fog = underCloud(clear, 40, { cloud: 0, rainShare: 0, fog: true });
    expect(fog).toEqual({ ghi: 0.25 * clear.ghi, dni: 0, dhi: 0.25 * clear.ghi });
    expect(underCloud(clear, 40, { cloud: 0, rainShare: 0, fog: false })).toEqual(
      jasmine.objectContaining({ ghi: clear.ghi }),
    );
  });

  it('that rains a quarter of the hour is a quarter of the way to rain', () => {
    const sky = underCloud(clear, 40, { cloud: 0.6, ...dry });
    const showers = underCloud(clear, 40, { cloud: 0.6, rainShare: 0.25, fog: false });
    expect(showers.ghi).toBeCloseTo(sky.ghi + 0.25 * (0.12 * clear.ghi - sky.ghi), 9);
    expect(showers.dni).toBeCloseTo(0.75 * sky.dni, 9);
    expect(showers.dhi).toBeCloseTo(sky.dhi + 0.25 * (0.12 * clear.ghi - sky.dhi), 9);
  });

  it('goes over to Kasten and Czeplak’s own clear sky within three tenths of cloud', () => {
    const theirs = Math.min(0.92 * clear.ghi, Math.max(0.8 * clear.ghi, 910 * sin40 - 30));
    for (const [cloud, between] of [
      [0.15, (clear.ghi + theirs) / 2],
      [0.3, theirs],
      [0.8, theirs],
      [1, theirs],
    ] as const) {
      const sky = underCloud(clear, 40, { cloud, ...dry });
      expect(sky.ghi)
        .withContext(`${cloud}`)
        .toBeCloseTo(between * (1 - 0.75 * cloud ** 3.4), 9);
      expect(sky.dni)
        .withContext(`${cloud}`)
        .toBeCloseTo(Math.min(clear.dni * (1 - cloud), sky.ghi / sin40), 9);
      expect(sky.dhi)
        .withContext(`${cloud}`)
        .toBeCloseTo(sky.ghi - sky.dni * sin40, 9);
    }
    // In hazy air their sky is the brighter one: held at 0.92 of it; on a mountain at 0.80.
    const hazy = clearSky(60, 0, 6, 150);
    expect(underCloud(hazy, 60, { cloud: 0.3, ...dry }).ghi).toBeCloseTo(
      0.92 * hazy.ghi * (1 - 0.75 * 0.3 ** 3.4),
      9,
    );
    const high = clearSky(60, 3000, 2, 150);
    expect(underCloud(high, 60, { cloud: 0.3, ...dry }).ghi).toBeCloseTo(
      0.8 * high.ghi * (1 - 0.75 * 0.3 ** 3.4),
      9,
    );
  });

  it('falls on a panel that looks about as the mean of where it looks, shade off the sun, the skyline off the sky', () => {
    const sun = { altitudeDeg: 40, azimuthDeg: 180 } as SunPosition;
    const on = (aims: Parameters<typeof lightOn>[0], open = 1, hidden = 0, albedo = 0) =>
      lightOn(aims, clear, sun, 150, { albedo, open, hidden });
    const [south, north] = [180, 0].map((azimuthDeg) => ({ tiltDeg: 70, azimuthDeg }));
    expect(on([south, north])).toBeCloseTo((on([south]) + on([north])) / 2, 9);
    // With the sun shaded and the sky hidden only the ground is left.
    expect(on([south], 0, 1)).toBeCloseTo(0, 9);
    expect(on([south], 0, 1, 0.2)).toBeCloseTo(
      (0.2 * clear.ghi * (1 - Math.cos((70 * Math.PI) / 180))) / 2,
      9,
    );
    expect(on([south], 0.5) - on([south], 0)).toBeCloseTo(on([south], 1) - on([south], 0.5), 9);
    expect(on([south], 1, 0) - on([south], 1, 0.5)).toBeCloseTo(
      (on([south], 1, 0) - on([south], 1, 1)) / 2,
      9,
    );
  });
});
