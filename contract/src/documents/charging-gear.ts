import type { ChemistryName, ControllerKind } from '@knapsack/core';
import type { ChargeLaw } from './charge-law.js';
import type { Figure } from './figure.js';
import type { GearCommon } from './gear.js';

/** A charge controller. */
export interface ControllerGear extends GearCommon {
  readonly kind: 'controller';
  readonly type: Exclude<ControllerKind, 'builtIn'>;
  /** Largest current into the battery; of a USB charger into each cell. */
  readonly maxA: Figure;
  /** Of a USB charger: cells that it takes at once, and volts a cell at which it ends. */
  readonly slots?: number;
  readonly endsV?: Figure;
  /** Of a USB charger: what the panel’s socket gives, W. */
  readonly socketW?: Figure;
  /** Whether a PWM holds its current to that, instead of passing on all that the panel gives; not entered if absent. */
  readonly limitsCurrent?: boolean;
  /** Highest volts that its input survives. */
  readonly maxInputV?: Figure;
  /** Its own draw, all hours. */
  readonly selfUseA?: Figure;
  /** Share of the panel's watts under which it sleeps; 0.01 if absent. */
  readonly wakeShare?: Figure;
  /** Chemistries that it has a charge profile for; not entered if absent. */
  readonly profiles?: readonly ChemistryName[];
  /** Volts that it is set to charge up to. */
  readonly chargesToV?: Figure;
  /** Whether it compensates those for temperature, and whether its profile equalises flooded lead. */
  readonly compensates?: boolean;
  readonly equalises?: boolean;
  /** Whether it can wake a battery whose protection has cut it off. */
  readonly wakesBattery?: boolean;
  /** What its load terminals carry, where it has them. */
  readonly loadA?: Figure;
  /** Volts at the battery at which its load terminals switch off, and on again while it charges. */
  readonly disconnectV?: Figure;
  readonly reconnectV?: Figure;
}

/** A charger on the mains or in a vehicle: for before the outing, and during it in hours of its own. */
export interface Charger extends GearCommon {
  readonly kind: 'charger';
  readonly from: 'mains' | 'vehicle';
  /** Largest current into the battery. */
  readonly maxA: Figure;
  /** How it charges; in stages, down to float, if absent. */
  readonly law?: ChargeLaw;
  /** In a vehicle: something keeps it off the starter battery while the engine is off. */
  readonly isolated?: boolean;
  /** Chemistries that it has a charge profile for; any if absent. */
  readonly profiles?: readonly ChemistryName[];
}

/** A generator that burns fuel and gives mains voltage: what a charger hangs on where there are no mains. */
export interface Generator extends GearCommon {
  readonly kind: 'generator';
  /** Continuous power, W. */
  readonly ratedW: Figure;
  /** Litres an hour at that power. */
  readonly fuelLh?: Figure;
  /** Sound at 7 m, dB(A). */
  readonly noiseDb?: Figure;
}
