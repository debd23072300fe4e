import { chemistryOf, packWorth } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { packLabelOf } from '../resolve/resolve-packs.js';

/** What a battery of the shelf is worth to carry and to buy, at this outing’s temperature. */
export interface TradeRow {
  readonly id: string;
  readonly name: string;
  readonly chemistry: string;
  readonly usableWh: number;
  readonly whPerKg: number | null;
  readonly moneyPerWh: number | null;
  readonly carried: boolean;
}

/** Batteries and power stations of the shelf, the most usable energy a kilogram first. */
export function batteryTrade(trip: Trip, shelf: readonly Gear[]): readonly TradeRow[] {
  return shelf
    .flatMap((gear): TradeRow[] => {
      if (gear.kind !== 'battery' && gear.kind !== 'station') return [];
      const { usableWh, whPerKg, moneyPerWh } = packWorth(packLabelOf(gear, 1), trip.temperatureC, 1, {
        ...(gear.weightG && { weightG: gear.weightG.value }),
        ...(gear.price && { price: gear.price.value }),
      });
      return [
        {
          id: gear.id,
          name: gear.name,
          chemistry: chemistryOf(gear.chemistry).label,
          usableWh,
          whPerKg,
          moneyPerWh,
          carried: trip.loadout.some((item) => item.gear === gear.id),
        },
      ];
    })
    .sort((a, b) => (b.whPerKg ?? 0) - (a.whPerKg ?? 0));
}
