import { compassBearing, declination } from '../site/compass.js';
import { HOUR_MS } from '../span.js';
import { bestFixedAim } from './best-aim.js';
import { sunPlan as plan } from '../testing/sun-plans.js';
import { harvest } from './harvest.js';

const equinox = { startMs: Date.UTC(2027, 2, 20), endMs: Date.UTC(2027, 2, 21) };

describe('the best fixed aim', () => {
  it('is beaten by no aim of a grid, in either half of the year and of the earth', () => {
    for (const latitudeDeg of [60, -34])
      for (const month of [2, 5]) {
        const span = { startMs: Date.UTC(2027, month, 20), endMs: Date.UTC(2027, month, 21) };
        const gathers = (tiltDeg: number, azimuthDeg: number) =>
          harvest(
            plan({ latitudeDeg, aim: { how: 'fixed', tiltDeg, azimuthDeg } }),
            Float64Array.from({ length: 49 }, (_, half) => span.startMs + (half * HOUR_MS) / 2),
          ).lightWM2.reduce((sum, light) => sum + light, 0);
        const best = bestFixedAim(plan({ latitudeDeg }), span)!;
        const most = gathers(best.tiltDeg, best.azimuthDeg);
        for (let tiltDeg = 0; tiltDeg <= 90; tiltDeg += 15)
          for (let azimuthDeg = 0; azimuthDeg < 360; azimuthDeg += 30)
            expect(gathers(tiltDeg, azimuthDeg)).toBeLessThanOrEqual(most * 1.002);
      }
  });

  it('looks at the noon sun on a clear equinox, a little flatter for the light of the sky', () => {
    const north = bestFixedAim(plan(), equinox)!;
    expect(Math.abs(north.azimuthDeg - 180)).toBeLessThan(5);
    expect(north.tiltDeg).toBeGreaterThan(40);
    expect(north.tiltDeg).toBeLessThan(53);
    const south = bestFixedAim(plan({ latitudeDeg: -50 }), equinox)!;
    expect(Math.min(south.azimuthDeg, 360 - south.azimuthDeg)).toBeLessThan(5);
  });

  it('looks east for a morning and lies flat under a closed sky', () => {
    const morning = bestFixedAim(plan(), {
      startMs: equinox.startMs,
      endMs: equinox.startMs + 10 * HOUR_MS,
    })!;
    expect(morning.azimuthDeg).toBeLessThan(150);
    expect(morning.azimuthDeg).toBeGreaterThan(80);
    const overcast = plan({ skyAt: () => ({ cloud: 1, rain: false, airC: 15, windMS: 2 }) });
    expect(bestFixedAim(overcast, equinox)!.tiltDeg).toBeLessThan(5);
  });

  it('is none where no sun rises', () => {
    const winter = { startMs: Date.UTC(2027, 11, 20), endMs: Date.UTC(2027, 11, 22) };
    expect(bestFixedAim(plan({ latitudeDeg: 85 }), winter)).toBeNull();
  });
});

describe('the compass', () => {
  it('points east of north in southern Norway and west of it in eastern Canada', () => {
    const at = Date.UTC(2026, 5, 1);
    expect(declination({ latitudeDeg: 59, longitudeDeg: 5.3 }, at)).toBeGreaterThan(0);
    expect(declination({ latitudeDeg: 47, longitudeDeg: -53 }, at)).toBeLessThan(-15);
    expect(
      Number.isFinite(declination({ latitudeDeg: 59, longitudeDeg: 5.3 }, Date.UTC(2090, 5, 1))),
    ).toBeTrue();
  });

  it('shows less than the true bearing where it points east', () => {
    expect(compassBearing(180, 4)).toBe(176);
    expect(compassBearing(2, 4)).toBe(358);
    expect(compassBearing(350, -17)).toBe(7);
  });
});
