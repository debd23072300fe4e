import { forecast } from '@knapsack/core';
import type { Battery, Gear } from '../documents/gear.js';
import { targetOf, type Trip } from '../documents/trip.js';
import { assessTrip } from '../resolve/assess-trip.js';
import { resolve } from '../resolve/resolve.js';

const isWeighed = ({ weightG }: Battery): number => weightG?.value ?? Infinity;

/**
 * The lightest of some batteries with which a trip that has none reaches its target chance; null where none does. Each is first
 * marched once, which is quick; only one that lasts then is drawn a hundred times.
 *
 * @param gear all that the bag is made of, the batteries too
 */
export function lightestLasting(
  trip: Trip,
  gear: readonly Gear[],
  batteries: readonly Battery[],
): Battery | null {
  for (const battery of [...batteries].sort((a, b) => isWeighed(a) - isWeighed(b))) {
    const packed: Trip = { ...trip, loadout: [...trip.loadout, { gear: battery.id, count: 1 }] };
    const plan = resolve(packed, gear);
    if (!plan.ok) continue;
    const { lasts, findings } = forecast(plan.value).verdict;
    if (!lasts || findings.some(({ severity }) => severity === 'stop')) continue;
    const { found } = assessTrip(packed, gear);
    if (found && found.chance.chance >= targetOf(trip)) return battery;
  }
  return null;
}
