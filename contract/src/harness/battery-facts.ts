import {
  fullRestVolts,
  heldLonger,
  insideDip,
  openCircuitVolts,
  batteryPackAt,
  resistancesAt,
  USUAL_SOCKET,
  chemistryOf,
  isLead,
  type ChemistryName,
  type FaultSource,
  type BatteryPack,
} from '@knapsack/core';
import type { Battery, PowerStation } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import type { Carried } from '../resolve/look-up.js';
import { reserveSocOf, packLabelOf } from '../resolve/resolve-packs.js';
import { batteryPieces } from './battery-pieces.js';
import type { CalculatedTrip } from './harness-facts.js';

/** Volts that a harness without a battery is worked out at. */
const NOMINAL_V = 12.8;
const ROOM_C = 25;

/** The lowest charge that a march takes one battery to, 0 to 1; null where nothing was marched. */
export function lowestSoc(trip: Trip, run: CalculatedTrip | null, index: number): number | null {
  if (!run?.march) return null;
  const { soc, socInUse, inUse } = run.march;
  if (trip.batteryUse !== 'turns') return soc.reduce((low, at) => Math.min(low, at), 1);
  return inUse.reduce(
    (low, used, step) => (used === index ? Math.min(low, socInUse[step], socInUse[step + 1]) : low),
    trip.startSoc,
  );
}

/** The volts of the battery at its lowest, while a mean current and one of the moment flow. */
export type LowVolts = (meanA: number, amps: number) => number;

/** Volts at the battery at the lowest charge that is reached; of several one after the other those of the weakest. */
export function lowVolts(trip: Trip, carried: readonly Carried[], run: CalculatedTrip | null): LowVolts {
  const pieces = batteryPieces(carried);
  const inTurns = trip.batteryUse === 'turns';
  const packs = (inTurns ? pieces : pieces.slice(0, 1)).map(({ gear }, index) => {
    const pack = batteryPackAt(packLabelOf(gear, inTurns ? 1 : pieces.length), trip.temperatureC);
    // At the reserve where nobody knows, and never under it.
    const soc = Math.max(reserveSocOf(trip, gear), lowestSoc(trip, run, index) ?? 0);
    return { pack, restV: pack.socket?.volts ?? openCircuitVolts(pack, soc) };
  });
  const dip = (pack: BatteryPack, meanA: number, amps: number) =>
    pack.socket ? 0 : insideDip(pack, Math.min(meanA, amps), amps);
  return (meanA, amps) =>
    packs.length === 0
      ? NOMINAL_V
      : Math.min(...packs.map(({ pack, restV }) => restV - dip(pack, meanA, amps)));
}

/** Every battery as a short circuit sees it, by the id of its part. */
export const faultSources = (carried: readonly Carried[]): ReadonlyMap<string, FaultSource> =>
  new Map(
    batteryPieces(carried).flatMap(({ gear, id, name }): [string, FaultSource][] => {
      if (gear.kind === 'station') return [];
      const label = packLabelOf(gear, 1);
      const { chemistry, cellsInSeries } = gear;
      const fullV = fullRestVolts({ name, chemistry, cellsInSeries });
      const ohmicOhm = resistancesAt(label, ROOM_C).ohmic;
      return [[id, { fullV, ohmicOhm, isLead: isLead(chemistry) }]];
    }),
  );

/** NiMH up to this comes as loose cells in a holder, Ah. Source: convention of this project, docs/model.md. */
const MOST_CELL_AH = 3;

const isOfCells = (chemistry: ChemistryName, ratedAh: number): boolean =>
  chemistryOf(chemistry).charge === null || (chemistry === 'nimh' && ratedAh <= MOST_CELL_AH);

/** A battery as the rules see it, but for what flows through it. */
export function checkedPack(trip: Trip, gear: Battery | PowerStation, name: string, lowest: number | null) {
  const label = packLabelOf(gear, 1);
  const { nominalV, tableCells } = chemistryOf(gear.chemistry);
  const capacityAh = label.ratedAh * label.health;
  const common = {
    name,
    chemistry: gear.chemistry,
    cellsInSeries: gear.cellsInSeries,
    health: label.health,
    capacityAh,
    wattHours: (label.ratedAh * nominalV * gear.cellsInSeries) / tableCells,
    soc: trip.startSoc,
    lowestSoc: lowest,
    ofCells: gear.kind === 'battery' && isOfCells(gear.chemistry, label.ratedAh),
  };
  if (gear.kind === 'station') {
    return {
      ...common,
      hasSocket: true,
      socketV: gear.socketV?.value ?? USUAL_SOCKET.volts,
      socketEntered: gear.socketV !== undefined,
      ...(gear.socketA && { socketA: gear.socketA.value }),
      ...(gear.sleepsBelowW && { sleepsBelowW: gear.sleepsBelowW.value }),
    };
  }
  const { continuousA, peakA, peakS, protects, coldProtected, cutoffV } = gear;
  const isHeld = trip.blocks.some((block) => heldLonger(block, peakS?.value));
  const { charge } = batteryPackAt(label, trip.temperatureC);
  return {
    ...common,
    hasSocket: false,
    ...(charge && { maxChargeA: charge.maxA, chargeEntered: gear.maxChargeA !== undefined }),
    ...(continuousA && { continuousA: continuousA.value }),
    // A key that is held for longer than the peak may last takes the continuous limit.
    ...(peakA && !isHeld && { peakA: peakA.value }),
    ...(cutoffV && { cutoffV: cutoffV.value }),
    ...(protects !== undefined && { protects }),
    ...(coldProtected !== undefined && { coldProtected }),
  };
}
