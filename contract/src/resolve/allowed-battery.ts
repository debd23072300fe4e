import type { RuleName } from '@knapsack/core';
import type { Battery, Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { checkedHarness } from '../harness/harness-checks.js';
import type { CalculatedTrip } from '../harness/harness-facts.js';
import { isKind, lookUp } from './look-up.js';

/** Rules that forbid a kind of battery here, whatever its size. */
const FORBID_THE_KIND: ReadonlySet<RuleName> = new Set([
  ...(['cold', 'primary', 'profile', 'noEnd', 'overcharge', 'setpoint', 'panelVolts'] as const),
  ...(['full', 'charging', 'supplyVolts', 'air', 'parallel'] as const),
]);

/**
 * Whether Wire allows the battery of the bag in another size: a battery that must not be charged at the outing's temperature, or
 * is too large to fly, is never offered.
 *
 * @param ratedAh of all batteries of the bag together, Ah
 */
export function isBatteryAllowed(
  trip: Trip,
  shelf: readonly Gear[],
  run: CalculatedTrip,
  ratedAh: number,
): boolean {
  const mine = lookUp(trip, shelf).carried.find(isKind('battery'));
  if (!mine) return true;
  const { measuredAh: _measured, ...rest } = mine.gear;
  const other: Battery = { ...rest, ratedAh: { value: ratedAh, source: 'assumed' } };
  const loadout = trip.loadout.map((item, index) => (index === mine.index ? { ...item, count: 1 } : item));
  const gear = shelf.map((one) => (one.id === other.id ? other : one));
  const changed = { ...trip, loadout };
  const { checks } = checkedHarness(changed, lookUp(changed, gear).carried, run);
  return !checks.some(({ severity, rule }) => severity === 'stop' && FORBID_THE_KIND.has(rule));
}
