import { chemistryOf, type ChemistryName } from './chemistry.js';
import type { PackLabel } from './battery-pack.js';

/** Minutes that the volts must have stood before loads come back, so that one bright minute does not switch them. */
export const RECONNECT_HOURS = 10 / 60;

/** Share of the wanted hours that unattended gear is meant to be up, unless said. */
export const USUAL_TARGET_UP = 0.95;

/** Volts a cell, while it charges, at which loads come back. Source: convention of this project, docs/model.md. */
const RECONNECT_V_A_CELL: Readonly<Record<ChemistryName, number>> = {
  lifepo4: 13.0 / 4,
  liion: 3.75,
  agm: 12.6 / 6,
  gel: 12.6 / 6,
  flooded: 12.6 / 6,
  nimh: 1.35,
  alkaline: Infinity,
  lithiumaa: Infinity,
};

/** Volts at a pack's terminals, while it charges, at which loads come back where no label says; infinite for what is never charged. */
export const reconnectVolts = ({
  chemistry,
  cellsInSeries,
}: Pick<PackLabel, 'chemistry' | 'cellsInSeries'>) => RECONNECT_V_A_CELL[chemistry] * cellsInSeries;

/**
 * Whether loads come back once the battery is charged again. What a low-voltage disconnect took off does; so does what hangs
 * on lead, which has nothing that opens; what a lithium battery's protection took off only where the controller can wake it.
 *
 * @param wakes whether the controller can; null where it is not entered, which is taken for no
 */
export const comesBack = (
  chemistry: ChemistryName,
  isDisconnected: boolean,
  wakes: boolean | null,
): boolean => isDisconnected || chemistryOf(chemistry).belongsTo !== 'lithium' || wakes === true;
