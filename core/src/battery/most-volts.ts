import { chemistryOf, fullVolts, isLead, type ChemistryName } from './chemistry.js';

/** A battery as its highest volts are worked out. */
export interface Filled {
  readonly name: string;
  readonly chemistry: ChemistryName;
  readonly cellsInSeries: number;
}

/** How a charger shapes its volts. */
export interface ChargeShape {
  /** Lowest temperature of the battery while it charges, C: the colder, the more volts lead is charged with. */
  readonly temperatureC: number;
  /** The charger compensates for temperature in full; the least that is usual if absent. */
  readonly compensates?: boolean;
  /** Its profile equalises flooded lead. */
  readonly equalises?: boolean;
}

/** End of charge of usual chargers for LiFePO4, V a cell: 14.6 V for four. Source: makers' practice. */
const LIFEPO4_FULL_CHARGE_V = 3.65;
/** Lead, V a kelvin for six cells, below 25 C: the least, and of a charger that compensates. Source: makers' practice (-3 and -5 mV/K a cell). */
const LEAD_PER_KELVIN = { least: -0.018, compensates: -0.03 } as const;
/** Volts that flooded lead is equalised with, six cells at 25 C. Source: makers' practice, 2.58 V a cell. */
const EQUALISING_V = 15.5;
const LEAD_SET = 6;
const REFERENCE_C = 25;

/** How much more lead is charged with in the cold, V, six cells; less in the heat only where the charger compensates. */
const leadShift = ({ temperatureC, compensates = false }: ChargeShape): number => {
  const shift = (temperatureC - REFERENCE_C) * LEAD_PER_KELVIN[compensates ? 'compensates' : 'least'];
  return compensates ? shift : Math.max(0, shift);
};

/** Volts that a battery should be charged with at a temperature, V; null where it must not be charged. */
export function setPointVolts({ chemistry, cellsInSeries }: Filled, temperatureC: number): number | null {
  const { absorptionV, tableCells } = chemistryOf(chemistry);
  if (absorptionV === null) return null;
  const shift = isLead(chemistry) ? leadShift({ temperatureC }) : 0;
  return ((absorptionV + shift) * cellsInSeries) / tableCells;
}

/**
 * Highest volts of a battery while it is charged, V: what a radio sees that stays joined; null where it must not be charged.
 * Source: makers' practice; lead by its temperature, see docs/model.md.
 */
export function mostChargingVolts({ chemistry, cellsInSeries }: Filled, shape: ChargeShape): number | null {
  const { absorptionV, tableCells } = chemistryOf(chemistry);
  if (absorptionV === null) return null;
  if (chemistry === 'lifepo4') return LIFEPO4_FULL_CHARGE_V * cellsInSeries;
  if (!isLead(chemistry)) return (absorptionV * cellsInSeries) / tableCells;
  const held = chemistry === 'flooded' && shape.equalises ? EQUALISING_V : absorptionV;
  return ((held + leadShift(shape)) * cellsInSeries) / LEAD_SET;
}

/** Days after which nothing is left of what a charge raised the rest volts by: three hours. */
const LEFT_OVER_DAYS = 3 / 24;

/** Volts of a full battery that has been off its charger for an hour, V: rest volts and what the charge has left behind. */
export function fullRestVolts({ chemistry, cellsInSeries }: Filled, storedDays = 0): number {
  const leftOver = storedDays < LEFT_OVER_DAYS ? chemistryOf(chemistry).inside(cellsInSeries).hysteresisV : 0;
  return fullVolts(chemistry, cellsInSeries) + leftOver;
}
