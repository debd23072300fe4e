import type { Charger, ControllerGear } from '../documents/charging-gear.js';
import type { Antenna, Gear, Cable, Panel, Radio } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { cobble, curlew, relay, shale, trip } from './documents.js';

const common = { schema: 'knapsack.gear', version: 8 } as const;
const sheet = (value: number) => ({ value, source: 'datasheet' as const });

export const frond: Panel = {
  ...common,
  id: 'frond',
  kind: 'panel',
  name: 'Frond',
  technology: 'good_mono',
  watts: sheet(42),
  weightG: sheet(1260),
  packedL: sheet(1.9),
};

export const rill: ControllerGear = {
  ...common,
  id: 'rill',
  kind: 'controller',
  name: 'Rill',
  type: 'mppt',
  maxA: sheet(8),
  maxInputV: sheet(30),
  selfUseA: sheet(0.008),
  weightG: sheet(190),
};

export const shortLead: Cable = {
  ...common,
  id: 'short-lead',
  kind: 'lead',
  name: 'short lead',
  run: 'radio',
  wire: { areaMm2: 2.5, lengthM: 0.6, contactPairs: 2, fusesA: [10], connectorA: 30 },
  connectors: ['30 A flat-contact pair'],
  weightG: sheet(130),
};

export const wire: Antenna = { ...common, id: 'wire', kind: 'antenna', name: 'wire', weightG: sheet(900) };

export const mains: Charger = {
  ...common,
  id: 'mains',
  kind: 'charger',
  name: 'mains charger',
  from: 'mains',
  maxA: sheet(5),
  profiles: ['lifepo4'],
};

export const dunlin: Radio = {
  ...curlew,
  id: 'dunlin',
  name: 'Dunlin',
  internal: { wattHours: sheet(22), chargeW: sheet(10), chargesWhileOperating: false },
};

/** A radio on a fused cable, a battery, a panel on its controller, a relay and an antenna. */
export const kitShelf: readonly Gear[] = [
  { ...curlew, weightG: sheet(720), packedL: sheet(0.6), connectors: ['30 A flat-contact pair'] },
  { ...shale, weightG: sheet(1200), protects: true },
  { ...cobble, weightG: sheet(5600) },
  relay,
  frond,
  rill,
  shortLead,
  wire,
  mains,
  dunlin,
];

export const kitTrip = (change: Partial<Trip> = {}): Trip =>
  trip({
    place: { name: 'islet', timeZone: 'Europe/Oslo', latitudeDeg: 59, longitudeDeg: 5.3 },
    weather: { air: 'ordinary', cloud: 0, windMS: 1.5, climate: 'temperate' },
    loadout: ['curlew', 'shale', 'frond', 'rill', 'short-lead', 'relay', 'wire'].map((gear) => ({
      gear,
      count: 1,
    })),
    ...change,
  });
