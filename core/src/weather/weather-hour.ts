import type { AirWord } from '../sun/clear-sky.js';

/** The weather from an instant to the next hour that is known. */
export interface WeatherHourMs {
  /** UTC epoch ms. */
  readonly startMs: number;
  /** Cloud amount, 0 to 1. */
  readonly cloud: number;
  readonly rain: boolean;
  /** Air, degrees C. */
  readonly airC?: number;
  readonly windMS?: number;
  /** What the air is like just then. */
  readonly air?: AirWord;
}
