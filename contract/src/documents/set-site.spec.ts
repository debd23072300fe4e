import { toLocalField } from '@knapsack/core';
import { trip } from '../testing/documents.js';
import { simulatedDocument } from '../weather/simulated-document.js';
import { setSite } from './set-site.js';
import type { Trip } from './trip.js';

const OSLO = { name: 'Gannet Rock', timeZone: 'Europe/Oslo', latitudeDeg: 59, longitudeDeg: 5 };
const DENVER = { name: 'Ptarmigan', timeZone: 'America/Denver', latitudeDeg: 39, longitudeDeg: -105 };
const at = (time: string, { place }: Trip) => toLocalField(Date.parse(time), place.timeZone);

describe('another place for an outing', () => {
  const shade = [{ start: '2027-09-04T12:00:00Z', end: '2027-09-04T14:00:00Z', fraction: 0.5 }];
  const hours = [{ start: '2027-09-04T10:00:00Z', cloud: 1 }];
  const planned = trip({
    place: OSLO,
    panelPlace: { aim: { how: 'flat' }, mount: 'flat', ground: 'grass', shade },
    weather: { air: 'clean', cloud: 0.2, windMS: 3, hours },
    loadout: [
      {
        gear: 'relay',
        count: 1,
        rule: { when: 'hours', hours: [{ start: '2027-09-04T11:00:00Z', end: '2027-09-04T12:00:00Z' }] },
      },
    ],
  });

  it('keeps the hours that were typed: outing, blocks, own hours, shade and a painted sky', () => {
    const moved = setSite(planned, DENVER);
    const clocks = (of: Trip) => [
      at(of.start, of),
      at(of.end, of),
      ...of.blocks.flatMap(({ start, end }) => [at(start, of), at(end, of)]),
      at(of.panelPlace!.shade![0].start, of),
      at(of.weather!.hours![0].start, of),
      ...of.loadout.flatMap(({ rule }) =>
        rule?.when === 'hours' ? rule.hours.map(({ start }) => at(start, of)) : [],
      ),
    ];
    expect(clocks(moved)).toEqual(clocks(planned));
    // Oslo's noon is eight hours before Denver's.
    expect(Date.parse(moved.start) - Date.parse(planned.start)).toBe(8 * 3_600_000);
    expect(moved.place).toBe(DENVER);
  });

  it('begins with the season’s usual weather where nothing was known, and leaves what was', () => {
    const { weather: _none, ...unknown } = planned;
    // In the tropics by its latitude; else temperate, whatever the country is like.
    expect(setSite(unknown, { ...DENVER, latitudeDeg: 10 }).weather).toEqual({
      air: 'hazy',
      windMS: 3,
      climate: 'tropical',
    });
    expect(setSite(unknown, DENVER).weather!.climate).toBe('temperate');
    expect(setSite(unknown, { name: 'nowhere known', timeZone: 'UTC' }).weather).toBeUndefined();
    expect(setSite(planned, DENVER).weather!.climate).toBeUndefined();
    const coast = { ...planned, weather: { air: 'clean', windMS: 3, climate: 'maritime' } as const };
    expect(setSite(coast, DENVER).weather).toEqual(coast.weather);
  });

  it('keeps the instants of a forecast, and makes simulated weather anew', () => {
    const forecast = { ...planned, weather: { ...planned.weather!, source: 'forecast' as const } };
    expect(setSite(forecast, DENVER).weather!.hours).toEqual(hours);
    const simulated = {
      ...planned,
      weather: { ...planned.weather!, source: 'simulated' as const, climate: 'desert' as const },
    };
    const moved = setSite(simulated, DENVER);
    const made = simulatedDocument(
      { latitudeDeg: 39, longitudeDeg: -105, heightM: 0 },
      { startMs: Date.parse(moved.start), endMs: Date.parse(moved.end) },
      'desert',
    );
    expect(moved.weather!.hours!.map(({ cloud }) => cloud)).toEqual(made.hours.map(({ cloud }) => cloud));
  });

  it('is nothing but another place within one zone', () => {
    const near = { ...OSLO, name: 'Skua Head', latitudeDeg: 60 };
    const moved = setSite(planned, near);
    expect(Date.parse(moved.start)).toBe(Date.parse(planned.start));
    expect(moved.place).toBe(near);
  });
});
