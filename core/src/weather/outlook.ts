import type { ClimateWord } from './climate.js';

/** How well the sky of an outing is known. */
export interface Outlook {
  /** What the weather is usually like there, where that is known. */
  readonly climate?: ClimateWord;
  /** Whether someone has forecast the hour of an instant; one that nobody has is drawn from the climate. */
  readonly isForecast: (timeMs: number) => boolean;
}
