import geomagnetism from 'geomagnetism';
import type { Coordinates } from './locator.js';

/**
 * Declination of the compass, degrees: how far it points east of true north. Source: the World Magnetic Model through the
 * geomagnetism package; outside of its years the nearest model is used, which drifts by some tenths of a degree a year.
 */
export function declination({ latitudeDeg, longitudeDeg }: Coordinates, timeMs: number): number {
  const model = geomagnetism.model(new Date(timeMs), { allowOutOfBoundsModel: true });
  return model.point([latitudeDeg, longitudeDeg]).decl;
}

/** Bearing that a compass shows for a true one, degrees, 0 to below 360. */
export const compassBearing = (trueDeg: number, declinationDeg: number): number =>
  (((trueDeg - declinationDeg) % 360) + 360) % 360;
