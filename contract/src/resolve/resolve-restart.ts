import {
  comesBack,
  reconnectVolts,
  USUAL_TARGET_UP,
  wayToRoot,
  type PackLabel,
  type PlannedRestart,
} from '@knapsack/core';
import { isAttended, type Trip } from '../documents/trip.js';
import { harnessOf } from '../harness/harness-of.js';
import { isKind, type Carried } from './look-up.js';

/** What takes the loads off when the battery is low, volts at its terminals; each absent where nothing says. */
export interface LowVoltage {
  readonly disconnectV?: number;
  readonly reconnectV?: number;
}

/**
 * The low-voltage disconnect that the first radio hangs behind: a part of the harness, or the load terminals of the controller;
 * null where there is none, or none that anybody has given volts.
 */
export function disconnectOf(trip: Trip, carried: readonly Carried[]): LowVoltage | null {
  const radio = carried.find(isKind('radio'));
  const parts = trip.harness?.parts ?? [];
  if (!radio || (parts.length === 0 && trip.radioOn !== 'terminals')) return null;
  const above = new Set(wayToRoot(harnessOf(trip, carried), radio.gear.id).map(({ id }) => id));
  const part = parts.find(({ id, kind }) => kind === 'disconnect' && above.has(id));
  if (part?.disconnectV !== undefined) return part;
  const terminals = carried.filter(isKind('controller')).find(({ gear }) => above.has(gear.id))?.gear;
  if (!terminals?.disconnectV) return null;
  const { disconnectV, reconnectV } = terminals;
  return { disconnectV: disconnectV.value, ...(reconnectV && { reconnectV: reconnectV.value }) };
}

/** How the gear of an unattended trip comes back; null where it does not, and of packs that somebody has to change. */
export function resolveRestart(
  trip: Trip,
  carried: readonly Carried[],
  { label }: { readonly label: PackLabel },
): PlannedRestart | null {
  if (isAttended(trip) || !trip.restart || trip.batteryUse === 'turns') return null;
  const wakes = carried.find(isKind('controller'))?.gear.wakesBattery ?? null;
  const low = disconnectOf(trip, carried);
  const returns = comesBack(label.chemistry, low !== null, wakes);
  return {
    reconnectV: returns ? (low?.reconnectV ?? reconnectVolts(label)) : Infinity,
    targetUp: trip.targetAvailability ?? USUAL_TARGET_UP,
  };
}
