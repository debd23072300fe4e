import { fail, succeed, type Result } from '../problem.js';

/** A point of the globe, degrees, north and east positive. */
export interface Coordinates {
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
}

/** Length in degrees of longitude of one step of each pair of the locator; latitude is half of it. */
const FIELD_DEG = 20;
const SQUARE_DEG = 2;
const SUBSQUARE_DEG = 2 / 24;
const EXTENDED_DEG = 2 / 240;

const LOCATOR = /^([A-R]{2})(\d{2})(?:([A-X]{2})(\d{2})?)?$/;

/**
 * The middle of a Maidenhead locator's square. Source: IARU Region 1 VHF Managers Handbook.
 *
 * @param text 4, 6 or 8 characters, in any case
 */
export function fromLocator(text: string): Result<Coordinates> {
  const match = LOCATOR.exec(text.trim().toUpperCase());
  if (!match) {
    return fail({
      code: 'locator',
      sentence: `A locator has 4, 6 or 8 characters like JO29 or JO29PA; “${text.trim()}” is not one.`,
    });
  }
  const [, field, square, subsquare, extended] = match;
  const letter = (pair: string, at: number) => pair.charCodeAt(at) - 65;
  const place = (at: 0 | 1): number => {
    let degrees = letter(field, at) * FIELD_DEG + Number(square[at]) * SQUARE_DEG;
    let step = SQUARE_DEG;
    if (subsquare) {
      degrees += letter(subsquare, at) * SUBSQUARE_DEG;
      step = SUBSQUARE_DEG;
    }
    if (extended) {
      degrees += Number(extended[at]) * EXTENDED_DEG;
      step = EXTENDED_DEG;
    }
    return degrees + step / 2;
  };
  return succeed({ longitudeDeg: place(0) - 180, latitudeDeg: place(1) / 2 - 90 });
}

/** Smallest squares round the globe in one direction, and how many of them each pair of characters spans. */
const SMALLEST = 43_200;
const IN_FIELD = 2400;
const IN_SQUARE = 240;
const IN_SUBSQUARE = 10;

/** The Maidenhead locator of a point with 4, 6 or 8 characters; the pole and the date line fall to the last square before them. */
export function toLocator({ latitudeDeg, longitudeDeg }: Coordinates, characters: 4 | 6 | 8): string {
  // Both axes count the same squares; a hair is added so that a square's own corner falls into it.
  const axes = [(longitudeDeg + 180) / EXTENDED_DEG, ((latitudeDeg + 90) * 2) / EXTENDED_DEG].map((squares) =>
    Math.min(Math.max(Math.floor(squares + 1e-7), 0), SMALLEST - 1),
  );
  const pair = (span: number, count: number, name: (index: number) => string) =>
    axes.map((square) => name(Math.floor(square / span) % count)).join('');
  const letter = (index: number) => String.fromCharCode(65 + index);
  let text = pair(IN_FIELD, 18, letter) + pair(IN_SQUARE, 10, String);
  if (characters >= 6) text += pair(IN_SUBSQUARE, 24, letter).toLowerCase();
  if (characters === 8) text += pair(1, 10, String);
  return text;
}
