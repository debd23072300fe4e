import { HOUR_MS } from '../span.js';
import { aimSpread } from '../chance/spreads.js';
import { aimsAt, towards, type AimPlan } from './aim.js';

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
