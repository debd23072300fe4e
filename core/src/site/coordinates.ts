import { fail, succeed, type Result } from '../problem.js';
import { fromLocator, type Coordinates } from './locator.js';

const DECIMAL = String.raw`\d+(?:[.,]\d+)?`;
const MINUTES = String.raw`(?:\s*(${DECIMAL})\s*[’'′](?:\s*(${DECIMAL})\s*(?:[”"″]|''))?|\s+(\d{1,2}(?:[.,]\d+)?))?`;
/** Degrees with their minutes and seconds, signed or with a letter before or behind: five groups and the two letters. */
const angle = (letters: string): string =>
  String.raw`([${letters}])?\s*([+\-−]?${DECIMAL})\s*°?${MINUTES}\s*([${letters}])?`;
const PAIR = new RegExp(String.raw`^${angle('NS')}[\s,;]+${angle('EW')}$`, 'i');
/** Two decimal numbers and nothing else: no pair of them is degrees and minutes. */
const PLAIN = new RegExp(String.raw`^([+\-−]?${DECIMAL})\s*°?[\s,;]+([+\-−]?${DECIMAL})\s*°?$`);

/**
 * Reads a place as people write it: "59.02 N 5.31 E", "59.02, 5.31", "-33.9 151.2", "55°54'N 3°12'W", "N 55 54.5 W 3 12.3",
 * "55° 54′ 30″ N, 3° 12′ 6″ W", or a locator.
 */
export function readCoordinates(text: string): Result<Coordinates> {
  const trimmed = text.trim();
  if (/^[a-r]{2}\d/i.test(trimmed)) return fromLocator(trimmed);
  const plain = PLAIN.exec(trimmed);
  if (plain) return onTheGlobe(toNumber(plain[1]), toNumber(plain[2]));
  const match = PAIR.exec(trimmed);
  const read = match && { latitude: match.slice(1, 7), longitude: match.slice(7, 13) };
  const [latitudeDeg, longitudeDeg] = read
    ? [degreesOf(read.latitude, 'S'), degreesOf(read.longitude, 'W')]
    : [null, null];
  if (latitudeDeg === null || longitudeDeg === null) {
    return fail({
      code: 'coordinates',
      sentence: `Write a place as 59.02 N 5.31 E, as 59°01.2'N 5°18.6'E or as a locator like JO29PA; “${trimmed}” is none of these.`,
    });
  }
  return onTheGlobe(latitudeDeg, longitudeDeg);
}

/** Degrees of what was matched; null where both ends bear a letter, minutes have neither a letter nor a sign to tell them, or minutes or seconds are more than 60. */
function degreesOf(
  [before, degrees, minutes, seconds, bare, behind]: readonly (string | undefined)[],
  negative: string,
): number | null {
  if ((before && behind) || (bare && !before && !behind)) return null;
  const [min, sec] = [toNumber(minutes ?? bare ?? '0'), toNumber(seconds ?? '0')];
  if (min >= 60 || sec >= 60) return null;
  const size = Math.abs(toNumber(degrees ?? '0')) + min / 60 + sec / 3600;
  // The sign of "-0°30'" is in its text alone.
  const isNegative = /^[-−]/.test(degrees ?? '') || (before ?? behind)?.toUpperCase() === negative;
  return isNegative ? -size : size;
}

const toNumber = (text: string): number => Number(text.replace(',', '.').replace('−', '-'));

function onTheGlobe(latitudeDeg: number, longitudeDeg: number): Result<Coordinates> {
  return Math.abs(latitudeDeg) > 90 || Math.abs(longitudeDeg) > 180
    ? fail({
        code: 'off-the-globe',
        sentence:
          'Latitude goes from 90 S to 90 N, longitude from 180 W to 180 E; this place is off the globe.',
      })
    : succeed({ latitudeDeg, longitudeDeg });
}

/** "59.02 N 5.31 E". */
export const sayCoordinates = ({ latitudeDeg, longitudeDeg }: Coordinates): string =>
  `${Math.abs(latitudeDeg).toFixed(2)} ${latitudeDeg < 0 ? 'S' : 'N'} ${Math.abs(longitudeDeg).toFixed(2)} ${longitudeDeg < 0 ? 'W' : 'E'}`;
