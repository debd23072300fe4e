import { isQuietHour, localHour, MINUTE_MS, type CheckedCharger } from '@knapsack/core';
import { hasEnd, type Charging } from '../charging/charging-of.js';

/** How finely quiet hours are looked for. */
const LOOK_MS = 15 * MINUTE_MS;

/** A charger that charges during the outing, as the rules see it. */
export function checkedCharger(charging: Charging, zone: string): CheckedCharger {
  const { gear, name, amps, spans, hours, generator, mainsW, vehicleA } = charging;
  const inQuiet = spans.some(({ startMs, endMs }) => {
    for (let timeMs = startMs; timeMs < endMs; timeMs += LOOK_MS)
      if (isQuietHour(localHour(timeMs, zone))) return true;
    return false;
  });
  return {
    ...{ name, hours, maxA: amps, hasEnd: hasEnd(gear.law) },
    ...(gear.profiles && { profiles: gear.profiles }),
    fromVehicle: gear.from === 'vehicle',
    starterA: gear.isolated ? null : vehicleA,
    generator:
      generator && mainsW !== null
        ? { name: generator.name, ratedW: generator.ratedW.value, takenW: mainsW, inQuiet }
        : null,
  };
}
