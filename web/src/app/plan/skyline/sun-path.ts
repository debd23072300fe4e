import { HOUR_MS, localHour, midnightBefore, sayFullHour, sunPosition } from '@knapsack/core';

/** Where the sun stands at an instant, degrees. */
export interface SunMark {
  readonly azimuthDeg: number;
  readonly altitudeDeg: number;
  /** "12" at whole hours; null between. */
  readonly hour: string | null;
}

const STEP_MS = HOUR_MS / 6;

/** The sun's path over the local day that an instant falls into, as far as it is up. */
export function sunPath(
  timeMs: number,
  { latitudeDeg, longitudeDeg, timeZone }: { latitudeDeg: number; longitudeDeg: number; timeZone: string },
): readonly SunMark[] {
  const startMs = midnightBefore(timeMs, timeZone);
  return Array.from({ length: 145 }, (_, step) => startMs + step * STEP_MS).flatMap((at) => {
    const { azimuthDeg, altitudeDeg } = sunPosition(at, latitudeDeg, longitudeDeg);
    return altitudeDeg < -1
      ? []
      : [
          {
            azimuthDeg,
            altitudeDeg,
            hour: localHour(at, timeZone) % 1 === 0 ? sayFullHour(at, timeZone) : null,
          },
        ];
  });
}
