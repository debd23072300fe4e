import { MOST_SKYLINE } from '../fields/fields.js';
import { USUAL_PLACE, type AimChoice, type PanelPlace, type ShadeHours } from '../documents/sun.js';
import type { Trip } from '../documents/trip.js';
import { fail, skylineAt, succeed, type Result } from '@knapsack/core';
import { spanOf } from './blocks.js';

/** Changes how the panel lies. */
export const changePanelPlace = (trip: Trip, change: Partial<PanelPlace>): Trip => ({
  ...trip,
  panelPlace: { ...(trip.panelPlace ?? USUAL_PLACE), ...change },
});

const iso = (timeMs: number): string => new Date(timeMs).toISOString();
const HOUR_MS = 3_600_000;

/** An aim of a kind to begin with; turned at hours: once in the middle of the outing. */
export function firstAim(how: AimChoice['how'], trip: Trip): AimChoice {
  const { startMs, endMs } = spanOf(trip);
  switch (how) {
    case 'flat':
    case 'hung':
      return { how };
    case 'fixed':
      return { how, tiltDeg: 40, azimuthDeg: (trip.place.latitudeDeg ?? 1) >= 0 ? 180 : 0 };
    case 'every':
      return { how, minutes: 60 };
    case 'at':
      return { how, times: [iso((startMs + endMs) / 2)] };
  }
}

/** The hours at which a panel is turned, with one of them changed, added (at the end of the list) or taken out (null). */
export function changeTurn(trip: Trip, index: number, timeMs: number | null): Trip {
  const { aim } = trip.panelPlace ?? USUAL_PLACE;
  if (aim.how !== 'at') return trip;
  const kept = aim.times.filter((_, at) => at !== index);
  const times = timeMs === null ? kept : [...kept, iso(timeMs)].sort((a, b) => Date.parse(a) - Date.parse(b));
  return times.length === 0 ? trip : changePanelPlace(trip, { aim: { how: 'at', times } });
}

/** Two hours of whole shade in the middle of the outing, to be moved to where they belong. */
export function addShade(trip: Trip): Trip {
  const { startMs, endMs } = spanOf(trip);
  const fromMs = Math.floor((startMs + endMs) / 2 / HOUR_MS) * HOUR_MS;
  const toMs = Math.min(fromMs + 2 * HOUR_MS, endMs);
  const added: ShadeHours = { start: iso(fromMs), end: iso(toMs), fraction: 1, label: 'shade' };
  return changePanelPlace(trip, { shade: [...(trip.panelPlace?.shade ?? []), added] });
}

export const changeShade = (trip: Trip, index: number, change: Partial<ShadeHours>): Trip =>
  changePanelPlace(trip, {
    shade: (trip.panelPlace?.shade ?? []).map((hours, at) =>
      at === index ? { ...hours, ...change } : hours,
    ),
  });

export const removeShade = (trip: Trip, index: number): Trip =>
  changePanelPlace(trip, { shade: (trip.panelPlace?.shade ?? []).filter((_, at) => at !== index) });

export type Skyline = NonNullable<PanelPlace['horizon']>;

/** A skyline as it is typed: "90 at 10, 180 at 25"; nothing for an open one. */
export const sayCourse = (skyline: Skyline): string =>
  skyline.map(({ azimuthDeg, elevationDeg }) => `${azimuthDeg} at ${elevationDeg}`).join(', ');

const POINT = /^(\d+(?:\.\d+)?)\s*°?\s*(?:at|:|\s)\s*(\d+(?:\.\d+)?)\s*°?$/;

/** Reads a skyline: directions from true north and how high it stands there, degrees; "open" or nothing for none. */
export function readCourse(text: string): Result<Skyline> {
  const bare = text.trim();
  if (bare === '' || bare === OPEN) return succeed([]);
  const points: { azimuthDeg: number; elevationDeg: number }[] = [];
  const parts = bare.split(/[,;]/);
  if (parts.length > MOST_SKYLINE) {
    return fail({
      code: 'skyline-long',
      sentence: `A skyline has ${MOST_SKYLINE} points at the most, two for each degree; these are ${parts.length}.`,
    });
  }
  for (const part of parts) {
    const match = POINT.exec(part.trim());
    const [azimuthDeg, elevationDeg] = match ? [Number(match[1]), Number(match[2])] : [NaN, NaN];
    if (!(azimuthDeg <= 360 && elevationDeg <= 90)) {
      return fail({
        code: 'skyline',
        sentence: `Write the skyline as directions and heights in degrees, like “90 at 10, 180 at 25”; “${part.trim()}” is not one. “${OPEN}” for none.`,
      });
    }
    // 360 and 0 are one direction.
    points.push({ azimuthDeg: azimuthDeg % 360, elevationDeg });
  }
  points.sort((a, b) => a.azimuthDeg - b.azimuthDeg);
  if (points.some(({ azimuthDeg }, index) => index > 0 && azimuthDeg === points[index - 1].azimuthDeg)) {
    return fail({
      code: 'skyline-twice',
      sentence: 'The skyline has a direction twice; each needs one height.',
    });
  }
  return succeed(points);
}

/** The skyline with one point put in, moved (its old index) or taken out (null); in order round the circle. */
export function changePoint(skyline: Skyline, index: number | null, point: Skyline[number] | null): Skyline {
  const kept = skyline.filter((_, at) => at !== index);
  if (!point) return kept;
  const placed = {
    azimuthDeg: Math.min(359, Math.max(0, Math.round(point.azimuthDeg))),
    elevationDeg: Math.min(90, Math.max(0, Math.round(point.elevationDeg))),
  };
  // Two points never stand in one direction: the one that is moved stops beside the other.
  if (kept.some(({ azimuthDeg }) => azimuthDeg === placed.azimuthDeg)) return skyline;
  return [...kept, placed].sort((a, b) => a.azimuthDeg - b.azimuthDeg);
}

/** How high a first point stands, degrees: a wood at the edge of a field (convention of this project). */
const FIRST_POINT_DEG = 10;

/** A point in the middle of the widest gap between the directions that are known, as high as the skyline is there. */
export function widestGap(skyline: Skyline): Skyline[number] {
  if (skyline.length === 0) return { azimuthDeg: 180, elevationDeg: FIRST_POINT_DEG };
  const gaps = skyline.map(({ azimuthDeg }, at) => ({
    azimuthDeg,
    wide: (skyline[at + 1]?.azimuthDeg ?? skyline[0].azimuthDeg + 360) - azimuthDeg,
  }));
  const { azimuthDeg, wide } = gaps.reduce((best, gap) => (gap.wide > best.wide ? gap : best));
  const between = Math.round(azimuthDeg + wide / 2) % 360;
  return { azimuthDeg: between, elevationDeg: Math.round(skylineAt(skyline, between)) };
}

/** How an open skyline is said. */
export const OPEN = 'open';
