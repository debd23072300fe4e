import { CHEMISTRIES, HOUR_MS, sayQuantity, type ChemistryName, type QuickSumInput } from '@knapsack/core';
import {
  GEAR_SCHEMA,
  GEAR_VERSION,
  type Accessory,
  type Battery,
  type Gear,
  type Radio,
} from '../documents/gear.js';
import { AMPS_A_WATT, RADIOS } from '../typical/typical-rules.js';
import { MOST_DAYS } from '../fields/fields.js';
import type { Figure } from '../documents/figure.js';
import { TRIP_SCHEMA, TRIP_VERSION, type Trip } from '../documents/trip.js';

/** Cells of a pack for the 12 V bus, by chemistry. */
export const USUAL_CELLS: Record<ChemistryName, number> = {
  lifepo4: 4,
  liion: 4,
  agm: 6,
  gel: 6,
  flooded: 6,
  nimh: 10,
  alkaline: 10,
  lithiumaa: 8,
};

/** Hours of the trip where none were wished for. */
const USUAL_HOURS = 6;

/** What the quick sum does not ask and a trip needs. */
export interface QuickTripContext {
  /** A short unique text for the ids. */
  readonly key: string;
  readonly chemistry: ChemistryName;
  /** Start of the outing, UTC epoch ms. */
  readonly startMs: number;
  readonly timeZone: string;
}

/**
 * A trip and its gear out of a quick sum. The typed transmit current is the mean of an over, so the trip's block takes it as it is
 * (mode factor 1) at whatever power: the one that is written is the class of radio that takes such a current. Everything else is
 * assumed, visibly.
 */
export function quickTrip(
  input: QuickSumInput,
  context: QuickTripContext,
): { trip: Trip; gear: readonly Gear[] } {
  const { key, chemistry, startMs, timeZone } = context;
  const id = (what: string) => `quick-${what}-${key}`;
  const hours = Math.min(input.wantedHours ?? USUAL_HOURS, MOST_DAYS * 24);
  const iso = (timeMs: number) => new Date(timeMs).toISOString();
  const powerW = powerClassOf(input.transmitA - input.receiveA);
  const common = { schema: GEAR_SCHEMA, version: GEAR_VERSION } as const;

  const radio: Radio = {
    ...common,
    kind: 'radio',
    id: id('radio'),
    name: 'My radio',
    about: `takes the ${sayQuantity({ value: input.transmitA, unit: 'A' })} of a quick sum, whatever its power`,
    receiveA: assumed(input.receiveA),
    transmit: [{ rfW: powerW, amps: input.transmitA, source: 'datasheet' }],
    dropoutV: assumed(10.5),
  };
  const battery: Battery = {
    ...common,
    kind: 'battery',
    id: id('battery'),
    name: `My ${input.capacityAh} Ah ${CHEMISTRIES[chemistry].label}`,
    about: 'from a quick sum',
    chemistry,
    cellsInSeries: USUAL_CELLS[chemistry],
    ratedAh: typed(input.capacityAh),
  };
  const always: Accessory = {
    ...common,
    kind: 'accessory',
    id: id('always'),
    name: 'Always on',
    about: 'from a quick sum',
    drawA: typed(input.alwaysA),
    rule: { when: 'always' },
  };
  const gear: Gear[] = input.alwaysA > 0 ? [radio, battery, always] : [radio, battery];

  const trip: Trip = {
    schema: TRIP_SCHEMA,
    version: TRIP_VERSION,
    id: id('trip'),
    name: 'From a quick sum',
    place: { name: 'somewhere', timeZone },
    start: iso(startMs),
    end: iso(startMs + hours * HOUR_MS),
    temperatureC: 20,
    startSoc: 1,
    floorSoc: Math.min(0.95, Math.round((1 - input.usable) * 1000) / 1000),
    stepMinutes: 5,
    blocks: [
      {
        id: 'b1',
        start: iso(startMs),
        end: iso(startMs + hours * HOUR_MS),
        activity: 'calling',
        mode: 'SSB',
        powerW,
        modeFactor: 1,
        share: input.share,
      },
    ],
    loadout: gear.map((item) => ({ gear: item.id, count: 1 })),
  };
  return { trip, gear };
}

/** The class of radio that takes so much more on transmit than on receive, W. */
const powerClassOf = (amps: number): number =>
  RADIOS.map(({ rfW }) => rfW).reduce((nearest, rfW) => {
    const off = (watts: number) => Math.abs(Math.log(Math.max(amps, 0.1) / (watts * AMPS_A_WATT.value)));
    return off(rfW) < off(nearest) ? rfW : nearest;
  });

const typed = (value: number): Figure => ({ value, source: 'datasheet' });
const assumed = (value: number): Figure => ({ value, source: 'assumed' });
