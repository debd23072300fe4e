import type {
  ChemistryName,
  ConverterName,
  Mode,
  CableRunName,
  Fold,
  Proof,
  RoughUse,
  Technology,
} from '@knapsack/core';
import type { AccessoryRule } from './accessory-rule.js';
import type { Charger, ControllerGear, Generator } from './charging-gear.js';
import type { Figure } from './figure.js';
import type { NoiseReading } from './noise-reading.js';
import type { DutyFigure, MeasuredOver } from './operator-figures.js';
import type { TransmitFigure } from './transmit-figure.js';

export const GEAR_SCHEMA = 'knapsack.gear';
export const GEAR_VERSION = 8;

export const GEAR_KINDS = [
  'radio',
  'battery',
  'station',
  'amplifier',
  'accessory',
  'lead',
  'panel',
  'controller',
  'charger',
  'generator',
  'distribution',
  'antenna',
  'other',
] as const;
export type GearKind = (typeof GEAR_KINDS)[number];

export interface GearCommon {
  readonly schema: typeof GEAR_SCHEMA;
  readonly version: typeof GEAR_VERSION;
  /** Lower-case letters, digits and hyphens. */
  readonly id: string;
  readonly name: string;
  /** A few words on what it is. */
  readonly about?: string;
  readonly weightG?: Figure;
  /** Packed size, litres. */
  readonly packedL?: Figure;
  /** What it stands of water; not entered if absent. */
  readonly proof?: Proof;
  /** What it weighs soaked, g, and how long it then takes to dry in the air, h: for what stands in the rain. */
  readonly wetG?: Figure;
  readonly dryH?: Figure;
  readonly folds?: Fold;
  /** What rough use it stands. */
  readonly rough?: RoughUse;
  /** Sockets that something can be plugged into. */
  readonly sockets?: number;
  /** What was heard of it beside the radio, by band: of anything that switches. */
  readonly noise?: readonly NoiseReading[];
  /** In the user's own money. */
  readonly price?: Figure;
  /** Charge cycles until four fifths of the capacity are left, for batteries. */
  readonly cycles?: Figure;
  /** Wished for, not owned. */
  readonly wished?: boolean;
  /** Put away: not offered for a bag any more; trips keep what they used. */
  readonly archived?: boolean;
  readonly note?: string;
  readonly tags?: readonly string[];
  /** What sits at its ends, in generic terms. */
  readonly connectors?: readonly string[];
  /** Its place on the shelf, ascending; those without one come last, by name. */
  readonly place?: number;
}

export interface Radio extends GearCommon {
  readonly kind: 'radio';
  readonly receiveA: Figure;
  /** At least one; several for one power where sheet and meter disagree. */
  readonly transmit: readonly TransmitFigure[];
  /** Volts below which it shuts off or its output collapses. */
  readonly dropoutV: Figure;
  /** Lowest volts for full power. */
  readonly fullPowerV?: Figure;
  /** Volts that it must never see more of. */
  readonly maxV?: Figure;
  /** Receive current that the sheet gives where a measured one stands in receiveA; the cautious rating takes the larger. */
  readonly receiveSheetA?: Figure;
  /** At listening volume with the backlight on: for modes listened to by ear. */
  readonly receiveByEarA?: Figure;
  /** What the bench found for the mean of an over, between key-up and key-down; the measured rating takes it. */
  readonly overs?: readonly MeasuredOver[];
  /** How much its operator really transmits, as outings have taught it. */
  readonly duty?: readonly DutyFigure[];
  /** A battery of its own. */
  readonly internal?: {
    readonly wattHours: Figure;
    /** What charging it draws from the bus, W. */
    readonly chargeW: Figure;
    readonly chargesWhileOperating: boolean;
  };
  /** Whether its receiver was quiet beside a charge controller. */
  readonly quiet?: boolean;
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
  /** How long the peak may last, s. */
  readonly peakS?: Figure;
  /** Largest charge current. */
  readonly maxChargeA?: Figure;
  /** A protection of its own opens before it is emptied too far or short-circuited; not known if absent. */
  readonly protects?: boolean;
  /** Its protection keeps a charge out below freezing; not known if absent. */
  readonly coldProtected?: boolean;
  /** Cells made to keep their charge (low self-discharge). */
  readonly keepsCharge?: boolean;
}

/** A boxed power station: cells, a regulated 12 V socket and an input for panels. */
export interface PowerStation extends GearCommon {
  readonly kind: 'station';
  readonly chemistry: ChemistryName;
  readonly cellsInSeries: number;
  readonly wattHours: Figure;
  /** Share of its watt hours left with age. */
  readonly health?: Figure;
  /** Volts of its 12 V socket; 13 V if absent. */
  readonly socketV?: Figure;
  /** What the socket gives at the most. */
  readonly socketA?: Figure;
  /** Power out of the socket / out of the cells; 0.90 if absent. */
  readonly efficiency?: Figure;
  /** What it draws for itself while it is on, W; 2 W if absent. */
  readonly idleW?: Figure;
  /** It switches itself off while less is drawn, W. */
  readonly sleepsBelowW?: Figure;
  /** What its own input takes from panels, W, and the most volts that it survives. */
  readonly solarW?: Figure;
  readonly solarMaxV?: Figure;
}

export interface Accessory extends GearCommon {
  readonly kind: 'accessory';
  /** Draw while on, A at the battery; or watts behind a converter. One of the two. */
  readonly drawA?: Figure;
  readonly drawW?: Figure;
  /** What stands between the battery and the watts; nothing if absent. */
  readonly via?: ConverterName;
  /** Draw while the radio transmits, A or W as above, for the rule "transmitting". */
  readonly transmitDraw?: Figure;
  /** Draw in the one colour that spares the eyes, A or W as above, of a lamp that has one. */
  readonly colourDraw?: Figure;
  readonly rule: AccessoryRule;
  /** Cells of its own: a tablet, a laptop, a hand-held. */
  readonly internal?: {
    readonly wattHours: Figure;
    /** What charging them draws from the bus, W. */
    readonly chargeW: Figure;
  };
}

/** An amplifier behind the radio: its own draw between overs and in them. */
export interface Amplifier extends GearCommon {
  readonly kind: 'amplifier';
  /** Between overs, and in them with the key down, A at the battery. */
  readonly standbyA: Figure;
  readonly transmitA: Figure;
  /** Output power with the key down, W; without it no distance from its antenna is known. */
  readonly outputW?: Figure;
  /** As it is switched on, for a moment, A at its own volts. */
  readonly startA?: Figure;
  /** Used in these modes only, where some are named. */
  readonly modes?: readonly Mode[];
}

/** A cable: its resistance, what it is made of, or both. */
export interface Cable extends GearCommon {
  readonly kind: 'lead';
  /** Where it usually goes; distribution (or battery) to radio if absent. */
  readonly run?: CableRunName;
  /** Resistance there and back with its contacts and fuses, ohm; it goes before what the wire would give. */
  readonly loopOhm?: Figure;
  readonly wire?: Wire;
}

/** What a cable is made of. */
export interface Wire {
  /** Gauge, or cross section in mm2: one of the two. */
  readonly awg?: number;
  readonly areaMm2?: number;
  /** One way, m. */
  readonly lengthM: number;
  readonly contactPairs: number;
  /** Rated current of each blade fuse in it, A. */
  readonly fusesA?: readonly number[];
  /** What its connectors may carry, A. */
  readonly connectorA: number;
  readonly bundled?: boolean;
  /** Copper-clad aluminium; copper if absent. */
  readonly clad?: boolean;
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
  /** The label's own coefficient of Voc, share a kelvin, about -0.003; the technology's usual one if absent. */
  readonly vocPerKelvin?: Figure;
}

/** A fuse box or splitter: where the loads part. */
export interface Distribution extends GearCommon {
  readonly kind: 'distribution';
  /** What it may carry in all. */
  readonly maxA?: Figure;
}

/** A mast or an antenna: carried, without a part in the sum. */
export interface Antenna extends GearCommon {
  readonly kind: 'antenna';
  /** Over an isotropic one, dBi; a half-wave dipole's if absent. */
  readonly gainDbi?: Figure;
  /** How far it reaches up, mast and all, m. */
  readonly tallM?: Figure;
}

/** Carried, but without a part in the sum: antenna, mast, tools. */
export interface OtherGear extends GearCommon {
  readonly kind: 'other';
}

export type Gear =
  | Radio
  | Battery
  | PowerStation
  | Amplifier
  | Accessory
  | Cable
  | Panel
  | ControllerGear
  | Charger
  | Generator
  | Distribution
  | Antenna
  | OtherGear;
