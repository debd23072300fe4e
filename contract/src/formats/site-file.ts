import { fail, succeed, type Result } from '@knapsack/core';
import { XMLBuilder, XMLParser } from 'fast-xml-parser';
import type { Trip } from '../documents/trip.js';
import { FIELDS } from '../fields/fields.js';
import { numberProblem } from '../fields/number-field.js';
import { unboundedProblem } from '../schemas/bounded.js';

/** A point of a file of places: degrees, north and east positive; m above the sea where it is told. */
export interface Waypoint {
  readonly name: string;
  readonly latitudeDeg: number;
  readonly longitudeDeg: number;
  readonly heightM?: number;
}

/** Points that are read of a file; a list to choose from is no longer than that. */
export const MOST_WAYPOINTS = 500;
const MOST_NAME = 120;

/**
 * The points of a GPX file (GPX 1.1: its waypoints; where there are none the points of its routes) or of a GeoJSON one
 * (RFC 7946: its points, longitude first).
 */
export function readSiteFile(content: string): Result<readonly Waypoint[]> {
  const bare = content.replace(/^\uFEFF/, '').trim();
  const read = bare.startsWith('{') ? geoJsonPoints(bare) : bare.startsWith('<') ? gpxPoints(bare) : null;
  if (read === null) return refuse('The file is neither GPX nor GeoJSON.');
  if (!read.ok) return read;
  const points = read.value.flatMap((raw, index) => waypointOf(raw, index) ?? []);
  return points.length > 0
    ? succeed(points.slice(0, MOST_WAYPOINTS))
    : refuse(
        'There is no point in the file with a latitude from −90 to 90° and a longitude from −180 to 180°.',
      );
}

/** The place of an outing as a GPX file (GPX 1.1). @returns null where its coordinates are not known */
export function siteAsGpx({ place: site }: Trip): string | null {
  const { name, latitudeDeg, longitudeDeg, heightM } = site;
  if (latitudeDeg === undefined || longitudeDeg === undefined) return null;
  const builder = new XMLBuilder({ ignoreAttributes: false, format: true });
  return builder.build({
    '?xml': { '@_version': '1.0', '@_encoding': 'UTF-8' },
    gpx: {
      '@_version': '1.1',
      '@_creator': 'Knapsack',
      '@_xmlns': 'http://www.topografix.com/GPX/1/1',
      wpt: {
        '@_lat': String(latitudeDeg),
        '@_lon': String(longitudeDeg),
        ...(heightM !== undefined && { ele: heightM }),
        name,
      },
    },
  });
}

/** The place of an outing as GeoJSON (RFC 7946). @returns null where its coordinates are not known */
export function siteAsGeoJson({ name: outing, place: site }: Trip): string | null {
  const { name, latitudeDeg, longitudeDeg, heightM } = site;
  if (latitudeDeg === undefined || longitudeDeg === undefined) return null;
  const coordinates = [longitudeDeg, latitudeDeg, ...(heightM === undefined ? [] : [heightM])];
  const feature = {
    type: 'Feature',
    geometry: { type: 'Point', coordinates },
    properties: { name, outing },
  };
  return `${JSON.stringify({ type: 'FeatureCollection', features: [feature] }, null, 2)}\n`;
}

interface RawPoint {
  readonly name: unknown;
  readonly latitude: unknown;
  readonly longitude: unknown;
  readonly height: unknown;
}

function waypointOf({ name, latitude, longitude, height }: RawPoint, index: number): Waypoint | null {
  const [latitudeDeg, longitudeDeg, heightM] = [latitude, longitude, height].map(numberOf);
  if (numberProblem(FIELDS.latitudeDeg, latitudeDeg) !== null) return null;
  if (numberProblem(FIELDS.longitudeDeg, longitudeDeg) !== null) return null;
  const words = typeof name === 'string' || typeof name === 'number' ? String(name).trim() : '';
  return {
    name: words.slice(0, MOST_NAME) || `Point ${index + 1}`,
    latitudeDeg,
    longitudeDeg,
    ...(numberProblem(FIELDS.heightM, heightM) === null && { heightM }),
  };
}

/** A number, or text that is one; NaN for anything else. */
const numberOf = (value: unknown): number =>
  typeof value === 'number' ? value : typeof value === 'string' && value.trim() !== '' ? Number(value) : NaN;

function gpxPoints(text: string): Result<readonly RawPoint[]> {
  // A document type could define entities that grow without end; no file of places needs one.
  if (/<!(DOCTYPE|ENTITY)/i.test(text))
    return refuse('The file has a document type, which no GPX file needs.');
  let data: unknown;
  try {
    data = new XMLParser({
      ignoreAttributes: false,
      removeNSPrefix: true,
      parseTagValue: false,
      isArray: (name) => LISTS.has(name),
    }).parse(text, true);
  } catch {
    return refuse('The file begins like XML but cannot be read as such.');
  }
  const gpx = field(data, 'gpx');
  if (gpx === undefined) return refuse('The file is XML, but no GPX.');
  const waypoints = listOf(gpx, 'wpt');
  const points =
    waypoints.length > 0 ? waypoints : listOf(gpx, 'rte').flatMap((route) => listOf(route, 'rtept'));
  return succeed(
    points.map((point) => ({
      name: field(point, 'name'),
      latitude: field(point, '@_lat'),
      longitude: field(point, '@_lon'),
      height: field(point, 'ele'),
    })),
  );
}

const LISTS = new Set(['wpt', 'rte', 'rtept']);

function geoJsonPoints(text: string): Result<readonly RawPoint[]> {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return refuse('The file begins like JSON but cannot be read as such.');
  }
  const unbounded = unboundedProblem(data);
  if (unbounded) return fail(unbounded);
  const features = field(data, 'type') === 'FeatureCollection' ? listOf(data, 'features') : [data];
  return succeed(
    features.flatMap((feature): RawPoint[] => {
      const isFeature = field(feature, 'type') === 'Feature';
      const geometry = isFeature ? field(feature, 'geometry') : feature;
      if (field(geometry, 'type') !== 'Point') return [];
      const [longitude, latitude, height] = listOf(geometry, 'coordinates');
      return [
        {
          name: isFeature ? field(field(feature, 'properties'), 'name') : undefined,
          latitude,
          longitude,
          height,
        },
      ];
    }),
  );
}

const field = (value: unknown, name: string): unknown =>
  typeof value === 'object' && value !== null && Object.hasOwn(value, name)
    ? (value as Record<string, unknown>)[name]
    : undefined;

function listOf(value: unknown, name: string): readonly unknown[] {
  const list = field(value, name);
  return Array.isArray(list) ? list : [];
}

const refuse = (sentence: string): Result<never> => fail({ code: 'place-file', sentence });
