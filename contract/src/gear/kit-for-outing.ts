import { resolve } from '../resolve/resolve.js';
import type { Battery, Gear, Radio } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { forecast } from '@knapsack/core';

/** What it takes to work a typical outing with a radio. */
export interface KitForOuting {
  /** The lightest battery of the shelf that lasts, alone; null where none does. */
  readonly battery: Battery | null;
  /** What would be left above the reserve, Ah. */
  readonly marginAh: number;
  /** The radio cannot give the power that the outing asks for and works at its own highest. */
  readonly lessPower: boolean;
}

/**
 * The lightest battery of the shelf with which a radio lasts through an outing, in the place of what is in the bag now;
 * computed with the whole model. Batteries that nobody has weighed come last.
 */
export function kitForOuting(trip: Trip, shelf: readonly Gear[], radio: Radio): KitForOuting {
  const byId = new Map(shelf.map((gear) => [gear.id, gear]));
  const topW = Math.max(...radio.transmit.map(({ rfW }) => rfW));
  const lessPower = trip.blocks.some(({ powerW }) => powerW > topW);
  const rest = trip.loadout.filter(({ gear }) => {
    const kind = byId.get(gear)?.kind;
    return kind !== undefined && kind !== 'radio' && kind !== 'battery' && kind !== 'station';
  });
  const batteries = shelf
    .filter((gear): gear is Battery => gear.kind === 'battery' && !gear.archived && !gear.wished)
    .sort((a, b) => (a.weightG?.value ?? Infinity) - (b.weightG?.value ?? Infinity));
  for (const battery of batteries) {
    const plan = resolve(
      {
        ...trip,
        batteryUse: 'parallel',
        blocks: trip.blocks.map((block) => ({ ...block, powerW: Math.min(block.powerW, topW) })),
        loadout: [{ gear: radio.id, count: 1 }, { gear: battery.id, count: 1 }, ...rest],
      },
      shelf,
    );
    if (!plan.ok) continue;
    const { lasts, marginAh, findings } = forecast(plan.value).verdict;
    if (lasts && findings.every(({ severity }) => severity !== 'stop'))
      return { battery, marginAh, lessPower };
  }
  return { battery: null, marginAh: 0, lessPower };
}

/** Capacity that a trip needs of a battery, Ah as its label counts: from its charge at the start down to its lowest, and the reserve. */
export function neededAh(trip: Trip, shelf: readonly Gear[], battery: Battery): number | null {
  const item = trip.loadout.find(({ gear }) => gear === battery.id);
  if (!item) return null;
  const plan = resolve(trip, shelf);
  if (!plan.ok) return null;
  const { verdict, packs } = forecast(plan.value);
  const [planned] = plan.value.packs;
  const usable = planned.startSoc - planned.reserveSoc;
  const used = planned.startSoc - verdict.lowestSoc;
  return usable > 0 ? ((used / usable) * packs[0].storedAh) / item.count : null;
}
