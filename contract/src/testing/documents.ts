import type { Battery, Gear, Radio } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';

const common = { schema: 'knapsack.gear', version: 8 } as const;

export const curlew: Radio = {
  ...common,
  id: 'curlew',
  kind: 'radio',
  name: 'Curlew',
  receiveA: { value: 0.14, source: 'measured' },
  transmit: [
    { rfW: 10, amps: 2.3, source: 'datasheet' },
    { rfW: 10, amps: 1.9, source: 'measured' },
  ],
  dropoutV: { value: 10.5, source: 'datasheet' },
};

export const shale: Battery = {
  ...common,
  id: 'shale',
  kind: 'battery',
  name: 'Shale',
  chemistry: 'lifepo4',
  cellsInSeries: 4,
  ratedAh: { value: 10, source: 'datasheet' },
};

export const cobble: Battery = { ...shale, id: 'cobble', name: 'Cobble', chemistry: 'agm', cellsInSeries: 6 };

export const relay: Gear = {
  ...common,
  id: 'relay',
  kind: 'accessory',
  name: 'relay',
  drawA: { value: 0.06, source: 'measured' },
  rule: { when: 'always' },
};

export const shelf: readonly Gear[] = [curlew, shale, cobble, relay];

/** Six hours with one block of CW in the middle. */
export function trip(change: Partial<Trip> = {}): Trip {
  return {
    schema: 'knapsack.trip',
    version: 9,
    id: 'islet',
    name: 'Islet',
    place: { name: 'islet', timeZone: 'Europe/Oslo' },
    start: '2027-09-04T10:00:00Z',
    end: '2027-09-04T16:00:00Z',
    temperatureC: 12,
    startSoc: 1,
    stepMinutes: 5,
    blocks: [
      {
        id: 'b1',
        start: '2027-09-04T11:00:00Z',
        end: '2027-09-04T13:00:00Z',
        activity: 'calling',
        mode: 'CW',
        powerW: 10,
        share: 0.5,
      },
    ],
    loadout: [
      { gear: 'curlew', count: 1 },
      { gear: 'shale', count: 1 },
      { gear: 'relay', count: 1 },
    ],
    ...change,
  };
}
