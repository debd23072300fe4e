import type { ChemistryName, ControllerKind, SourcedPoint, Technology } from '@knapsack/core';
import type { AccessoryRule } from './accessory-rule.js';
import type { Figure } from './figure.js';

export const GEAR_SCHEMA = 'knapsack.gear';
export const GEAR_VERSION = 1;

export const SHELF_SCHEMA = 'knapsack.shelf';
export const SHELF_VERSION = 1;

export const GEAR_KINDS = ['radio', 'battery', 'accessory', 'lead', 'panel', 'controller', 'other'] as const;
export type GearKind = (typeof GEAR_KINDS)[number];

interface GearCommon {
  readonly schema: typeof GEAR_SCHEMA;
  readonly version: typeof GEAR_VERSION;
  /** Lower-case letters, digits and hyphens. */
  readonly id: string;
  readonly name: string;
  /** A few words on what it is. */
  readonly about?: string;
  readonly weightG?: Figure;
}

export interface Radio extends GearCommon {
  readonly kind: 'radio';
  readonly receiveA: Figure;
  /** At least one; several for one power where sheet and meter disagree. */
  readonly transmit: readonly SourcedPoint[];
  /** Volts below which it shuts off or its output collapses. */
  readonly dropoutV: Figure;
  /** Lowest volts for full power. */
  readonly fullPowerV?: Figure;
}

export interface Battery extends GearCommon {
  readonly kind: 'battery';
  readonly chemistry: ChemistryName;
  readonly cellsInSeries: number;
  readonly ratedAh: Figure;
  /** Capacity from a test, Ah at the rated current; replaces rating x health. */
  readonly measuredAh?: Figure;
  /** Share of the rating left with age, above 0 to 1.2. */
  readonly health?: Figure;
  readonly resistanceOhm?: Figure;
  readonly cutoffV?: Figure;
  readonly continuousA?: Figure;
  readonly peakA?: Figure;
}

export interface Accessory extends GearCommon {
  readonly kind: 'accessory';
  /** Draw while on, A at the battery. */
  readonly drawA: Figure;
  readonly rule: AccessoryRule;
}

/** The lead from battery to radio. */
export interface Lead extends GearCommon {
  readonly kind: 'lead';
  /** Resistance there and back with its contacts and fuses, ohm. */
  readonly loopOhm: Figure;
}

/** A solar panel; what its label does not say is taken from its watts. */
export interface Panel extends GearCommon {
  readonly kind: 'panel';
  readonly technology: Technology;
  /** Each leaf has a bypass diode of its own, so that shade on one costs less. */
  readonly diodes?: boolean;
  readonly watts: Figure;
  readonly vmpV?: Figure;
  readonly vocV?: Figure;
  readonly impA?: Figure;
  readonly iscA?: Figure;
  /** Share of the label's current that it really gives; 0.90 if absent. */
  readonly truth?: Figure;
}

/** A charge controller. */
export interface ControllerGear extends GearCommon {
  readonly kind: 'controller';
  readonly type: ControllerKind;
  /** Largest current into the battery. */
  readonly maxA: Figure;
  /** Highest volts that its input survives. */
  readonly maxInputV?: Figure;
  /** Its own draw, all hours. */
  readonly selfUseA?: Figure;
  /** Share of the panel's watts under which it sleeps; 0.01 if absent. */
  readonly wakeShare?: Figure;
  /** Chemistries that it has a charge profile for; any if absent. */
  readonly profiles?: readonly ChemistryName[];
}

/** Carried, but without a part in the sum: antenna, mast, tools. */
export interface OtherGear extends GearCommon {
  readonly kind: 'other';
}

export type Gear = Radio | Battery | Accessory | Lead | Panel | ControllerGear | OtherGear;

/** Many gear items in one file, for import, export and the terminal tool. */
export interface ShelfDocument {
  readonly schema: typeof SHELF_SCHEMA;
  readonly version: typeof SHELF_VERSION;
  readonly gear: readonly Gear[];
}
