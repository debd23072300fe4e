import { generator } from '../random/generator.js';
import { HOUR_MS } from '../span.js';
import { OVERCAST, RAIN, skyIndex } from '../sun/light-table.js';
import { usualSky } from '../weather/climate.js';
import { sampleSky, skyLaw, type SkyLaw } from './sampled-sky.js';

const PLACE = { latitudeDeg: 59, longitudeDeg: 0 };
const START_MS = Date.UTC(2027, 6, 1);
const DAYS = 40;
const outing = { startMs: START_MS, endMs: START_MS + DAYS * 24 * HOUR_MS };

const cloudOf = (place: number): number => (place >= OVERCAST ? 1 : 1 - (1 - place / OVERCAST) ** 2);
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

function drawn(law: SkyLaw, seed: number): Float32Array {
  const into = new Float32Array(law.hours.length);
  sampleSky(law, generator(seed), into);
  return into;
}
const said =
  (cloud: number, rain = false) =>
  () => ({ cloud, rain, airC: 15, windMS: 2 });

describe('a drawn sky', () => {
  it('is what was said on three of four days, and of the kinds next to it on the others', () => {
    const law = skyLaw(outing, PLACE, said(0));
    const days = [1, 2, 3, 4, 5].flatMap((seed) => {
      const places = drawn(law, seed);
      return Array.from({ length: DAYS }, (_, day) =>
        mean(Array.from(places.slice(day * 24, day * 24 + 24), cloudOf)),
      );
    });
    const clear = days.filter((cloud) => cloud < 0.15).length / days.length;
    expect(clear).toBeGreaterThan(0.65);
    expect(clear).toBeLessThan(0.85);
    // A step cloudier than clear is fair, not closed.
    expect(Math.max(...days)).toBeLessThan(0.75);
  });

  it('stays nearly closed on the days that turn out as forecast where a closed sky was', () => {
    const places = drawn(skyLaw(outing, PLACE, said(1)), 6);
    const days = Array.from({ length: DAYS }, (_, day) =>
      mean(Array.from(places.slice(day * 24, day * 24 + 24), cloudOf)),
    );
    const asSaid = days.filter((cloud) => cloud > 0.93);
    expect(asSaid.length).toBeGreaterThan(DAYS / 2);
    // Half of the hours wander by 0.016 from 1, the others cannot: 1 - 0.016 x 0.40.
    expect(mean(asSaid)).toBeGreaterThan(0.985);
  });

  it('has the climate’s mean where nobody has forecast', () => {
    const law = skyLaw(outing, PLACE, said(0), { climate: 'maritime', isForecast: () => false });
    const clouds = Array.from({ length: 12 }, (_, seed) => drawn(law, seed + 1)).flatMap((places) =>
      Array.from(places, cloudOf),
    );
    expect(Math.abs(mean(clouds) - usualSky('maritime', 'summer', 0).cloud)).toBeLessThan(0.08);
  });

  it('changes little from one hour to the next', () => {
    const law = skyLaw(outing, PLACE, said(0.5));
    const clouds = Array.from(drawn(law, 3), cloudOf);
    const middle = mean(clouds);
    const lag = (by: number) =>
      mean(clouds.slice(by).map((cloud, at) => (cloud - middle) * (clouds[at] - middle))) /
      mean(clouds.map((cloud) => (cloud - middle) ** 2));
    expect(lag(1)).toBeGreaterThan(0.6);
    expect(lag(1)).toBeGreaterThan(lag(6));
  });

  it('rains where rain is said and the day holds', () => {
    const places = Array.from(drawn(skyLaw(outing, PLACE, said(1, true)), 1));
    expect(places.filter((place) => place === RAIN).length / places.length).toBeGreaterThan(0.5);
    expect(places.every((place) => place === RAIN || (place >= 0 && place <= skyIndex(1)))).toBeTrue();
  });
});
