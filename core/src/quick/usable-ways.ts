import { chemistryOf, OPEN_CIRCUIT_SOC, type ChemistryName } from '../battery/chemistry.js';
import { interpolate } from '../interpolate.js';
import { SCHOOLS, type SchoolName } from '../forecast/schools.js';

/** A way to count what of a rating is usable, and the share that it calls so. */
export interface UsableWay {
  readonly school: SchoolName;
  readonly label: string;
  /** 0 to 1. */
  readonly share: number;
}

/** Volts at which most portable radios of the quick sum's kind stop. */
const STOPS_V = 10.5;
/** What cables and battery lose on the way while the key is down, V. Source: convention of this project. */
const LOST_V = 0.5;

/**
 * Three ways to count the usable capacity of a battery by its chemistry alone: the whole rating; the share that a fixed rule gives
 * (0.9, lead 0.5); down to rest volts at which a radio of 10.5 V stops on transmit. A trip counts all three from its own run.
 *
 * @param cells of the battery in series
 */
export function usableWays(chemistry: ChemistryName, cells: number): readonly UsableWay[] {
  const { usable, openCircuitV, tableCells } = chemistryOf(chemistry);
  const volts = openCircuitV.map((value) => (value * cells) / tableCells);
  const stopSoc = interpolate(volts, OPEN_CIRCUIT_SOC, STOPS_V + LOST_V);
  const way = (school: SchoolName, share: number): UsableWay => ({ school, label: SCHOOLS[school], share });
  return [way('whole', 1), way('fixed', usable), way('volts', Math.round((1 - stopSoc) * 100) / 100)];
}
