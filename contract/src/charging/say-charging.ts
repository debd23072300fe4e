import { fixed, fuelLitres, PETROL_G, quietDistanceM, sayQuantity } from '@knapsack/core';
import type { Charger } from '../documents/charging-gear.js';
import type { Charging } from './charging-of.js';

/** Litres of fuel that a generator burns for a charger; null where what it burns is not entered, or none hangs on it. */
export function fuelFor({ generator, mainsW, hours }: Charging): number | null {
  if (!generator?.fuelLh || mainsW === null) return null;
  return fuelLitres(hours, mainsW / generator.ratedW.value, generator.fuelLh.value);
}

/** Of chargers that hang on a generator which is not in the bag. */
export const sayStranded = (chargers: readonly Charger[]): readonly string[] =>
  chargers.map(
    ({ name }) =>
      `${name} hangs on a generator that is not in the bag: it charges nothing. Put the generator in.`,
  );

/** What is worth a word of the chargers that charge during an outing, in sentences. */
export const sayCharging = (charging: readonly Charging[]): readonly string[] =>
  charging.flatMap((one) => {
    const { name, amps, hours, generator, mainsW } = one;
    const on = sayQuantity({ value: hours, unit: 'duration' });
    const given = `${name} gives ${sayQuantity({ value: amps, unit: 'A' })} for ${on}`;
    if (!generator || mainsW === null) return [`${given}.`];
    const fuel = fuelFor(one);
    const burnt =
      fuel === null
        ? 'the fuel it burns is not entered'
        : `it burns up to ${fixed(fuel, 1)} l (${sayQuantity({ value: fuel * PETROL_G, unit: 'g' })}) of fuel`;
    const { noiseDb } = generator;
    const quiet =
      noiseDb === undefined
        ? ''
        : ` No louder than a night wants it at ${sayQuantity({ value: quietDistanceM(noiseDb.value), unit: 'm', digits: 0 })}.`;
    return [
      `${given} on ${generator.name}, of whose ${sayQuantity({ value: generator.ratedW.value, unit: 'W' })} it takes ${sayQuantity({ value: mainsW, unit: 'W' })}: ${burnt}.${quiet}`,
    ];
  });
