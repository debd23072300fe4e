import fc from 'fast-check';
import { trip } from '../testing/documents.js';
import { siteAsGeoJson, siteAsGpx, readSiteFile, type Waypoint } from './site-file.js';

const site = {
  ...trip().place,
  name: 'Käpt’n <Rock> & "Co"',
  latitudeDeg: -59.02,
  longitudeDeg: 5.31,
  heightM: 6,
};
const gpx = (inside: string) =>
  `<?xml version="1.0"?><gpx version="1.1" creator="x" xmlns="http://www.topografix.com/GPX/1/1">${inside}</gpx>`;
const pointsOf = (text: string) => {
  const read = readSiteFile(text);
  return read.ok ? read.value : read.problems[0].sentence;
};

describe('a place as a file', () => {
  it('comes back as it went out, through either format', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -90, max: 90, noNaN: true }),
        fc.double({ min: -180, max: 180, noNaN: true }),
        fc.option(fc.integer({ min: -400, max: 8000 }), { nil: undefined }),
        fc.constantFrom(site.name, 'Gannet Rock', '007', 'true', '=1+1'),
        (latitudeDeg, longitudeDeg, heightM, name) => {
          const { heightM: _none, ...flat } = site;
          const there = trip({
            place: { ...flat, name, latitudeDeg, longitudeDeg, ...(heightM !== undefined && { heightM }) },
          });
          const point = {
            ...{ name, latitudeDeg: latitudeDeg + 0, longitudeDeg: longitudeDeg + 0 },
            ...(heightM !== undefined && { heightM }),
          };
          for (const text of [siteAsGpx(there)!, siteAsGeoJson(there)!]) {
            const [read] = pointsOf(text) as readonly Waypoint[];
            // Text has no sign of zero.
            expect({
              ...read,
              latitudeDeg: read.latitudeDeg + 0,
              longitudeDeg: read.longitudeDeg + 0,
            }).toEqual(point);
          }
        },
      ),
    );
  });

  it('cannot be written without coordinates', () => {
    const bare = trip({ place: { name: 'Somewhere', timeZone: 'Europe/Oslo' } });
    expect([siteAsGpx(bare), siteAsGeoJson(bare)]).toEqual([null, null]);
  });

  it('is read from waypoints, from a route where there are none, and with prefixes', () => {
    expect(
      pointsOf(
        gpx('<wpt lat="59.02" lon="5.31"><ele>6.5</ele><name>Rock</name></wpt><wpt lat="1" lon="2"/>'),
      ),
    ).toEqual([
      { name: 'Rock', latitudeDeg: 59.02, longitudeDeg: 5.31, heightM: 6.5 },
      { name: 'Point 2', latitudeDeg: 1, longitudeDeg: 2 },
    ]);
    expect(pointsOf(gpx('<rte><rtept lat="1" lon="2"><name>A</name></rtept></rte>'))).toEqual([
      { name: 'A', latitudeDeg: 1, longitudeDeg: 2 },
    ]);
    expect(pointsOf('<g:gpx xmlns:g="x"><g:wpt lat="1" lon="2"/></g:gpx>')).toEqual([
      { name: 'Point 1', latitudeDeg: 1, longitudeDeg: 2 },
    ]);
  });

  it('is read from a GeoJSON point, a feature or many, longitude first', () => {
    const point = { type: 'Point', coordinates: [5.31, 59.02, 6] };
    const feature = { type: 'Feature', geometry: point, properties: { name: 'Rock' } };
    const read = { latitudeDeg: 59.02, longitudeDeg: 5.31, heightM: 6 };
    expect(pointsOf(JSON.stringify(point))).toEqual([{ name: 'Point 1', ...read }]);
    expect(pointsOf(JSON.stringify(feature))).toEqual([{ name: 'Rock', ...read }]);
    const line = {
      type: 'Feature',
      geometry: { type: 'LineString', coordinates: [[0, 0]] },
      properties: null,
    };
    expect(pointsOf(JSON.stringify({ type: 'FeatureCollection', features: [line, feature] }))).toEqual([
      { name: 'Rock', ...read },
    ]);
  });

  it('that is none, or hostile, is refused in a sentence', () => {
    const bomb = `<!DOCTYPE g [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]>${gpx('<wpt lat="1" lon="2"><name>&b;</name></wpt>')}`;
    const deep = `{"type":${'['.repeat(5000)}${']'.repeat(5000)}}`;
    expect(pointsOf(bomb)).toMatch(/document type/);
    expect(pointsOf(deep)).toMatch(/levels deep/);
    expect(pointsOf('<gpx><wpt lat="1"')).toMatch(/XML/);
    expect(pointsOf('<html></html>')).toMatch(/no GPX/);
    expect(pointsOf('{')).toMatch(/JSON/);
    expect(pointsOf('lat,lon')).toMatch(/neither GPX nor GeoJSON/);
    expect(pointsOf(gpx('<wpt lat="91" lon="0"/><wpt lat="" lon="0"/><wpt lon="0"/>'))).toMatch(
      /no point in the file/,
    );
    expect(pointsOf('{"type":"__proto__","constructor":1}')).toMatch(/no point in the file/);
    expect(pointsOf(`<gpx>${'<a>'.repeat(20_000)}${'</a>'.repeat(20_000)}</gpx>`)).toMatch(/XML|no point/);
  });
});
