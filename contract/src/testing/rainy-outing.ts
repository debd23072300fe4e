import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { curlew, shale, trip } from './outing.js';

const common = { schema: 'knapsack.gear', version: 8 } as const;
export const sheet = (value: number) => ({ value, source: 'datasheet' as const });
export const frond: Gear = {
  ...common,
  ...{ id: 'frond', kind: 'panel', name: 'Frond', technology: 'good_mono', watts: sheet(60) },
  ...{ weightG: sheet(2000), folds: 'folded' },
};
/** Of which it is entered what each stands of water. */
export const rated: readonly Gear[] = [
  { ...curlew, proof: 'splash' },
  { ...shale, proof: 'dunking', weightG: sheet(1200) },
  frond,
];

const hours = (wet: readonly number[]) =>
  Array.from({ length: 12 }, (_, at) => ({
    start: new Date(Date.parse(trip().start) + at * 3_600_000).toISOString(),
    ...{ cloud: 1, rain: wet.includes(at) },
  }));
/** Twelve hours with a folded panel, some of them in rain. */
export const rainyOuting = (wet: readonly number[], change: Partial<Trip> = {}): Trip =>
  trip({
    loadout: [...trip().loadout, { gear: 'frond', count: 1 }],
    weather: { air: 'clean', windMS: 3, hours: hours(wet) },
    ...change,
  });
