import type { ClimateWord } from './climate.js';

/** How well the sky of an outing is known. */
export interface Outlook {
  /** What the weather is usually like there, where that is known. */
  readonly climate?: ClimateWord;
  /** Mean cloud amount that the user expects beside the climate, 0 to 1: the days of the climate are shifted to it. */
  readonly meanCloud?: number;
  /** Whether the hour of an instant was entered or imported; every other hour is drawn from the climate. */
  readonly isForecast: (timeMs: number) => boolean;
}
