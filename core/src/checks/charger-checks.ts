import { chemistryOf, isLead, isLithium, type ChemistryName } from '../battery/chemistry.js';
import { starterHours } from '../charge-up/starter.js';
import { sayQuantity } from '../say/quantity.js';
import { chargeHarm, type Chargeable, type Charged } from './charge-checks.js';
import type { Answer } from './check.js';
import { amps } from './say.js';

/** A charger that charges during the outing, as the rules see it. */
export interface CheckedCharger {
  readonly name: string;
  readonly maxA: number;
  /** It ends by itself, or holds its volts, rather than charging on for as long as it is connected. */
  readonly hasEnd: boolean;
  /** Chemistries that it has a charge profile for; not entered if absent. */
  readonly profiles?: readonly ChemistryName[];
  readonly hours: number;
  /** What it takes out of the starter battery, A; null where it does not. */
  readonly starterA: number | null;
  readonly generator: {
    readonly name: string;
    readonly ratedW: number;
    readonly takenW: number;
    /** It runs in the usual quiet hours. */
    readonly inQuiet: boolean;
  } | null;
}

/** Lithium is never left to a charger that has no end of its own. */
export const chargerEnds = ({ name, hasEnd }: CheckedCharger, battery: Chargeable): Answer =>
  !hasEnd && isLithium(battery.chemistry)
    ? {
        severity: 'stop',
        sentence: `${name} has no end of its own: ${battery.name} would be overcharged by it and may burn. Take a charger for ${chemistryOf(battery.chemistry).label}.`,
        asks: 'a charger with an end of its own',
        has: 'none',
      }
    : null;

/** The charger is made for the battery; one that does not say is for all but NiMH, which needs an end of charge of its own. */
export function chargerFits({ name, profiles }: CheckedCharger, battery: Chargeable): Answer {
  const { chemistry } = battery;
  const fits = profiles ? profiles.includes(chemistry) : chemistry !== 'nimh';
  if (fits) return null;
  const asks = chemistryOf(chemistry).label;
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

/** A charger in a vehicle leaves the starter battery enough to start with. */
export function leavesTheStarter({ name, hours, starterA }: CheckedCharger): Answer {
  if (starterA === null) return null;
  const lasts = starterHours(starterA);
  const duration = (value: number) => sayQuantity({ value, unit: 'duration' });
  return hours > lasts
    ? {
        severity: 'look',
        sentence: `${name} takes ${amps(starterA)} from the vehicle for ${duration(hours)}: with the engine off it may not start after ${duration(lasts)}. Drive meanwhile, or put an isolator in.`,
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
