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

describe('what is said of a sky', () => {
  // Cloud that tells its instant: a hundredth an hour since the start.
  const telling = (timeMs: number) => ({
    cloud: (timeMs - START_MS) / HOUR_MS / 100,
    rain: timeMs >= START_MS + 5 * HOUR_MS && timeMs < START_MS + 6 * HOUR_MS,
    airC: 15,
    windMS: 2,
  });
  const short = { startMs: START_MS + 0.75 * HOUR_MS, endMs: START_MS + 26.25 * HOUR_MS };

  it('is read in the middle of each hour, within the outing', () => {
    const { startMs, hours } = skyLaw(short, PLACE, telling);
    expect(startMs).toBe(START_MS);
    expect(hours.length).toBe(27);
    expect(hours[0].cloud).toBeCloseTo(0.0075, 9);
    expect(hours[10].cloud).toBeCloseTo(0.105, 9);
    expect(hours[26].cloud).toBeCloseTo(0.2625, 6);
    expect(hours.flatMap(({ rain }, hour) => (rain ? [hour] : []))).toEqual([5]);
    expect(hours.every(({ isForecast }) => isForecast)).toBeTrue();
  });

  it('has days from the sun’s midnight on, each with the mean of its own hours', () => {
    const { hours, days } = skyLaw(short, PLACE, telling);
    expect(hours.filter(({ day }) => day === 0).length).toBe(24);
    expect(days.map(({ cloud }) => cloud!.toFixed(4))).toEqual(['0.1201', '0.2542']);
    // A quarter of the way round the earth the day begins six hours earlier.
    const east = skyLaw(short, { ...PLACE, longitudeDeg: 90 }, telling);
    expect(east.hours.filter(({ day }) => day === 0).length).toBe(18);
  });

  it('is forecast as far as somebody says, with a climate; without one there is nothing else', () => {
    const isForecast = (timeMs: number) => timeMs < START_MS + 10 * HOUR_MS;
    const far = skyLaw(short, PLACE, telling, { climate: 'maritime', isForecast });
    expect(far.hours.filter((hour) => hour.isForecast).length).toBe(10);
    expect(far.days[1].cloud).toBeNull();
    expect(far.days[0].cloud).toBeCloseTo(0.0502, 3);
    const none = skyLaw(short, PLACE, telling, { isForecast });
    expect(none.hours.every((hour) => hour.isForecast)).toBeTrue();
  });
});

describe('a drawn sky', () => {
  it('is as forecast on 85 of 100 first days, on fewer with each day ahead, otherwise of the kinds next to it', () => {
    const law = skyLaw(outing, PLACE, said(0));
    const skies = Array.from({ length: 200 }, (_, seed) => drawn(law, seed + 1));
    const cloudsOn = (day: number) =>
      skies.map((places) => mean(Array.from(places.slice(day * 24, day * 24 + 24), cloudOf)));
    const clearOn = (day: number) => cloudsOn(day).filter((cloud) => cloud < 0.15).length / skies.length;
    // Three standard errors of 200 are 0.08 to 0.1.
    expect(Math.abs(clearOn(1) - 0.82)).toBeLessThan(0.09);
    expect(Math.abs(clearOn(4) - 0.57)).toBeLessThan(0.11);
    expect(Math.abs(clearOn(DAYS - 1) - 0.4)).toBeLessThan(0.11);
    // A step cloudier than clear is fair, not closed.
    expect(Math.max(...cloudsOn(1), ...cloudsOn(4))).toBeLessThan(0.75);
  });

  it('has the mean cloud that the user expects, day by day of the kinds of the climate', () => {
    for (const meanCloud of [0.3, 0.5, 0.612, 0.8]) {
      const law = skyLaw(outing, PLACE, said(meanCloud), {
        climate: 'temperate',
        meanCloud,
        isForecast: () => false,
      });
      const days = Array.from({ length: 20 }, (_, seed) => drawn(law, seed + 1)).flatMap((places) =>
        Array.from({ length: DAYS }, (_, day) =>
          mean(Array.from(places.slice(day * 24, day * 24 + 24), cloudOf)),
        ),
      );
      expect(Math.abs(mean(days) - meanCloud))
        .withContext(`${meanCloud}`)
        .toBeLessThan(0.06);
      // Days still differ: some clear, some closed.
      expect(Math.min(...days)).toBeLessThan(0.2);
      expect(Math.max(...days)).toBeGreaterThan(0.85);
    }
  });

  it('stays nearly closed on the days that turn out as forecast where a closed sky was', () => {
    const places = drawn(skyLaw(outing, PLACE, said(1)), 6);
    const days = Array.from({ length: DAYS }, (_, day) =>
      mean(Array.from(places.slice(day * 24, day * 24 + 24), cloudOf)),
    );
    const asSaid = days.filter((cloud) => cloud > 0.93);
    expect(asSaid.length).toBeGreaterThan(DAYS / 4);
    // Half of the hours wander by 0.016 from 1, the others cannot: 1 - 0.016 x 0.40.
    expect(mean(asSaid)).toBeGreaterThan(0.98);
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
    expect(places.filter((place) => place === RAIN).length / places.length).toBeGreaterThan(0.3);
    expect(places.every((place) => place === RAIN || (place >= 0 && place <= skyIndex(1)))).toBeTrue();
  });
});
