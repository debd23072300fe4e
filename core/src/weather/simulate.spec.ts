import fc from 'fast-check';
import { HOUR_MS } from '../span.js';
import { CLIMATE_WORDS, seasonAt, usualSky } from './climate.js';
import { simulatedWeather } from './simulate.js';

const gannet = { latitudeDeg: 59.02, longitudeDeg: 5.31, heightM: 6 };
const days = (from: number, count: number) => ({ startMs: from, endMs: from + count * 24 * HOUR_MS });
const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

describe('simulated weather', () => {
  it('is the same for the same place and date, whatever stretch is asked for', () => {
    const start = Date.UTC(2027, 8, 4);
    const week = simulatedWeather(gannet, days(start, 7), 'maritime');
    const later = simulatedWeather(gannet, days(start + 48 * HOUR_MS, 2), 'maritime');
    expect(week.length).toBe(7 * 24);
    expect(later).toEqual(week.slice(48, 96));
    expect(simulatedWeather({ ...gannet, longitudeDeg: 5.9 }, days(start, 7), 'maritime')).not.toEqual(week);
  });

  it('covers every hour of any stretch with figures that a sky can have', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 400_000 }),
        fc.integer({ min: 1, max: 50 }),
        fc.constantFrom(...CLIMATE_WORDS),
        fc.double({ min: -90, max: 90, noNaN: true }),
        (hour, length, climate, latitudeDeg) => {
          const span = { startMs: (hour + 0.4) * HOUR_MS, endMs: (hour + 0.4 + length) * HOUR_MS };
          const hours = simulatedWeather({ ...gannet, latitudeDeg }, span, climate);
          expect(hours.length).toBe(length + 1);
          hours.forEach(({ startMs, cloud, airC, windMS }, index) => {
            expect(startMs).toBe((hour + index) * HOUR_MS);
            expect(cloud).toBeGreaterThanOrEqual(0);
            expect(cloud).toBeLessThanOrEqual(1);
            expect(Math.abs(airC!)).toBeLessThan(60);
            expect(windMS!).toBeGreaterThanOrEqual(0);
          });
        },
      ),
    );
  });

  it('is over many seasons what the climate says it usually is', () => {
    const springs = Array.from({ length: 40 }, (_, year) =>
      simulatedWeather(gannet, days(Date.UTC(1980 + year, 2, 1), 60), 'temperate'),
    ).flat();
    const usual = usualSky('temperate', 'spring', gannet.heightM);
    expect(Math.abs(mean(springs.map(({ cloud }) => cloud)) - usual.cloud)).toBeLessThan(0.03);
    expect(Math.abs(mean(springs.map(({ airC }) => airC!)) - usual.airC)).toBeLessThan(0.5);
  });

  it('has clearer air after rain and hazier air in spells without cloud', () => {
    const summers = Array.from({ length: 60 }, (_, year) =>
      simulatedWeather(gannet, days(Date.UTC(1970 + year, 5, 1), 60), 'temperate'),
    ).flat();
    const airs = new Set(summers.map(({ air }) => air));
    expect([...airs].sort()).toEqual(['clean', 'hazy', 'ordinary']);
    const cloudUnder = (word: string) =>
      mean(summers.filter(({ air }) => air === word).map(({ cloud }) => cloud));
    expect(cloudUnder('hazy')).toBeLessThan(0.2);
  });

  it('is warmest in the afternoon by the sun', () => {
    const hours = Array.from({ length: 60 }, (_, day) =>
      simulatedWeather(gannet, days(Date.UTC(2027, 5, 1 + day), 1), 'continental'),
    );
    const at = (hour: number) => mean(hours.map((day) => day[hour].airC!));
    expect(at(15)).toBeGreaterThan(at(3) + 5);
  });
});

describe('season', () => {
  it('is turned round south of the equator', () => {
    const january = Date.UTC(2027, 0, 15);
    expect(seasonAt(january, 59)).toBe('winter');
    expect(seasonAt(january, -34)).toBe('summer');
    expect(seasonAt(Date.UTC(2027, 11, 5), 59)).toBe('winter');
    expect(seasonAt(Date.UTC(2027, 2, 1), 59)).toBe('spring');
  });
});
