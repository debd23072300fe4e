import { HOUR_MS } from '../span.js';
import { CLIMATES, climateAt, DAY_TYPES, usualSky, type DayType } from './climate.js';
import { fillGaps } from './fill-gaps.js';
import { simulatedWeather } from './simulate.js';
import type { WeatherHourMs } from './weather-hour.js';

const DAY_MS = 24 * HOUR_MS;
const gannet = { latitudeDeg: 59.02, longitudeDeg: 0, heightM: 0 };
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;
const likeness = (values: readonly number[], lag: number): number => {
  const middle = mean(values);
  const off = values.map((value) => value - middle);
  return (
    mean(off.slice(lag).map((value, index) => value * off[index])) / mean(off.map((value) => value * value))
  );
};
/** Every summer of many years as days of 24 hours; a spell that crosses the season's edge is of the season before. */
const summers = (
  site: typeof gannet = gannet,
  climate: keyof typeof CLIMATES = 'temperate',
  years = 80,
): WeatherHourMs[][][] =>
  Array.from({ length: years }, (_, year) => {
    const startMs = Date.UTC(1950 + year, 5, 1);
    const hours = simulatedWeather(site, { startMs, endMs: startMs + 90 * DAY_MS }, climate);
    return Array.from({ length: 90 }, (__, day) => hours.slice(day * 24, day * 24 + 24));
  });
let SUMMERS: ReturnType<typeof summers>;
let DAYS: WeatherHourMs[][];
const { swingC, windMS, days: shares } = CLIMATES.temperate.seasons.summer;

describe('laws of the simulated weather', () => {
  beforeAll(() => {
    SUMMERS = summers();
    DAYS = SUMMERS.flat();
  });

  it('half of the days are like the one before, a quarter like the one before that', () => {
    const daily = SUMMERS.map((season) => season.map((day) => mean(day.map(({ cloud }) => cloud))));
    // The wandering of the hours is in each day's mean too and is like nothing: a little under 0.5 and 0.25.
    expect(mean(daily.map((season) => likeness(season, 1)))).toBeGreaterThan(0.38);
    expect(mean(daily.map((season) => likeness(season, 1)))).toBeLessThan(0.52);
    expect(mean(daily.map((season) => likeness(season, 2)))).toBeGreaterThan(0.12);
    expect(mean(daily.map((season) => likeness(season, 2)))).toBeLessThan(0.28);
  });

  it('an hour’s cloud is much like that of the hour before, within its day', () => {
    const within = DAYS.map((day) => day.map(({ cloud }) => cloud)).filter(
      (day) => Math.min(...day) > 0.02 && Math.max(...day) < 0.98,
    );
    const steps = within.flatMap((day) => day.slice(6).map((cloud, index) => [day[index + 5], cloud]));
    const [before, after] = [0, 1].map((which) => steps.map((pair) => pair[which]));
    const [a, b] = [mean(before), mean(after)];
    const together = mean(steps.map(([x, y]) => (x - a) * (y - b)));
    const spread = mean(before.map((x) => (x - a) ** 2));
    // Days differ in their kind as well, which makes hours of one day more alike than 0.75.
    expect(together / spread).toBeGreaterThan(0.7);
    expect(together / spread).toBeLessThan(0.95);
  });

  it('the air is colder by 6.5 K a kilometre', () => {
    const span = { startMs: Date.UTC(2027, 5, 1), endMs: Date.UTC(2027, 5, 4) };
    const low = simulatedWeather(gannet, span, 'mountain');
    const high = simulatedWeather({ ...gannet, heightM: 1000 }, span, 'mountain');
    low.forEach(({ airC }, index) => expect(airC! - high[index].airC!).toBeCloseTo(6.5, 0));
    expect(usualSky('mountain', 'summer', 0).airC - usualSky('mountain', 'summer', 2000).airC).toBeCloseTo(
      13,
      9,
    );
  });

  it('a day swings by its climate’s swing, more under a clear sky, and is warmest at 15 h by the sun', () => {
    const swing = (day: readonly WeatherHourMs[]) => day[15].airC! - day[3].airC!;
    const clear = DAYS.filter((day) => day.every(({ cloud }) => cloud < 0.3)).map(swing);
    const grey = DAYS.filter((day) => day.every(({ cloud }) => cloud > 0.7)).map(swing);
    expect(clear.length).toBeGreaterThan(100);
    expect(grey.length).toBeGreaterThan(100);
    // 1.2 − 0.6 × cloud: about 1.13 of the swing under a tenth of cloud, 0.65 under nine tenths.
    expect(mean(clear) / swingC).toBeGreaterThan(1.05);
    expect(mean(clear) / swingC).toBeLessThan(1.21);
    expect(mean(grey) / swingC).toBeGreaterThan(0.58);
    expect(mean(grey) / swingC).toBeLessThan(0.75);
    const far = summers({ ...gannet, longitudeDeg: 90 }, 'continental', 2).flat();
    const at = (hour: number) => mean(far.map((day) => day[hour].airC!));
    const warmest = Array.from({ length: 24 }, (_, hour) => hour).reduce(
      (best, hour) => (at(hour) > at(best) ? hour : best),
      0,
    );
    // 90° east the sun is six hours ahead.
    expect(warmest).toBe(9);
    // The day’s own stray is two kelvins.
    const noons = DAYS.filter((day) => day.every(({ cloud }) => cloud > 0.7)).map((day) =>
      mean(day.map(({ airC }) => airC!)),
    );
    const stray = Math.sqrt(mean(noons.map((value) => (value - mean(noons)) ** 2)));
    expect(stray).toBeGreaterThan(1.7);
    expect(stray).toBeLessThan(2.3);
  });

  it('the wind is on average what the climate says, from six tenths to fourteen, strongest in the afternoon', () => {
    const daily = DAYS.map((day) => mean(day.map(({ windMS: wind }) => wind!)));
    expect(mean(daily) / windMS).toBeGreaterThan(0.97);
    expect(mean(daily) / windMS).toBeLessThan(1.03);
    expect(Math.min(...daily) / windMS).toBeGreaterThan(0.58);
    expect(Math.max(...daily) / windMS).toBeLessThan(1.42);
    expect(Math.max(...daily) / windMS).toBeGreaterThan(1.35);
    const at = (hour: number) => mean(DAYS.map((day) => day[hour].windMS!));
    expect(at(15) / at(3)).toBeCloseTo(1.25 / 0.75, 1);
  });

  it('rain comes in one spell a day, as long as the kind of day has it, and as often', () => {
    const lengths = Object.values(DAY_TYPES).map(({ rainHours }) => rainHours);
    const counts = new Map<number, number>();
    for (const day of DAYS) {
      const wet = day.map(({ rain }) => rain);
      const hours = wet.filter(Boolean).length;
      counts.set(hours, (counts.get(hours) ?? 0) + 1);
      expect([0, ...lengths]).toContain(hours);
      // Round the clock, it begins once at the most.
      const begins = wet.filter((rain, hour) => rain && !wet[(hour + 23) % 24]).length;
      expect(begins).toBe(hours === 0 ? 0 : 1);
    }
    (Object.keys(DAY_TYPES) as DayType[]).forEach((type, index) => {
      const { rainHours } = DAY_TYPES[type];
      if (rainHours === 0) return;
      const share = (counts.get(rainHours) ?? 0) / DAYS.length;
      // A shower of an hour falls on three in ten of the days that may have one.
      const wanted = (shares[index] / 10) * (rainHours > 1 ? 1 : 0.3);
      expect(share)
        .withContext(type)
        .toBeGreaterThan(wanted * 0.85);
      expect(share)
        .withContext(type)
        .toBeLessThan(wanted * 1.15);
    });
  });

  it('clear days make the next clear day hazier, and only those', () => {
    const isClear = (day: readonly WeatherHourMs[]) => mean(day.map(({ cloud }) => cloud)) < 0.15;
    const isGrey = (day: readonly WeatherHourMs[]) => mean(day.map(({ cloud }) => cloud)) > 0.5;
    const after = (first: (day: readonly WeatherHourMs[]) => boolean) =>
      SUMMERS.flatMap((season) =>
        season.filter((day, index) => index > 0 && isClear(day) && first(season[index - 1])),
      ).map(([{ air }]) => air);
    const hazy = (airs: readonly (string | undefined)[]) =>
      airs.filter((air) => air === 'hazy').length / airs.length;
    expect(hazy(after(isClear))).toBeGreaterThan(0.9);
    expect(hazy(after(isGrey))).toBeLessThan(0.05);
  });
});

describe('the climate where nobody has named one', () => {
  it('is by latitude alone', () => {
    expect([0, 23.3, -23.3].map(climateAt)).toEqual(['tropical', 'tropical', 'tropical']);
    expect([23.4, 59, -45, 66.6].map(climateAt)).toEqual([
      'temperate',
      'temperate',
      'temperate',
      'temperate',
    ]);
    expect([66.7, -90].map(climateAt)).toEqual(['polar', 'polar']);
  });
});

describe('the usual step of a forecast', () => {
  const hour = (at: number): WeatherHourMs => ({ startMs: at * HOUR_MS, cloud: 0.1, rain: false });
  const gapsOf = (...at: number[]) =>
    fillGaps(at.map(hour), { startMs: 0, endMs: 24 * HOUR_MS }, () => ({
      cloud: 0.5,
      airC: 10,
      windMS: 3,
    })).gaps.map(({ startMs, endMs }) => [startMs / HOUR_MS, endMs / HOUR_MS]);

  it('is the middle one of its steps, in whatever order they come', () => {
    // Steps of 3, 10, 2, 4 and 2 h: the middle one is 3 h.
    expect(gapsOf(0, 3, 13, 15, 19, 21)).toEqual([
      [6, 13],
      [18, 19],
    ]);
  });

  it('leaves no gap where the next figure comes just in time', () => {
    expect(gapsOf(0, 6, 12, 18)).toEqual([]);
    expect(gapsOf(0, 6, 12)).toEqual([[18, 24]]);
  });
});
