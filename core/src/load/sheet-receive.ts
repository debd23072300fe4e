import { sayQuantity } from '../say/quantity.js';

/** A data sheet's receive current against what is drawn: a triangle between these shares of it, highest at the third. */
const LEAST = 0.55;
const MOST = 1.1;
const TOP = 1;

/**
 * What a plan takes of a sheet's receive current, where nobody has measured: about the mean of that triangle. Sheets tell
 * maxima. Source: convention of this project, docs/model.md.
 */
export const SHEET_RECEIVE_MEAN = 0.88;

/** "0.45 A data sheet, 0.40 A expected": both figures of a receive current that only a data sheet states. @param amps of the sheet, A */
export const describeSheetReceive = (amps: number): string => {
  const say = (value: number) => sayQuantity({ value, unit: 'A' });
  return `${say(amps)} data sheet, ${say(SHEET_RECEIVE_MEAN * amps)} expected`;
};

/**
 * The share of a sheet's receive current that so many of a hundred radios stay under.
 *
 * @param probability 0 to 1
 */
export function sheetReceiveFactor(probability: number): number {
  const rising = (TOP - LEAST) / (MOST - LEAST);
  return probability <= rising
    ? LEAST + Math.sqrt(probability * (MOST - LEAST) * (TOP - LEAST))
    : MOST - Math.sqrt((1 - probability) * (MOST - LEAST) * (MOST - TOP));
}
