import { chemistryOf, isLead, isLithium, type ChemistryName } from '../battery/chemistry.js';
import { fixed, sayDuration, sayQuantity } from '../say/quantity.js';
import type { Answer } from './check.js';
import { amps, volts } from './say.js';

/** A pack as it stands beside others. */
export interface PackAge {
  readonly name: string;
  readonly chemistry: ChemistryName;
  readonly cellsInSeries: number;
  /** Share of the rating that is left, 0 to 1. */
  readonly health: number;
}

/** Packs that lie in parallel must be alike; a tenth of health between them is as much as usual. */
const MOST_APART = 0.1;

/** Packs in parallel are of one chemistry, as many cells, and of about the same age. */
export function parallelPacksAlike(packs: readonly PackAge[]): Answer {
  const [first, ...rest] = packs;
  const other = rest.find(
    (pack) => pack.chemistry !== first.chemistry || pack.cellsInSeries !== first.cellsInSeries,
  );
  if (other) {
    return {
      severity: 'stop',
      sentence: `${first.name} and ${other.name} lie in parallel: one would drive current into the other without limit. Use them one after the other.`,
      asks: 'one chemistry, as many cells',
      has: `${chemistryOf(first.chemistry).label}, ${chemistryOf(other.chemistry).label}`,
    };
  }
  const health = packs.map((pack) => pack.health);
  const apart = Math.max(...health) - Math.min(...health);
  return packs.length > 1 && apart > MOST_APART
    ? {
        severity: 'look',
        sentence: `The packs in parallel have aged differently: the weaker one is carried along and ages faster. Use packs of one age together.`,
        asks: `at most ${sayQuantity({ value: MOST_APART, unit: 'share' })} apart`,
        has: sayQuantity({ value: apart, unit: 'share' }),
      }
    : null;
}

/** How a pack is kept from being emptied too far. */
export interface Guarded {
  readonly name: string;
  readonly chemistry: ChemistryName;
  /** Its own protection opens; undefined where it is not entered. */
  readonly protects: boolean | undefined;
  /** A low-voltage disconnect, or load terminals that open, stands before every load. */
  readonly disconnects: boolean;
}

/** Lithium and lead are switched off before they are ruined: by a protection of their own or a low-voltage disconnect. */
export function disconnectPresent({ name, chemistry, protects, disconnects }: Guarded): Answer {
  if ((!isLithium(chemistry) && !isLead(chemistry)) || disconnects || protects) return null;
  const unknown = isLithium(chemistry) && protects === undefined;
  return {
    severity: unknown || isLead(chemistry) ? 'look' : 'stop',
    sentence: unknown
      ? `Whether a protection inside ${name} opens when it is empty is not entered. Look at its label; without one, put a low-voltage disconnect in.`
      : `Nothing switches ${name} off before it is emptied too far, which ruins it. Put a low-voltage disconnect in, or use load terminals that open.`,
    asks: 'a protection or a disconnect',
    has: unknown ? 'not entered' : 'none',
    remedy: { words: 'a low-voltage disconnect', disconnect: true },
  };
}

/** What draws on a pack while it lies in store. */
export interface InStore {
  readonly name: string;
  readonly chemistry: ChemistryName;
  /** Charge that it can give, Ah, and how much of it is there, 0 to 1. */
  readonly capacityAh: number;
  readonly soc: number;
  /** What stays joined and draws, A. */
  readonly standingA: number;
  readonly days: number;
}

/** Of what is there, this share may go into what stays joined before it is worth a word. */
const WORTH_A_WORD = 0.1;

/** A controller or another standing draw that stays joined does not empty the battery in store. */
export function parasiticDraw({ name, capacityAh, soc, standingA, days }: InStore): Answer {
  const gone = standingA * 24 * days;
  const there = soc * capacityAh;
  if (standingA <= 0 || days <= 0 || gone < WORTH_A_WORD * there) return null;
  const emptyAfter = there / standingA;
  const isEmpty = gone >= there;
  return {
    severity: isEmpty ? 'stop' : 'look',
    sentence: isEmpty
      ? `What stays connected takes ${amps(standingA)} and empties ${name} in ${sayDuration(emptyAfter)} of the ${days} days in store, which ruins it. Take it off the battery after charging.`
      : `What stays connected takes ${amps(standingA)}: ${sayQuantity({ value: gone, unit: 'Ah' })} of ${name} in the ${days} days in store. Take it off the battery after charging.`,
    asks: `under ${sayQuantity({ value: WORTH_A_WORD * there, unit: 'Ah' })}`,
    has: sayQuantity({ value: gone, unit: 'Ah' }),
  };
}

/** Several batteries that are used one after the other: a switch that breaks before it makes keeps them apart. */
export const changeoverPresent = (names: readonly string[], isThere: boolean): Answer =>
  names.length > 1 && !isThere
    ? {
        severity: 'stop',
        sentence: `${inWords(names)} are used one after the other, and nothing keeps them apart: connected at one point, the fuller one drives current into the emptier one without limit. Put in a change-over switch that breaks before it makes.`,
        asks: 'a change-over switch',
        has: 'one joint',
        remedy: { words: 'a change-over switch', changeover: true },
      }
    : null;

const inWords = (names: readonly string[]): string => `${names.slice(0, -1).join(', ')} and ${names.at(-1)!}`;

/** A low-voltage disconnect as it is entered. */
export interface Disconnect {
  readonly name: string;
  readonly disconnectV?: number;
  readonly reconnectV?: number;
  readonly maxA?: number;
}

/** What a disconnect does is known: its volts, those at which loads come back, its amps; and it opens before the battery's protection. */
export function disconnectEntered(
  { name, disconnectV, reconnectV, maxA }: Disconnect,
  cutoffV: number | undefined,
): Answer {
  const open = [
    ...(disconnectV === undefined ? ['the volts at which it opens'] : []),
    ...(reconnectV === undefined ? ['those at which it closes again'] : []),
    ...(maxA === undefined ? ['what it may carry'] : []),
  ];
  if (open.length > 0) {
    return {
      severity: 'look',
      sentence: `Of ${name} ${open.length === 1 ? 'one thing is' : 'some things are'} not entered: ${open.join(', ')}. Its label says so.`,
      asks: 'volts and amps',
      has: 'not entered',
    };
  }
  return cutoffV !== undefined && disconnectV! < cutoffV
    ? {
        severity: 'look',
        sentence: `${name} opens at ${volts(disconnectV!)}, after the battery’s own protection at ${volts(cutoffV)}. That one is a last resort: set the disconnect higher.`,
        asks: `over ${volts(cutoffV)}`,
        has: volts(disconnectV!),
      }
    : null;
}

/** Gear that nobody reaches does not live off the protection inside its battery. */
export const lastResort = (
  { name, chemistry, protects, disconnects }: Guarded,
  isUnattended: boolean,
): Answer =>
  isUnattended && isLithium(chemistry) && protects === true && !disconnects
    ? {
        severity: 'look',
        sentence: `Nobody is there, and only the protection inside ${name} takes the loads off: it is a last resort and may need a charger to wake it. Put a low-voltage disconnect in.`,
        asks: 'a disconnect',
        has: 'its own protection',
        remedy: { words: 'a low-voltage disconnect', disconnect: true },
      }
    : null;

/** Lithium in the cabin: so much without asking, and so much with the airline's approval, Wh. Source: rules of air transport, as usual; the airline's own go first. */
const CABIN_WH = 100;
const APPROVED_WH = 160;

/** A lithium battery that goes by air. */
export function byAir({
  name,
  chemistry,
  wattHours,
}: {
  readonly name: string;
  readonly chemistry: ChemistryName;
  readonly wattHours: number;
}): Answer {
  if (!isLithium(chemistry) || wattHours <= CABIN_WH) return null;
  const has = `${fixed(wattHours, 0)} Wh`;
  return wattHours > APPROVED_WH
    ? {
        severity: 'stop',
        sentence: `${name} holds ${has}: over ${APPROVED_WH} Wh lithium does not go in an aircraft with passengers. Take smaller ones, or send it another way.`,
        asks: `at most ${APPROVED_WH} Wh`,
        has,
      }
    : {
        severity: 'look',
        sentence: `${name} holds ${has}: in the cabin only, its terminals capped, and over ${CABIN_WH} Wh with the airline’s approval. Ask before you go.`,
        asks: `at most ${CABIN_WH} Wh`,
        has,
      };
}
