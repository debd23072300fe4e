import { openCircuitVolts, batteryPackAt, type BatteryPack } from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import { batteryPieces } from '../harness/battery-pieces.js';
import type { ExpectedReadings } from '../harness/expected-readings.js';
import type { Carried } from '../resolve/look-up.js';
import { reserveSocOf, packLabelOf } from '../resolve/resolve-packs.js';

/** What a meter at the battery shows at a charge. */
export interface VoltsRow {
  readonly soc: number;
  /** At rest: nothing charges or draws, for an hour. */
  readonly restV: number;
  readonly receiveV: number;
  readonly keyDownV: number;
  /** Hours of average work down to the reserve from here, without sun; null without a forecast. */
  readonly hours: number | null;
  readonly isReserve: boolean;
}

const TENTHS = [1, 0.9, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.2, 0.1];

/**
 * Volts at the battery's terminals against its charge, under this kit's own load: open-circuit volts less the mean current x
 * polarisation and the current of the moment x ohmic resistance. Null where a socket gives the same volts to the end, or where there is no battery. Source: convention of this project, docs/model.md.
 */
export function voltsTable(
  trip: Trip,
  carried: readonly Carried[],
  { receiveA, keyDownA, workingA }: ExpectedReadings,
): readonly VoltsRow[] | null {
  const pieces = batteryPieces(carried);
  const [piece] = pieces;
  if (!piece || piece.gear.kind === 'station') return null;
  // One after the other, each battery is a table of its own; they are alike where they lie in parallel.
  const together = trip.batteryUse === 'turns' ? 1 : pieces.length;
  const pack = batteryPackAt(packLabelOf(piece.gear, together), trip.temperatureC);
  const reserveSoc = reserveSocOf(trip, piece.gear);
  const meanA = workingA ?? receiveA;
  const row = (soc: number): VoltsRow => ({
    soc,
    restV: openCircuitVolts(pack, soc),
    receiveV: underLoad(pack, soc, meanA, receiveA),
    keyDownV: underLoad(pack, soc, meanA, keyDownA),
    hours: workingA ? (Math.max(0, soc - reserveSoc) * pack.deliverableAh) / workingA : null,
    isReserve: soc === reserveSoc,
  });
  return [...new Set([...TENTHS.filter((soc) => soc > reserveSoc), reserveSoc])].map(row);
}

/** The polarisation follows the mean of the work, whatever the key does. */
const underLoad = (pack: BatteryPack, soc: number, meanA: number, amps: number): number =>
  openCircuitVolts(pack, soc) - meanA * pack.polarisationOhm - amps * pack.ohmicOhm;
