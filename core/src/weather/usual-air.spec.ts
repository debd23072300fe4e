import { CLIMATE_WORDS, usualSky } from './climate.js';
import { usualAir, usualHourC, usualRange } from './usual-air.js';

const at = (latitudeDeg: number, heightM = 0) => ({ latitudeDeg, longitudeDeg: 0, heightM });
const month = (of: number, day = 15, hour = 12) => Date.UTC(2027, of - 1, day, hour);

describe('the usual temperature of the air', () => {
  it('follows place and month without a climate', () => {
    // 45 N: 9 C and half a swing of 0.5 + 0.22 x 45 = 10.4 K.
    expect(usualAir(at(45), null, month(7, 21)).meanC).toBeCloseTo(19.4, 1);
    expect(usualAir(at(45), null, month(1, 20)).meanC).toBeCloseTo(-1.4, 1);
    expect(usualAir(at(-45), null, month(1, 20)).meanC).toBeCloseTo(19.4, 1);
    expect(usualAir(at(90), null, month(12)).meanC).toBeLessThan(-35);
    expect(usualAir(at(0), null, month(12)).meanC).toBeCloseTo(27, 0);
    expect(usualAir(at(45, 1000), null, month(7)).meanC).toBeCloseTo(
      usualAir(at(45), null, month(7)).meanC - 6.5,
      9,
    );
  });

  it('is that of the climate in the middle of each season, smoothed between them', () => {
    for (const climate of CLIMATE_WORDS) {
      const mean = (of: number, day?: number) => usualAir(at(50), climate, month(of, day)).meanC;
      expect(Math.abs(mean(1, 16) - usualSky(climate, 'winter', 0).airC))
        .withContext(climate)
        .toBeLessThan(0.3);
      expect(Math.abs(mean(7, 17) - usualSky(climate, 'summer', 0).airC))
        .withContext(climate)
        .toBeLessThan(0.3);
      // No day jumps, the turn of the year too.
      for (let day = 0; day < 370; day++) {
        const step =
          usualAir(at(50), climate, month(1, 1) + (day + 1) * 86_400_000).meanC -
          usualAir(at(50), climate, month(1, 1) + day * 86_400_000).meanC;
        expect(Math.abs(step)).withContext(`${climate} ${day}`).toBeLessThan(0.4);
      }
      // South of the equator the seasons are turned round.
      expect(usualAir(at(-50), climate, month(1, 16)).meanC).toBeCloseTo(mean(7, 17), 0);
    }
  });

  it('is warmest at three in the afternoon by the sun', () => {
    const hours = Array.from({ length: 24 }, (_, hour) => usualHourC(at(50), 'temperate', month(7, 1, hour)));
    expect(hours.indexOf(Math.max(...hours))).toBe(15);
    expect(hours.indexOf(Math.min(...hours))).toBe(3);
    const { meanC, coldestC, warmestC } = usualRange(at(50), 'temperate', {
      startMs: month(7, 1, 0),
      endMs: month(7, 1, 23),
    });
    expect(coldestC).toBeCloseTo(Math.min(...hours), 9);
    expect(warmestC).toBeCloseTo(Math.max(...hours), 9);
    expect(meanC).toBeGreaterThan(coldestC);
  });
});
