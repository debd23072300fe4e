import { BUS_V, HOUR_MS, powerAtBattery, sayQuantity, type AccessoryLoad } from '@knapsack/core';
import { isKind, type Carried } from './look-up.js';

/** Less than this is not worth a word, Ah. */
const WORTH_AH = 0.1;

/**
 * What devices behind a mains inverter take more than they would on a converter from 12 V, Ah at 13 V: its own losses and what
 * it draws all the time. Source: convention of this project, from the efficiencies of docs/model.md.
 */
export function inverterCostAh(watts: number, hours: number): number {
  return (hours * (powerAtBattery('mains', watts) - powerAtBattery('laptop', watts))) / BUS_V;
}

/** The same of every device of a bag, in sentences. */
export function sayInverterCosts(
  carried: readonly Carried[],
  loads: readonly AccessoryLoad[],
): readonly string[] {
  return carried.filter(isKind('accessory')).flatMap(({ gear, item }) => {
    if (gear.via !== 'mains' || !gear.drawW) return [];
    const watts = gear.drawW.value * item.count;
    const full = powerAtBattery('mains', gear.drawW.value) * item.count;
    const pieces = loads.find(({ id }) => id === gear.id)?.pieces ?? [];
    // Minutes of every hour are spread over it: as many hours fewer.
    const hours = pieces.reduce(
      (sum, { startMs, endMs, mean }) => sum + ((endMs - startMs) / HOUR_MS) * (mean.watts / full),
      0,
    );
    const ampereHours = inverterCostAh(watts, hours);
    return ampereHours < WORTH_AH
      ? []
      : [
          `${gear.name} through the inverter takes ${sayQuantity({ value: ampereHours, unit: 'Ah' })} more than on a converter from 12 V.`,
        ];
  });
}
