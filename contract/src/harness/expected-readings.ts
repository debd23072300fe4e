import { HOUR_MS, openCircuitVolts, packAt, type Forecast, type HarnessFlow } from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import type { Carried } from '../resolve/look-up.js';
import { floorOf, packLabelOf } from '../resolve/resolve-packs.js';
import { batteryPieces } from './battery-pieces.js';

/** What a meter should show at home, beside what is known of each run. */
export interface ExpectedReadings {
  /** Mean current of everything while a radio is worked, A; null without a forecast. */
  readonly workingA: number | null;
  /** What everything together draws while listening and with the key down, A. */
  readonly receiveA: number;
  readonly keyDownA: number;
  /** What the panel brings in a day under the outing's own sky, Ah. */
  readonly sunAhADay: number;
  /** Volts of the battery at the start over those at the reserve, V. */
  readonly riseV: number;
}

export function expectedReadings(
  trip: Trip,
  carried: readonly Carried[],
  run: Forecast | null,
  { draws }: HarnessFlow,
): ExpectedReadings {
  const [piece] = batteryPieces(carried);
  const pack = piece && packAt(packLabelOf(piece.gear, 1), trip.temperatureC);
  const restV = (soc: number) => (pack && !pack.socket ? openCircuitVolts(pack, soc) : 0);
  const total = (of: 'receiveA' | 'keyDownA') => [...draws.values()].reduce((sum, draw) => sum + draw[of], 0);
  return {
    receiveA: total('receiveA'),
    keyDownA: total('keyDownA'),
    workingA: run && meanWhileWorking(run, pack?.socket?.volts ?? restV(trip.startSoc)),
    sunAhADay: run ? ampereHoursADay(run) : 0,
    riseV: piece ? restV(trip.startSoc) - restV(floorOf(trip, piece.gear)) : 0,
  };
}

function meanWhileWorking({ load }: Forecast, busV: number): number | null {
  const { edgesMs, mean, keyDownRadioA } = load;
  let ampereHours = 0;
  let hours = 0;
  for (let step = 0; step < keyDownRadioA.length; step++) {
    if (keyDownRadioA[step] <= 0) continue;
    const lasts = (edgesMs[step + 1] - edgesMs[step]) / HOUR_MS;
    ampereHours += (mean.amps[step] + mean.watts[step] / busV) * lasts;
    hours += lasts;
  }
  return hours > 0 ? ampereHours / hours : null;
}

function ampereHoursADay({ march: { offeredA, edgesMs } }: Forecast): number {
  const steps = edgesMs.length - 1;
  const hours = (edgesMs[steps] - edgesMs[0]) / HOUR_MS;
  let ampereHours = 0;
  for (let step = 0; step < steps; step++) {
    ampereHours += (offeredA[step] * (edgesMs[step + 1] - edgesMs[step])) / HOUR_MS;
  }
  return hours > 0 ? (ampereHours / hours) * 24 : 0;
}
