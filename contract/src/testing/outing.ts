import type { Gear, Radio } from '../documents/gear.js';
import type { Block, Trip } from '../documents/trip.js';
import { curlew as sheetCurlew, shale } from './documents.js';

const measured = 'measured' as const;

/** Measured at three powers. */
export const curlew: Radio = {
  ...sheetCurlew,
  weightG: { value: 700, source: measured },
  transmit: [
    { rfW: 10, amps: 1.9, source: measured },
    { rfW: 5, amps: 1.4, source: measured },
    { rfW: 2, amps: 0.9, source: measured },
  ],
};

export { shale } from './documents.js';

export const shelf: readonly Gear[] = [curlew, shale];

const at = (hour: number) => `2027-09-04T${String(hour).padStart(2, '0')}:00:00.000Z`;

export const blockAt = (id: string, from: number, to: number): Block => ({
  id,
  start: at(from),
  end: at(to),
  activity: 'calling',
  mode: 'CW',
  powerW: 10,
  share: 0.5,
});

/** From six to eighteen o'clock UTC, with two blocks: 8 to 10 and 12 to 15. */
export function trip(change: Partial<Trip> = {}): Trip {
  return {
    schema: 'knapsack.trip',
    version: 9,
    id: 'islet',
    name: 'Islet',
    place: { name: 'islet', timeZone: 'Europe/Oslo' },
    start: at(6),
    end: at(18),
    temperatureC: 12,
    startSoc: 1,
    stepMinutes: 5,
    blocks: [blockAt('one', 8, 10), blockAt('two', 12, 15)],
    loadout: [
      { gear: 'curlew', count: 1 },
      { gear: 'shale', count: 2 },
    ],
    ...change,
  };
}

/** An hour of the trip's day, UTC epoch ms. */
export const hour = (of: number): number => Date.UTC(2027, 8, 4) + of * 3_600_000;

/** The hours of a trip's blocks, from the day's start. */
export const hoursOfBlocks = ({ blocks }: Trip): number[][] =>
  blocks.map(({ start, end }) => [
    (Date.parse(start) - hour(0)) / 3_600_000,
    (Date.parse(end) - hour(0)) / 3_600_000,
  ]);
