import {
  USUAL_TARGET,
  type ActivityName,
  type Cabling,
  type Mode,
  type Mount,
  type Assumption,
  type CableRunName,
} from '@knapsack/core';
import type { AccessoryRule } from './accessory-rule.js';
import type { Gear } from './gear.js';
import type { HarnessNotes } from './harness-notes.js';
import type { ModuleName, Packing } from './packing.js';
import type { PackedTick } from './beside.js';
import type { Rehearsal, StepResult } from './rehearsal.js';
import type { AimChoice, PanelPlace, Weather } from './sun.js';

export const TRIP_SCHEMA = 'knapsack.trip';
export const TRIP_VERSION = 9;

export interface Site {
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
  /** Voice with heavy speech processing. */
  readonly processed?: boolean;
  /** How its load is rated; as the trip if absent. */
  readonly rating?: Assumption;
  /** Which of the operating positions works it, 1 for the first; the radios in the bag's order are the operating positions. The first if absent. */
  readonly station?: number;
  /** Done again at the same time of every day, or of every hour, until the outing ends; once if absent. */
  readonly repeat?: RepeatWord;
}

/** How often a block is done again. */
export const REPEATS = {
  day: 'every day',
  hour: 'every hour',
} as const;

export type RepeatWord = keyof typeof REPEATS;

/** How a device with cells of its own may be fed. */
export const CELLS_FEEDS = {
  alone: 'run on its own battery first',
  sun: 'charged by surplus sun',
  hours: 'charged at chosen hours',
} as const;

export type CellsFeed = keyof typeof CELLS_FEEDS;

export interface OwnCellsUse {
  readonly feed: CellsFeed;
  /** Charge in its cells at the start, 0 to 1; full if absent. */
  readonly soc?: number;
  /** The chosen hours. */
  readonly hours?: readonly { readonly start: string; readonly end: string }[];
}

/** Hours in which a charger charges during the outing. */
export interface ChargingHours {
  readonly hours: readonly { readonly start: string; readonly end: string }[];
  /** Id of the generator in the bag that it hangs on; the mains, or the vehicle that it is made for, if absent. */
  readonly generator?: string;
}

export interface LoadoutItem {
  /** Id of a gear item. */
  readonly gear: string;
  readonly count: number;
  /** Another rule than the accessory's own, for this trip. */
  readonly rule?: AccessoryRule;
  /** Of the count of panels, how many are in series; the rest of them in parallel. */
  readonly inSeries?: number;
  /** Cables that panels in parallel have for themselves, besides the one to the controller; none if absent. */
  readonly cabling?: { readonly how: Cabling; readonly lengthM: number; readonly areaMm2: number };
  /** Another run than the cable's own, for this trip. */
  readonly run?: CableRunName;
  /** Id of the bag that it lies in; in none yet if absent. */
  readonly bag?: string;
  /** What it is taken for; part of the base if absent. */
  readonly module?: ModuleName;
  /** How a device with cells of its own is fed in this trip; from the bus alone, its cells untouched, if absent. */
  readonly ownCells?: OwnCellsUse;
  /** When a charger charges during the outing; never if absent. */
  readonly charging?: ChargingHours;
  /** It comes along on purpose though nothing out there feeds it, as a charger for the mains; nobody has asked yet if absent. */
  readonly meant?: boolean;
}

/** What is taken for something and stays at home this time: its lines of the bag with their places in it, and its hours on the air, by which of its own radios they are worked. */
export interface SetAside {
  readonly module: Exclude<ModuleName, 'base'>;
  readonly lines: readonly { readonly at: number; readonly item: LoadoutItem }[];
  readonly blocks: readonly Block[];
}

/** What may differ between the variants of one outing; the rest they share. */
export interface VariantPart {
  readonly blocks: readonly Block[];
  readonly loadout: readonly LoadoutItem[];
  readonly setAside?: readonly SetAside[];
  readonly startSoc: number;
  readonly floorSoc?: number;
  readonly batteryUse?: Trip['batteryUse'];
  readonly chargeIdle?: boolean;
  readonly radioOn?: Trip['radioOn'];
  readonly aim?: AimChoice;
  readonly mount?: Mount;
}

/** Another way to do the same outing, kept beside the one in hand. */
export interface Variant extends VariantPart {
  readonly id: string;
  readonly name: string;
}

export interface Trip {
  readonly schema: typeof TRIP_SCHEMA;
  readonly version: typeof TRIP_VERSION;
  readonly id: string;
  readonly name: string;
  readonly note?: string;
  readonly place: Site;
  readonly start: string;
  readonly end: string;
  /** Air around the battery, degrees C. */
  readonly temperatureC: number;
  /** State of charge at the start, 0 to 1. */
  readonly startSoc: number;
  /** Reserve, 0 to below 1; the chemistry's usual one if absent. */
  readonly floorSoc?: number;
  /** Days in store between charge-up and start; the charge that leaks away in them is taken off. */
  readonly storedDays?: number;
  /** How the load is rated; "measured" if absent, which is "expected" where nothing was measured. */
  readonly rating?: Assumption;
  /** Receive currents of data sheets count as they are stated, not as the upper bounds that they usually are. */
  readonly sheetsAsStated?: boolean;
  /** Batteries together, or one after the other; together if absent. */
  readonly batteryUse?: 'parallel' | 'turns';
  /** With batteries in turn: the sun charges one that is not in use. */
  readonly chargeIdle?: boolean;
  /** Where the radio gets its power; straight off the battery if absent. */
  readonly radioOn?: 'battery' | 'terminals';
  /** Charge in the radio's own battery at the start, 0 to 1; full if absent. */
  readonly ownSoc?: number;
  /** The chance to last that it is meant to have, 0.5 to 0.99; nine in ten if absent. */
  readonly targetChance?: number;
  /** Nobody is there who could turn a knob, change a battery or end the outing. */
  readonly unattended?: boolean;
  /** Of several operators at several radios one speaks at a time; all may at once if absent. */
  readonly oneSpeaks?: boolean;
  /** What may be spent on what is still to buy, in the user's own money. */
  readonly budget?: number;
  /** Who knows the place and when it is over. */
  readonly knows?: string;
  /** Unattended gear comes back by itself once the sun has charged the battery again. */
  readonly restart?: boolean;
  /** Share of the wanted hours that such gear is meant to be up, 0.5 to 1; 0.95 if absent. */
  readonly targetAvailability?: number;
  readonly stepMinutes: 1 | 5 | 15;
  /** What may be carried, g. */
  readonly carryLimitG?: number;
  /** The sky; nothing is known of it if absent. */
  readonly weather?: Weather;
  /** How the panel lies; flat on grass if absent. */
  readonly panelPlace?: PanelPlace;
  readonly blocks: readonly Block[];
  /** In the bag's order. One radio takes part in the sum, and one kind of battery unless they are used in turn. */
  readonly loadout: readonly LoadoutItem[];
  /** Modules that stay at home, to be taken along again as one. */
  readonly setAside?: readonly SetAside[];
  /** Gear that travels with the document, so that it stands alone as a file. */
  readonly gear?: readonly Gear[];
  /** What is ticked and read, where it travels with the document; here it stands beside it (see beside.ts). */
  readonly packed?: readonly PackedTick[];
  readonly results?: readonly StepResult[];
  /** How the kit is wired, where more is said of it than the cables of the bag. */
  readonly harness?: HarnessNotes;
  readonly packing?: Packing;
  readonly rehearsal?: Rehearsal;
  /** What the variant in hand is called, where there are others. */
  readonly variantName?: string;
  /** Other variants of the same outing. */
  readonly variants?: readonly Variant[];
  /** Put away: not listed among the trips to come. */
  readonly archived?: boolean;
}

/** The target chance of a trip, 0 to 1. */
export const targetOf = ({ targetChance = USUAL_TARGET }: Pick<Trip, 'targetChance'>): number => targetChance;

/** Whether somebody is there during the outing. */
export const isAttended = ({ unattended = false }: Pick<Trip, 'unattended'>): boolean => !unattended;
