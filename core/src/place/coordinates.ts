import { fail, succeed, type Result } from '../problem.js';
import { fromLocator, type Coordinates } from './locator.js';

const NUMBER = String.raw`([+\-−]?\d+(?:[.,]\d+)?)\s*°?`;
const PAIR = new RegExp(String.raw`^${NUMBER}\s*([NS])?[\s,;]+${NUMBER}\s*([EW])?$`, 'i');

/** Reads a place as people write it: "59.02 N 5.31 E", "59.02, 5.31", "-33.9 151.2" or a locator. */
export function readCoordinates(text: string): Result<Coordinates> {
  const trimmed = text.trim();
  if (/^[a-r]{2}\d/i.test(trimmed)) return fromLocator(trimmed);
  const match = PAIR.exec(trimmed);
  if (!match) {
    return fail({
      code: 'coordinates',
      sentence: `Write a place as 59.02 N 5.31 E or as a locator like JO29PA; “${trimmed}” is neither.`,
    });
  }
  const [, latitude, northSouth, longitude, eastWest] = match;
  const number = (digits: string, letter: string | undefined, negative: string) =>
    Number(digits.replace(',', '.').replace('−', '-')) * (letter?.toUpperCase() === negative ? -1 : 1);
  const latitudeDeg = number(latitude, northSouth, 'S');
  const longitudeDeg = number(longitude, eastWest, 'W');
  if (Math.abs(latitudeDeg) > 90 || Math.abs(longitudeDeg) > 180) {
    return fail({
      code: 'off-the-globe',
      sentence:
        'Latitude goes from 90 S to 90 N, longitude from 180 W to 180 E; this place is off the globe.',
    });
  }
  return succeed({ latitudeDeg, longitudeDeg });
}

/** "59.02 N 5.31 E". */
export const sayCoordinates = ({ latitudeDeg, longitudeDeg }: Coordinates): string =>
  `${Math.abs(latitudeDeg).toFixed(2)} ${latitudeDeg < 0 ? 'S' : 'N'} ${Math.abs(longitudeDeg).toFixed(2)} ${longitudeDeg < 0 ? 'W' : 'E'}`;
