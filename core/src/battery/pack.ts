import { interpolate } from '../interpolate.js';
import { CAPACITY_TEMPERATURES_C, chemistryOf, OPEN_CIRCUIT_SOC, type ChemistryName } from './chemistry.js';
import type { Socket } from './socket.js';

/** A battery as its label and its age describe it. */
export interface PackLabel {
  readonly chemistry: ChemistryName;
  readonly cellsInSeries: number;
  /** Rated capacity, Ah, above 0. */
  readonly ratedAh: number;
  /** Share of the rating that is left with age, above 0 to 1; or measured Ah / rated Ah. */
  readonly health: number;
  /** Inner resistance, ohm, where it was measured; otherwise from the chemistry's table. */
  readonly resistanceOhm?: number;
  /** Volts at which the protection opens, where the label states them. */
  readonly cutoffV?: number;
  /** Largest charge current, A, where the label states one. */
  readonly maxChargeA?: number;
  /** The 12 V socket of a boxed power station; absent for a plain battery. */
  readonly socket?: Socket;
}

/** A battery reduced to the numbers that the march needs, at one temperature. */
export interface Pack {
  /** Charge that a full pack stores, Ah: rating x health. The cold does not change it. */
  readonly storedAh: number;
  /** Charge that it gives at this temperature at the rated current, Ah: stored x cold factor. */
  readonly deliverableAh: number;
  readonly ratingHours: number;
  readonly peukert: number;
  readonly resistanceOhm: number;
  readonly cutoffV: number;
  /** Open-circuit volts of the whole pack at the states of charge of OPEN_CIRCUIT_SOC, ascending. */
  readonly openCircuitV: readonly number[];
  /** How it takes a charge at this temperature, in amps; null where it must not be charged. */
  readonly charge: PackCharge | null;
  /** The socket that stands between it and its loads; null for a plain battery. */
  readonly socket: Socket | null;
}

/** What a pack accepts, A: maxA up to taperSoc, then falling straight to endA at a full pack. */
export interface PackCharge {
  readonly efficiency: number;
  readonly maxA: number;
  readonly taperSoc: number;
  readonly endA: number;
}

/** Share of the rating that is left in the cold, 0 to 1. Source: design model, section 2. */
export const coldCapacityFactor = (chemistry: ChemistryName, temperatureC: number): number =>
  interpolate(CAPACITY_TEMPERATURES_C, chemistryOf(chemistry).capacityByCold, temperatureC);

/** Factor on inner resistance in the cold: 1 at 25 C, 1.5 at 0 C, 2.2 at -20 C. Source: design model, section 2. */
export const coldResistanceFactor = (temperatureC: number): number =>
  interpolate([-20, 0, 25], [2.2, 1.5, 1], temperatureC);

/** Inner resistance from the chemistry's table, ohm: not scaled by health or by the cold's loss of capacity. */
export function tableResistance(
  { chemistry, cellsInSeries, ratedAh }: PackLabel,
  temperatureC: number,
): number {
  const { ohmAh, tableCells } = chemistryOf(chemistry);
  return ((ohmAh * cellsInSeries) / tableCells / ratedAh) * coldResistanceFactor(temperatureC);
}

/** A pack at a temperature (degrees C). Source: design model, section 2. */
export function packAt(label: PackLabel, temperatureC: number): Pack {
  const chemistry = chemistryOf(label.chemistry);
  const sets = label.cellsInSeries / chemistry.tableCells;
  const storedAh = label.ratedAh * label.health;
  return {
    storedAh,
    deliverableAh: storedAh * coldCapacityFactor(label.chemistry, temperatureC),
    ratingHours: chemistry.ratingHours,
    peukert: chemistry.peukert,
    resistanceOhm:
      label.resistanceOhm === undefined
        ? tableResistance(label, temperatureC)
        : label.resistanceOhm * coldResistanceFactor(temperatureC),
    cutoffV: label.cutoffV ?? chemistry.cutoffV * sets,
    openCircuitV: chemistry.openCircuitV.map((volts) => volts * sets),
    charge: packCharge(label, temperatureC),
    socket: label.socket ?? null,
  };
}

function packCharge(label: PackLabel, temperatureC: number): PackCharge | null {
  const habit = chemistryOf(label.chemistry).charge;
  const share = habit && temperatureC < 0 ? habit.belowFreezing : 1;
  if (!habit || share === 0) return null;
  const maxA = (label.maxChargeA ?? habit.maxC * label.ratedAh) * share;
  return {
    efficiency: habit.efficiency,
    maxA,
    taperSoc: habit.taperSoc,
    endA: Math.min(habit.endC * label.ratedAh, maxA),
  };
}

/** Open-circuit volts at a state of charge (0 to 1). */
export const openCircuitVolts = (pack: Pack, soc: number): number =>
  interpolate(OPEN_CIRCUIT_SOC, pack.openCircuitV, soc);

/**
 * State of charge at which the open-circuit volts stand at a value: 0 below the lowest, 1 above the highest.
 * The table rises without a level stretch, so there is one answer.
 */
export const socAtOpenCircuitVolts = (pack: Pack, volts: number): number =>
  interpolate(pack.openCircuitV, OPEN_CIRCUIT_SOC, volts);

/**
 * Factor by which a current above the rated one empties the pack faster, 1 or more.
 * Source: Peukert (1897), in the form max(1, I H / C)^(k - 1); no gain is taken below the rated current.
 */
export const peukertFactor = ({ deliverableAh, ratingHours, peukert }: Pack, amps: number): number =>
  Math.max(1, (amps * ratingHours) / deliverableAh) ** (peukert - 1);

/** Fall of the state of charge an hour while the pack gives a mean current (A, 0 or more). */
export const dischargeRate = (pack: Pack, amps: number): number =>
  (amps / pack.deliverableAh) * peukertFactor(pack, amps);
