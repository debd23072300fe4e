import {
  ampsOutOf,
  HOUR_MS,
  insideDip,
  openCircuitVolts,
  batteryPackAt,
  sunDayAh,
  type Forecast,
  type HarnessFlow,
  type HarnessPart,
} from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import type { Carried } from '../resolve/look-up.js';
import { packLabelOf } from '../resolve/resolve-packs.js';
import { usualSkyOf } from '../resolve/sky-of.js';
import { batteryPieces } from './battery-pieces.js';

/** Temperature of the room where a kit is tried, unless typed, C. */
export const USUAL_ROOM_C = 20;

/** What a meter should show at home, beside what is known of each run. */
export interface ExpectedReadings {
  /** Mean current of everything while a radio is worked, A; null without a forecast. */
  readonly workingA: number | null;
  /** What everything together draws from the batteries while listening and with the key down, A. */
  readonly receiveA: number;
  readonly keyDownA: number;
  /** What the panel brings on a usual day of that season, Ah. */
  readonly sunAhADay: number;
  /** Volts of a full battery at rest in the room, as the key goes down, over those at the lowest charge of the plan, V. */
  readonly riseV: number;
}

export function expectedReadings(
  trip: Trip,
  carried: readonly Carried[],
  parts: readonly HarnessPart[],
  run: Forecast | null,
  flow: HarnessFlow,
): ExpectedReadings {
  const pieces = batteryPieces(carried);
  const [piece] = pieces;
  const together = trip.batteryUse === 'turns' ? 1 : pieces.length;
  const room =
    piece && batteryPackAt(packLabelOf(piece.gear, together), trip.rehearsal?.roomC ?? USUAL_ROOM_C);
  const pack = piece && batteryPackAt(packLabelOf(piece.gear, 1), trip.temperatureC);
  const [receiveA, keyDownA] = (['receiveA', 'keyDownA'] as const).map((of) => ampsOutOf(parts, flow, of));
  return {
    receiveA,
    keyDownA,
    workingA:
      run && meanWhileWorking(run, pack?.socket?.volts ?? (pack ? openCircuitVolts(pack, trip.startSoc) : 0)),
    sunAhADay: run ? sunDayAh(run.plan, dayBefore(trip), usualSkyOf(trip)(monthOf(trip))) : 0,
    riseV:
      room && !room.socket
        ? openCircuitVolts(room, 1) - insideDip(room, receiveA, keyDownA) - flow.lowV.keyDown
        : 0,
  };
}

const DAY_MS = 24 * HOUR_MS;

/** The 24 hours before one leaves. */
const dayBefore = ({ start, rehearsal }: Trip): number => Date.parse(rehearsal?.departure ?? start) - DAY_MS;

const monthOf = (trip: Trip): number => new Date(dayBefore(trip)).getUTCMonth() + 1;

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
