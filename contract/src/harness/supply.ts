import { openCircuitVolts, batteryPackAt, wayToRoot, type HarnessPart, type Supply } from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import type { Carried } from '../resolve/look-up.js';
import { packLabelOf } from '../resolve/resolve-packs.js';
import { batteryPieces } from './battery-pieces.js';
import { harnessOf } from './harness-of.js';

/** The converter nearest to a part that holds the volts it is fed with; null where none does. */
export const supplyOf = (parts: readonly HarnessPart[], id: string): Supply | null =>
  wayToRoot(parts, id)
    .slice(1)
    .find(({ supply }) => supply)?.supply ?? null;

/** The same of a trip; its harness is only drawn where a converter was put in. */
export function supplyIn(trip: Trip, carried: readonly Carried[], id: string): Supply | null {
  const hasConverter = (trip.harness?.parts ?? []).some(({ kind }) => kind === 'converter');
  return hasConverter ? supplyOf(harnessOf(trip, carried), id) : null;
}

/** State of charge whose rest volts stand for all of an outing behind a converter. */
const MIDDLE_SOC = 0.5;
const NOMINAL_V = 12.8;

/** Rest volts of the battery in the middle of its charge, V; of a power station those of its socket. */
export function middleVolts(trip: Trip, carried: readonly Carried[]): number {
  const [piece] = batteryPieces(carried);
  if (!piece) return NOMINAL_V;
  const pack = batteryPackAt(packLabelOf(piece.gear, 1), trip.temperatureC);
  return pack.socket?.volts ?? openCircuitVolts(pack, MIDDLE_SOC);
}

/**
 * Amps at the battery for an amp behind a converter, at the volts of the middle: a converter carries power. Its current rises by a
 * few per cent as the battery empties, which the forecast leaves out. Source: convention of this project, docs/model.md.
 */
export const ampsBehind = ({ volts, efficiency }: Supply, batteryV: number): number =>
  volts / (efficiency * batteryV);
