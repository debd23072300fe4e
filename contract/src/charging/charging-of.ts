import {
  batteryPackAt,
  hoursOf,
  overlap,
  takenFromMains,
  takenFromVehicle,
  type PlannedFeed,
  type Span,
} from '@knapsack/core';
import type { Charger, Generator } from '../documents/charging-gear.js';
import type { Battery, PowerStation } from '../documents/gear.js';
import { batteryPieces } from '../harness/battery-pieces.js';
import { counted, isKind, type Carried } from '../resolve/look-up.js';
import { packLabelOf } from '../resolve/resolve-packs.js';

/** A charger that charges during the outing. */
export interface Charging {
  readonly gear: Charger;
  readonly name: string;
  /** What it gives at the battery, A, and its hours inside the outing, ascending; their sum, h. */
  readonly amps: number;
  readonly spans: readonly Span[];
  readonly hours: number;
  /** What it takes of the vehicle, A, or of the mains, W; null where it hangs on the other. */
  readonly vehicleA: number | null;
  readonly mainsW: number | null;
  /** What gives it mains; null where they come out of a wall. */
  readonly generator: Generator | null;
}

/** Whether a charger ends by itself or holds its volts, rather than charging on for as long as it is connected. */
export const hasEnd = (law: Charger['law']): boolean => law !== 'cc' && law !== 'trickle';

/** Volts that a charger charges at where the battery does not say. */
const USUAL_V = 14.4;
const ROOM_C = 20;

/** Volts that a battery is charged up to in a room, V. */
export const chargeVolts = (gear: Battery | PowerStation): number =>
  batteryPackAt(packLabelOf(gear, 1), ROOM_C).charge?.absorptionV ?? USUAL_V;

/** The chargers of a bag that charge during the outing. One that hangs on a generator which stays at home charges nothing. */
export function chargingOf(carried: readonly Carried[], outing: Span): readonly Charging[] {
  const generators = carried.filter(isKind('generator')).map(({ gear }) => gear);
  return carried.filter(isKind('charger')).flatMap(({ gear, item }): Charging[] => {
    const { charging, count } = item;
    if (!charging) return [];
    const spans = charging.hours.flatMap(
      ({ start, end }) => overlap({ startMs: Date.parse(start), endMs: Date.parse(end) }, outing) ?? [],
    );
    const generator = generators.find(({ id }) => id === charging.generator) ?? null;
    if (spans.length === 0 || (charging.generator !== undefined && !generator)) return [];
    const amps = count * gear.maxA.value;
    const [piece] = batteryPieces(carried);
    const volts = piece ? chargeVolts(piece.gear) : USUAL_V;
    const inVehicle = gear.from === 'vehicle';
    return [
      {
        ...{ gear, name: counted(gear.name, count), amps, spans, generator },
        hours: spans.reduce((sum, span) => sum + hoursOf(span), 0),
        vehicleA: inVehicle ? takenFromVehicle(amps, volts) : null,
        mainsW: inVehicle ? null : takenFromMains(amps, volts),
      },
    ];
  });
}

/** Chargers that hang on a generator which is not in the bag. */
export function stranded(carried: readonly Carried[]): readonly Charger[] {
  const inBag = new Set(carried.filter(isKind('generator')).map(({ gear }) => gear.id));
  return carried
    .filter(isKind('charger'))
    .flatMap(({ gear, item: { charging } }) =>
      charging?.generator !== undefined && !inBag.has(charging.generator) ? [gear] : [],
    );
}

/** The same as the forecast wants it. */
export const feedsOf = (charging: readonly Charging[]): readonly PlannedFeed[] =>
  charging.flatMap(({ name, amps, spans }) => spans.map((span) => ({ ...span, name, amps })));
