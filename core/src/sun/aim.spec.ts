import { HOUR_MS } from '../span.js';
import { aimSpread } from '../chance/spreads.js';
import { aimsAt, onStand, towards, type AimPlan } from './aim.js';

const sunAt = (timeMs: number) => ({ altitudeDeg: 40, azimuthDeg: timeMs / HOUR_MS });

describe('a panel that is laid out otherwise from an instant on', () => {
  const fixed = { how: 'fixed', tiltDeg: 45, azimuthDeg: 180 } as const;
  const turned: AimPlan = {
    ...{ how: 'then', first: fixed, fromMs: 10 * HOUR_MS },
    then: { how: 'every', minutes: 60 },
  };

  it('lies as before until then, and afterwards by the new way, counted from then', () => {
    expect(aimsAt(turned, 9.9 * HOUR_MS, 0, sunAt)[0]).toEqual(fixed);
    expect(aimsAt(turned, 10.5 * HOUR_MS, 0, sunAt)).toEqual([towards(sunAt(10 * HOUR_MS))]);
    const later: AimPlan = { ...turned, fromMs: 10.5 * HOUR_MS };
    expect(aimsAt(later, 11.6 * HOUR_MS, 0, sunAt)).toEqual([towards(sunAt(11.5 * HOUR_MS))]);
  });

  it('is off by what the new way is', () => {
    expect(aimSpread(turned)).toEqual(aimSpread({ how: 'every', minutes: 60 }));
  });
});

describe('an aim on a stand', () => {
  const stand = { leastDeg: 20, mostDeg: 60 };
  const tilted = (tiltDeg: number) => onStand({ tiltDeg, azimuthDeg: 90 }, stand);

  it('is as steep as the stand allows, and looks where it was to look', () => {
    expect([10, 20, 45, 60, 80].map((tilt) => tilted(tilt).tiltDeg)).toEqual([20, 20, 45, 60, 60]);
    expect(tilted(80).azimuthDeg).toBe(90);
    expect(onStand({ tiltDeg: 80, azimuthDeg: 90 }, undefined).tiltDeg).toBe(80);
  });
});
