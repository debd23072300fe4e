import type { ActivityName, Mode } from '@knapsack/core';
import type { AccessoryRule } from './accessory-rule.js';
import type { Gear } from './gear.js';
import type { PanelPlace, Weather } from './sun.js';

export const TRIP_SCHEMA = 'knapsack.trip';
export const TRIP_VERSION = 1;

export interface Place {
  readonly name: string;
  /** Degrees, north and east positive. */
  readonly latitudeDeg?: number;
  readonly longitudeDeg?: number;
  /** Above the sea, m. */
  readonly heightM?: number;
  /** IANA name; every hour of the trip is told in it. */
  readonly timeZone: string;
}

/** A stretch of operating. Times are ISO 8601 with an offset or Z. */
export interface Block {
  readonly id: string;
  readonly start: string;
  readonly end: string;
  readonly activity: ActivityName;
  readonly mode: Mode;
  readonly powerW: number;
  /** Share of the time with the transmitter on, 0 to 1. */
  readonly share: number;
  /** Mean transmit current of an over between key-up and key-down, 0 to 1; the mode's usual one if absent. */
  readonly modeFactor?: number;
}

export interface LoadoutItem {
  /** Id of a gear item. */
  readonly gear: string;
  readonly count: number;
  /** Another rule than the accessory's own, for this trip. */
  readonly rule?: AccessoryRule;
}

export interface Trip {
  readonly schema: typeof TRIP_SCHEMA;
  readonly version: typeof TRIP_VERSION;
  readonly id: string;
  readonly name: string;
  readonly note?: string;
  readonly place: Place;
  readonly start: string;
  readonly end: string;
  /** Air around the battery, degrees C. */
  readonly temperatureC: number;
  /** State of charge at the start, 0 to 1. */
  readonly startSoc: number;
  /** Reserve, 0 to below 1; the chemistry's usual one if absent. */
  readonly floorSoc?: number;
  readonly stepMinutes: 1 | 5 | 15;
  /** What may be carried, g. */
  readonly carryLimitG?: number;
  /** The sky; ordinary air without a cloud if absent. */
  readonly weather?: Weather;
  /** How the panel lies; flat on grass if absent. */
  readonly panelPlace?: PanelPlace;
  readonly blocks: readonly Block[];
  /** In the bag's order. One radio and one kind of battery take part in the sum. */
  readonly loadout: readonly LoadoutItem[];
  /** Gear that travels with the document, so that it stands alone as a file. */
  readonly gear?: readonly Gear[];
}
