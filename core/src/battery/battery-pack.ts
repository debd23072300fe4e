import { interpolate } from '../interpolate.js';
import { CAPACITY_TEMPERATURES_C, chemistryOf, OPEN_CIRCUIT_SOC, type ChemistryName } from './chemistry.js';
import { leakAnHour, leaksAMonth } from './self-discharge.js';
import type { Socket } from './socket.js';

/** A battery as its label and its age describe it. */
export interface PackLabel {
  readonly chemistry: ChemistryName;
  readonly cellsInSeries: number;
  /** Rated capacity, Ah, above 0. */
  readonly ratedAh: number;
  /** Share of the rating that is left with age, above 0 to 1; or measured Ah / rated Ah. */
  readonly health: number;
  /** Ohmic resistance at 25 C, ohm, where it is known; otherwise from the chemistry's table. Polarisation goes with it. */
  readonly ohmicOhm?: number;
  /** Volts at which the protection opens, where the label states them. */
  readonly cutoffV?: number;
  /** Largest charge current, A, where the label states one. */
  readonly maxChargeA?: number;
  /** Its protection keeps a charge out below freezing; undefined where it is not entered. */
  readonly coldProtected?: boolean;
  /** Share of its charge that it loses in a month; as usual for its chemistry if absent. */
  readonly leaksAMonth?: number;
  /** The 12 V socket of a boxed power station; absent for a plain battery. */
  readonly socket?: Socket;
}

/** A battery reduced to the numbers that the march needs, at one temperature. */
export interface BatteryPack {
  /** Capacity on the label, Ah; what C rates and resistances refer to. */
  readonly ratedAh: number;
  /** Charge that a full pack stores, Ah: rating x health. The cold does not change it. */
  readonly storedAh: number;
  /** Charge that it gives at this temperature at the rated current, Ah: stored x cold factor. */
  readonly deliverableAh: number;
  readonly ratingHours: number;
  readonly peukert: number;
  /** Ohmic resistance, ohm: answers to a current at once. */
  readonly ohmicOhm: number;
  /** Polarisation, ohm: follows the mean current of minutes. */
  readonly polarisationOhm: number;
  readonly cutoffV: number;
  /** Open-circuit volts of the whole pack at the states of charge of OPEN_CIRCUIT_SOC, ascending. */
  readonly openCircuitV: readonly number[];
  /** How it takes a charge at this temperature, in amps; null where it must not be charged. */
  readonly charge: PackCharge | null;
  /** Share of the stored charge that leaks away in an hour. */
  readonly leakAnHour: number;
  /** The socket that stands between it and its loads; null for a plain battery. */
  readonly socket: Socket | null;
}

/** What a pack accepts, A: maxA up to taperSoc, then falling straight to endA at a full pack. */
export interface PackCharge {
  readonly efficiency: number;
  readonly maxA: number;
  readonly taperSoc: number;
  readonly endA: number;
  /** Volts at the terminals that a charge is held at. */
  readonly absorptionV: number;
  /** How the terminals rise over the rest volts: lead-acid by a law of its own, others by their resistance and this much hysteresis, V. */
  readonly isLead: boolean;
  readonly hysteresisV: number;
}

/** Share of the rating that is left in the cold, 0 to 1. Source: convention of this project, docs/model.md. */
export const coldCapacityFactor = (chemistry: ChemistryName, temperatureC: number): number =>
  interpolate(CAPACITY_TEMPERATURES_C, chemistryOf(chemistry).capacityByCold, temperatureC);

/** Factor on inner resistance in the cold: 1 at 25 C, 1.5 at 0 C, 2.2 at -20 C. Source: convention of this project, docs/model.md. */
export const coldResistanceFactor = (temperatureC: number): number =>
  interpolate([-20, 0, 25], [2.2, 1.5, 1], temperatureC);

/**
 * Ohmic resistance and polarisation of a pack, ohm: two parts of one battery of first order, each from the chemistry's
 * table over rated Ah (neither health nor the cold's loss of capacity scales them) and larger in the cold. Where the ohmic
 * part is known, the polarisation goes with it. Source: Chen and Rincon-Mora (2006), IEEE Transactions on Energy Conversion
 * 21, 504, cut to one time constant; the table's figures are a convention of this project.
 */
export function resistancesAt(
  label: PackLabel,
  temperatureC: number,
): { ohmic: number; polarisation: number } {
  const { ohmicOhmAh, polarisationOhmAh } = chemistryOf(label.chemistry).inside(label.cellsInSeries);
  const table = ohmicOhmAh / label.ratedAh;
  const known = label.ohmicOhm ?? table;
  const cold = coldResistanceFactor(temperatureC);
  return { ohmic: known * cold, polarisation: (polarisationOhmAh / label.ratedAh) * (known / table) * cold };
}

/** A pack at a temperature (degrees C). Source: convention of this project, docs/model.md. */
export function batteryPackAt(label: PackLabel, temperatureC: number): BatteryPack {
  const chemistry = chemistryOf(label.chemistry);
  const sets = label.cellsInSeries / chemistry.tableCells;
  const storedAh = label.ratedAh * label.health;
  const { ohmic, polarisation } = resistancesAt(label, temperatureC);
  return {
    ratedAh: label.ratedAh,
    storedAh,
    deliverableAh: storedAh * coldCapacityFactor(label.chemistry, temperatureC),
    ratingHours: chemistry.ratingHours,
    peukert: chemistry.peukert,
    ohmicOhm: ohmic,
    polarisationOhm: polarisation,
    cutoffV: label.cutoffV ?? chemistry.cutoffV * sets,
    openCircuitV: chemistry.openCircuitV.map((volts) => volts * sets),
    charge: packCharge(label, temperatureC),
    leakAnHour: leakAnHour(label.leaksAMonth ?? leaksAMonth(label.chemistry)),
    socket: label.socket ?? null,
  };
}

function packCharge(label: PackLabel, temperatureC: number): PackCharge | null {
  const { charge: habit, absorptionV, tableCells, belongsTo, inside } = chemistryOf(label.chemistry);
  const share = habit && temperatureC < 0 ? habit.belowFreezing : 1;
  if (!habit || share === 0 || absorptionV === null) return null;
  const maxA = (label.maxChargeA ?? habit.maxC * label.ratedAh) * share;
  return {
    efficiency: habit.efficiency,
    maxA,
    taperSoc: habit.taperSoc,
    endA: Math.min(habit.endC * label.ratedAh, maxA),
    absorptionV: (absorptionV * label.cellsInSeries) / tableCells,
    isLead: belongsTo === 'lead',
    hysteresisV: inside(label.cellsInSeries).hysteresisV,
  };
}

/** Open-circuit volts at a state of charge (0 to 1). */
export const openCircuitVolts = (pack: BatteryPack, soc: number): number =>
  interpolate(OPEN_CIRCUIT_SOC, pack.openCircuitV, soc);

/**
 * State of charge at which the open-circuit volts stand at a value: 0 below the lowest, 1 above the highest.
 * The table rises without a level stretch, so there is one answer.
 */
export const socAtOpenCircuitVolts = (pack: BatteryPack, volts: number): number =>
  interpolate(pack.openCircuitV, OPEN_CIRCUIT_SOC, volts);

/**
 * Factor by which a current above the rated one empties the pack faster, 1 or more.
 * Source: Peukert (1897), in the form max(1, I H / C)^(k - 1); no gain is taken below the rated current.
 */
export const peukertFactor = ({ deliverableAh, ratingHours, peukert }: BatteryPack, amps: number): number =>
  Math.max(1, (amps * ratingHours) / deliverableAh) ** (peukert - 1);

/** Fall of the state of charge an hour while the pack gives a mean current (A, 0 or more). */
export const dischargeRate = (pack: BatteryPack, amps: number): number =>
  (amps / pack.deliverableAh) * peukertFactor(pack, amps);
