import { sayQuantity } from '../say/quantity.js';

/** What of an outing can hurt someone besides its battery: from the bag and the forecast. */
export interface SiteFacts {
  /** An antenna or a mast is set up; how far it reaches up, m, where that is entered. */
  readonly hasAntenna: boolean;
  readonly tallM: number | null;
  readonly hasPanel: boolean;
  /** Mains voltage is made. */
  readonly hasMains: boolean;
  /** Fuel is burnt. */
  readonly hasGenerator: boolean;
  readonly hasLithium: boolean;
  readonly byVehicle: boolean;
  /** When it first rains, in words; null where no rain is forecast. */
  readonly rainFrom: string | null;
  /** Warmest air, C, and strongest wind, m/s. */
  readonly warmC: number;
  readonly windMS: number;
  /** The heaviest thing that is lifted at once. */
  readonly heaviest: { readonly name: string; readonly grams: number } | null;
  /** Distance that people keep from the antenna, m, null if the power is not known, and what is sent then. */
  readonly exposure: { readonly distanceM: number | null; readonly what: string } | null;
  /** What stays connected to a battery when one packs up, and the days until that is empty; null where nothing does. */
  readonly standby: {
    readonly name: string;
    readonly battery: string;
    readonly days: number;
    readonly ruins: boolean;
  } | null;
  /** One battery feeds the only radio, which has none of its own. */
  readonly oneSource: boolean;
  /** Who knows about it; null where nobody was named. */
  readonly knows: string | null;
  /** When it is over, in words. */
  readonly backBy: string;
}

/** What one takes care of on the site, and when. */
export interface SiteCare {
  readonly id: SiteCareName;
  readonly at: 'before' | 'setting up' | 'all the time' | 'leaving';
  readonly sentence: string;
  /** The same in few words, for a card and a phone. */
  readonly short: string;
}

export type SiteCareName =
  | 'knows'
  | 'help'
  | 'heavy'
  | 'lines'
  | 'guys'
  | 'paths'
  | 'wind'
  | 'mains'
  | 'fuel'
  | 'exposure'
  | 'rain'
  | 'thunder'
  | 'heat'
  | 'dry'
  | 'strapped'
  | 'standby';

/** From this weight two people lift. Source: convention of this project, after the usual advice for lifting by hand. */
const TWO_LIFT_G = 15_000;
/** Distance of a mast from power lines over its height: it may slide as it falls. Source: convention of this project. */
const MAST_GAP = 1.5;
/** A folding panel or a mast begins to move in such a wind, m/s; a fresh breeze of the Beaufort scale. */
const FRESH_WIND_MS = 8;
/** Air at which a closed vehicle in the sun gets too hot for a battery, C. Source: convention of this project. */
const WARM_C = 20;

/**
 * What the site asks for, in short sentences to stand beside the thing. They do not replace local codes, licensed practice or
 * the makers' instructions. Source: convention of this project; the exposure from {@link exposureDistanceM}.
 */
export const siteCare = (facts: SiteFacts): readonly SiteCare[] =>
  [...before(facts), ...settingUp(facts), ...allTheTime(facts), ...leaving(facts)].filter(
    (one) => one !== false,
  );

type Care = readonly (SiteCare | false)[];

const before = ({ knows, backBy, oneSource, heaviest, byVehicle }: SiteFacts): Care => [
  {
    ...{ id: 'knows', at: 'before' },
    short: `Tell ${knows ?? 'somebody'}: back after ${backBy}.`,
    sentence: knows
      ? `Tell ${knows} where you are and that you are back after ${backBy}.`
      : `Tell somebody where you are and that you are back after ${backBy}.`,
  },
  oneSource && {
    ...{ id: 'help', at: 'before' },
    short: 'Radio as your call for help: a second source.',
    sentence: 'Where the radio is your call for help, take a second battery, or another way to call.',
  },
  byVehicle && {
    ...{ id: 'strapped', at: 'before' },
    short: 'Batteries strapped down in the vehicle.',
    sentence: 'Strap batteries down in the vehicle: in a crash a loose one is thrown about.',
  },
  heaviest !== null &&
    heaviest.grams > TWO_LIFT_G && {
      ...{ id: 'heavy', at: 'before' },
      short: `${heaviest.name}: two people lift it.`,
      sentence: `${heaviest.name}, ${sayQuantity({ value: heaviest.grams, unit: 'g' })}: two people lift it.`,
    },
];

const settingUp = ({ hasAntenna, hasPanel, tallM, windMS }: SiteFacts): Care => [
  hasAntenna && {
    ...{ id: 'lines', at: 'setting up' },
    short:
      tallM === null
        ? 'Mast and wires 1.5 times their length from power lines.'
        : `Mast ${sayQuantity({ value: MAST_GAP * tallM, unit: 'm' })} or more from power lines, wires 1.5 times their length.`,
    sentence:
      tallM === null
        ? 'Set mast and wires up at least 1.5 times their length from power lines, and so that they cannot fall towards one.'
        : `Set the mast up at least ${sayQuantity({ value: MAST_GAP * tallM, unit: 'm' })} from power lines, 1.5 times its height, wires 1.5 times their length, and so that neither can fall towards one.`,
  },
  hasAntenna && {
    ...{ id: 'guys', at: 'setting up' },
    short: 'Guys taped, pegs with cones.',
    sentence: 'Mark guys and wires with tape at eye height and their pegs with cones.',
  },
  (hasPanel || hasAntenna) && {
    ...{ id: 'paths', at: 'setting up' },
    short: 'No cable across a path.',
    sentence: 'Lay no cable across a path; where it must be, cover it or hang it well overhead.',
  },
  windMS >= FRESH_WIND_MS &&
    (hasPanel || hasAntenna) && {
      ...{ id: 'wind', at: 'setting up' },
      short: `Wind of ${sayQuantity({ value: windMS, unit: 'm/s' })}: panel weighed down, mast guyed.`,
      sentence: `Wind of ${sayQuantity({ value: windMS, unit: 'm/s' })}: weigh the panel down and guy the mast.`,
    },
];

const allTheTime = ({
  hasMains,
  hasGenerator,
  hasAntenna,
  hasLithium,
  exposure,
  rainFrom,
  warmC,
  byVehicle,
}: SiteFacts): Care => [
  hasMains && {
    ...{ id: 'mains', at: 'all the time' },
    short: 'Mains voltage kills: dry, behind earth-fault protection.',
    sentence:
      'Mains voltage kills: keep it dry, behind protection against earth faults; local codes go first.',
  },
  hasGenerator && {
    ...{ id: 'fuel', at: 'all the time' },
    short: 'Generator 6 m (20 ft) from tents and windows, CO alarm; refuel it cold.',
    sentence:
      'Run the generator outdoors, downwind, at least 6 m (20 ft) from every tent and window, with a CO alarm where people sleep, and let it cool before you refuel: its exhaust kills without a smell.',
  },
  exposure !== null && {
    ...{ id: 'exposure', at: 'all the time' },
    ...exposureCare(exposure),
  },
  rainFrom !== null && {
    ...{ id: 'rain', at: 'all the time' },
    short: `Rain from ${rainFrom}: drip loops, plugs off the ground, lids closed.`,
    sentence: `Rain from ${rainFrom}: let every cable hang lower than its plug, keep plugs off the ground, and close every lid.`,
  },
  hasAntenna && {
    ...{ id: 'thunder', at: 'all the time' },
    short:
      'Thunder: stop, antenna and panel off, the mast left alone if the storm is near, into a house or a vehicle until 30 minutes after the last.',
    sentence:
      'Thunder: stop, take antenna and panel off, leave the mast alone if the storm is near, and go into a house or a vehicle until 30 minutes after the last thunder. If there is time, lay the mast down.',
  },
  hasLithium &&
    (warmC >= WARM_C || byVehicle) && {
      ...{ id: 'heat', at: 'all the time' },
      short: 'No battery behind glass.',
      sentence: `Leave no battery behind glass: a closed vehicle in the sun passes ${sayQuantity({ value: 60, unit: 'C' })}.`,
    },
];

/** Where to keep people while the station sends. */
const exposureCare = ({ distanceM, what }: NonNullable<SiteFacts['exposure']>) =>
  distanceM === null
    ? {
        short: `No distance from the antenna is known (${what}): enter the amplifier’s output power.`,
        sentence: `How far people must stay from the antenna is not known while you send ${what}: enter the output power of the amplifier. Nobody touches the antenna.`,
      }
    : {
        short: `People, children and dogs ${sayQuantity({ value: distanceM, unit: 'm' })} from the antenna (${what}).`,
        sentence: `Keep people, children and dogs ${sayQuantity({ value: distanceM, unit: 'm' })} from the antenna while you send ${what}: the public limit of ICNIRP 2020 and half as much again. On short waves this is the near field, where the formula does not hold: small loops and whips need more. Nobody touches the antenna.`,
      };

const leaving = ({ rainFrom, standby }: SiteFacts): Care => [
  rainFrom !== null && {
    ...{ id: 'dry', at: 'leaving' },
    short: 'Wet things packed apart, spread out at home.',
    sentence:
      'Shake off what is wet, pack it apart from what is dry, and spread it out at home the same day.',
  },
  standby !== null && {
    ...{ id: 'standby', at: 'leaving' },
    short: `Take ${standby.name} off ${standby.battery}: it empties it in ${Math.round(standby.days)} days.`,
    sentence: `Take ${standby.name} off ${standby.battery}, by its plug or a switch: left connected it empties a full one in ${Math.round(standby.days)} days${standby.ruins ? ', and that ruins it' : ''}.`,
  },
];
