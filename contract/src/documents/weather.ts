import type { AirWord, ClimateWord } from '@knapsack/core';
import type { WeatherHour, WeatherSource } from './sun.js';

export const WEATHER_SCHEMA = 'knapsack.weather';
export const WEATHER_VERSION = 1;

/**
 * Weather by the hour for a place: what a forecast service gives, what a file brings, what the simulated service makes up.
 * One interface for all three.
 */
export interface WeatherDocument {
  readonly schema: typeof WEATHER_SCHEMA;
  readonly version: typeof WEATHER_VERSION;
  /** Who says so, in a few words. */
  readonly name?: string;
  readonly source: Exclude<WeatherSource, 'typed'>;
  readonly climate?: ClimateWord;
  readonly air?: AirWord;
  /** Ascending; each holds up to the next. */
  readonly hours: readonly WeatherHour[];
}

/** A weather document out of a file, and what had to be left out of it. */
export interface WeatherReading {
  readonly document: WeatherDocument;
  /** Sentences: rows that could not be read, columns that were not understood. */
  readonly notes: readonly string[];
}
