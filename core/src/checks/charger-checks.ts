import { chemistryOf, isLead, isLithium, isPrimary, type ChemistryName } from '../battery/chemistry.js';
import { starterHours } from '../charge-up/starter.js';
import { sayQuantity } from '../say/quantity.js';
import { chargeHarm, type Chargeable, type Charged } from './charge-checks.js';
import type { Answer } from './check.js';
import { smallestFuse } from '../wire/fuses.js';
import { ampacity } from '../wire/wire.js';
import { amps, sayRated } from './say.js';
import { sizeWords, WIRE_SIZES_MM2 } from './wire-sizes.js';

const ROOM_C = 25;

/** A charger that charges during the outing, as the rules see it. */
export interface CheckedCharger {
  readonly name: string;
  readonly maxA: number;
  /** It ends by itself, or holds its volts, rather than charging on for as long as it is connected. */
  readonly hasEnd: boolean;
  /** Chemistries that it has a charge profile for; not entered if absent. */
  readonly profiles?: readonly ChemistryName[];
  readonly hours: number;
  readonly fromVehicle: boolean;
  /** Current out of the starter battery, A; null if it takes none. */
  readonly starterA: number | null;
  readonly generator: {
    readonly name: string;
    readonly ratedW: number;
    readonly takenW: number;
    /** It runs in the usual quiet hours. */
    readonly inQuiet: boolean;
  } | null;
}

/** A battery with the charge that it holds when a charger starts. */
export interface Fillable extends Chargeable {
  readonly capacityAh: number;
  /** State of charge, 0 to 1. */
  readonly soc: number;
}

/** Current that a full battery stands for hours without harm, C. Source: makers' practice for trickle charging. */
const HARMLESS_C = { nickel: 0.05, lead: 0.01 } as const;

/** A charger without an end of its own is switched off before the battery is full; lithium is never left to one. @param givesA its part of the current, A */
export function chargerEnds(
  { name, hasEnd, hours }: CheckedCharger,
  battery: Fillable,
  givesA: number,
): Answer {
  const { chemistry, capacityAh, soc } = battery;
  const { charge, belongsTo, label } = chemistryOf(chemistry);
  if (hasEnd || charge === null) return null;
  const stop = (harm: string, fix: string): Answer => ({
    severity: 'stop',
    sentence: `${name} does not end by itself: ${battery.name} would be overcharged and ${harm}. ${fix}`,
    asks: 'a charger that ends by itself',
    has: 'no end of charge',
  });
  if (isLithium(chemistry)) return stop('may burn', `Take a charger for ${label}.`);
  const hoursToFull = ((1 - soc) * capacityAh) / (charge.efficiency * givesA);
  const harmlessC = belongsTo === 'lead' ? HARMLESS_C.lead : HARMLESS_C.nickel;
  if (hours <= hoursToFull || givesA <= harmlessC * capacityAh) return null;
  return stop(
    isLead(chemistry) ? 'gas and dry out' : 'heat up and vent',
    `It is full after ${sayQuantity({ value: hoursToFull, unit: 'duration' })}, and ${sayQuantity({ value: hours, unit: 'duration' })} are planned. Take a charger that ends, or charge for a shorter time.`,
  );
}

/** The charger is made for the battery. If its profiles are not entered it is a warning, for NiMH, which few can charge, a stop. */
export function chargerFits({ name, profiles }: CheckedCharger, battery: Chargeable): Answer {
  const { chemistry } = battery;
  if (isPrimary(chemistry) || profiles?.includes(chemistry)) return null;
  const asks = chemistryOf(chemistry).label;
  if (!profiles && chemistry !== 'nimh') {
    return {
      severity: 'look',
      sentence: `Which batteries ${name} can charge is not entered. The wrong profile overcharges ${battery.name} (${asks}) or never fills it: read its label and enter it.`,
      asks,
      has: 'not entered',
    };
  }
  return {
    severity: 'stop',
    sentence: `${name} is not made for ${battery.name} (${asks}): it could overcharge it, or never fill it. Take a charger that is.`,
    asks,
    has: profiles?.map((one) => chemistryOf(one).label).join(', ') ?? 'not entered',
  };
}

/** The battery takes what the charger gives. @param bringsA its part of that, A */
export function chargerAccepted(
  { name }: CheckedCharger,
  { name: battery, chemistry, maxChargeA, isEntered }: Charged,
  bringsA: number,
): Answer {
  if (bringsA <= maxChargeA + 1e-9) return null;
  const limit = isEntered ? 'may be charged with' : 'is of a kind that usually takes';
  return {
    severity: isEntered && !isLead(chemistry) ? 'stop' : 'look',
    sentence: `${name} gives ${amps(bringsA)} and ${battery} ${limit} ${amps(maxChargeA)}: ${chargeHarm(chemistry)}. Take a smaller charger or a larger battery.`,
    asks: `at most ${amps(maxChargeA)}`,
    has: amps(bringsA),
  };
}

/** From this current the cable of a charger needs a fuse and a wire of its own, A. Source: convention of this project. */
const STRONG_CHARGER_A = 10;

/** The cable of a strong charger, which is not drawn in Wire: its wire, and its fuses at every battery that it is joined to. */
export function chargerCable({ name, maxA, starterA, fromVehicle }: CheckedCharger): Answer {
  if (maxA < STRONG_CHARGER_A) return null;
  const fuseA = smallestFuse(maxA);
  const carriesA = fuseA ?? maxA;
  const areaMm2 = WIRE_SIZES_MM2.find(
    (size) => ampacity({ awg: null, areaMm2: size }, ROOM_C, false) >= carriesA,
  );
  const wire = areaMm2 === undefined ? 'thick wire' : sizeWords(areaMm2);
  const fuse = fuseA === null ? 'a fuse' : `a ${sayRated(fuseA)} fuse`;
  return {
    severity: fromVehicle ? 'look' : 'note',
    sentence: fromVehicle
      ? `The cables of ${name} are not drawn here: ${amps(starterA ?? maxA)} flow in it from the vehicle. Both batteries feed a short circuit: put a fuse within 20 cm of each, ${fuse} at the camp battery, and at least ${wire}.`
      : `The cable of ${name} is not drawn here: ${amps(maxA)} flow in it. Use at least ${wire}, with ${fuse} within 20 cm of the battery.`,
    asks: wire,
    has: 'not drawn',
  };
}

/** A charger in a vehicle leaves the starter battery enough to start with. */
export function leavesTheStarter({ name, hours, starterA }: CheckedCharger): Answer {
  if (starterA === null) return null;
  const lasts = starterHours(starterA);
  const duration = (value: number) => sayQuantity({ value, unit: 'duration' });
  return hours > lasts
    ? {
        severity: 'look',
        sentence: `${name} takes ${amps(starterA)} from the vehicle for ${duration(hours)}: with the engine off it may not start after ${duration(lasts)}. Drive at the same time, or put an isolator in.`,
        asks: `at most ${duration(lasts)} with the engine off`,
        has: duration(hours),
      }
    : null;
}

/** The generator carries the charger. */
export const generatorCarries = ({ name, generator }: CheckedCharger): Answer =>
  generator && generator.takenW > generator.ratedW
    ? {
        severity: 'stop',
        sentence: `${name} takes ${sayQuantity({ value: Math.ceil(generator.takenW), unit: 'W' })} and ${generator.name} gives ${sayQuantity({ value: generator.ratedW, unit: 'W' })}: it would trip or stall. Take a smaller charger or a larger generator.`,
        asks: `at most ${sayQuantity({ value: generator.ratedW, unit: 'W' })}`,
        has: sayQuantity({ value: Math.ceil(generator.takenW), unit: 'W' }),
      }
    : null;

/** A generator rests while others sleep. */
export const generatorRests = ({ generator }: CheckedCharger): Answer =>
  generator?.inQuiet
    ? {
        severity: 'look',
        sentence: `${generator.name} runs between 22:00 and 07:00, when most sites want quiet. Charge by day, and ask what the site allows.`,
        asks: 'quiet from 22:00 to 07:00',
        has: 'on in the night',
      }
    : null;
