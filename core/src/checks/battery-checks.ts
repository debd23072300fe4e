import { chemistryOf, isLead, isLithium, isPrimary, type ChemistryName } from '../battery/chemistry.js';
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

/** Packs in parallel are of one chemistry, as many cells, and of about the same age; sets of primary cells are kept apart by diodes. */
export function parallelPacksAlike(packs: readonly PackAge[]): Answer {
  const [first, ...rest] = packs;
  const other = rest.find(
    (pack) => pack.chemistry !== first.chemistry || pack.cellsInSeries !== first.cellsInSeries,
  );
  if (other) {
    return {
      severity: 'stop',
      sentence: `${first.name} and ${other.name} are in parallel: one would drive current into the other without limit. Use them one after the other.`,
      asks: 'one chemistry, as many cells',
      has: `${chemistryOf(first.chemistry).label}, ${chemistryOf(other.chemistry).label}`,
    };
  }
  if (packs.length > 1 && isPrimary(first.chemistry)) {
    return {
      severity: 'look',
      sentence: `Sets of ${first.name} are in parallel: the fuller set charges the emptier one, and its cells leak. Use them one after the other, or put an isolating diode behind each.`,
      asks: 'one set at a time, or diodes',
      has: 'in parallel',
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
      ? `Whether ${name} has a protection that opens when it is empty is not entered. Look at its label; without one, put a low-voltage disconnect in.`
      : `Nothing switches ${name} off before it is emptied too far, which ruins it. Put a low-voltage disconnect in, or use load terminals that open.`,
    asks: 'a protection or a disconnect',
    has: unknown ? 'not entered' : 'none',
    remedy: { description: 'a low-voltage disconnect', disconnect: true },
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
        sentence: `${inWords(names)} are used one after the other, and nothing separates them: connected at one point, the fuller one drives current into the emptier one without limit. Put in a change-over switch that breaks before it makes.`,
        asks: 'a change-over switch',
        has: 'one joint',
        remedy: { description: 'a change-over switch', changeover: true },
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
        sentence: `The station is unattended, and only the protection inside ${name} takes the loads off: it may need a charger to wake it. Put a low-voltage disconnect in.`,
        asks: 'a disconnect',
        has: 'its own protection',
        remedy: { description: 'a low-voltage disconnect', disconnect: true },
      }
    : null;

/** Lithium in the cabin: up to this without asking, and up to this with the airline's approval, Wh. Source: IATA dangerous goods rules for passengers; the airline's own go first. */
const CABIN_WH = 100;
const APPROVED_WH = 160;
/** Spares between the two that one passenger may take. Source: as above. */
const MAX_APPROVED_SPARES = 2;

/** A battery that goes by air. @param approved batteries of the bag between 100 and 160 Wh */
export function byAir(
  {
    name,
    chemistry,
    wattHours,
  }: { readonly name: string; readonly chemistry: ChemistryName; readonly wattHours: number },
  approved = 1,
): Answer {
  const has = `${fixed(wattHours, 0)} Wh`;
  if (chemistry === 'flooded') {
    return {
      severity: 'stop',
      sentence: `${name} holds liquid acid: it does not go in an aircraft with passengers. Send it another way, or take a sealed battery.`,
      asks: 'no liquid acid',
      has: 'flooded lead-acid',
    };
  }
  if (isLead(chemistry)) {
    return {
      severity: 'note',
      sentence: `${name} is sealed lead-acid: cap its terminals and ask the airline for the size that it takes.`,
      asks: 'terminals capped',
      has: chemistryOf(chemistry).label,
    };
  }
  if (!isLithium(chemistry)) return null;
  if (wattHours <= CABIN_WH) {
    return {
      severity: 'note',
      sentence: `${name} (${has}) flies in the cabin only, never in checked baggage, with its terminals covered.`,
      asks: 'in the cabin',
      has,
    };
  }
  if (wattHours > APPROVED_WH) {
    return {
      severity: 'stop',
      sentence: `${name} holds ${has}: over ${APPROVED_WH} Wh lithium does not go in an aircraft with passengers. Take smaller ones, or send it another way.`,
      asks: `at most ${APPROVED_WH} Wh`,
      has,
    };
  }
  return approved > MAX_APPROVED_SPARES
    ? {
        severity: 'stop',
        sentence: `The bag holds ${approved} batteries of ${CABIN_WH} to ${APPROVED_WH} Wh, and one passenger takes two. Take smaller ones, or share them among passengers.`,
        asks: `at most ${MAX_APPROVED_SPARES}`,
        has: String(approved),
      }
    : {
        severity: 'look',
        sentence: `${name} holds ${has}: in the cabin only, its terminals covered, at most two of them, and with the airline’s approval. Ask before you go.`,
        asks: `at most ${CABIN_WH} Wh`,
        has,
      };
}

/** Whether a battery counts towards the two of a passenger that need approval. */
export const needsApproval = ({
  chemistry,
  wattHours,
}: {
  readonly chemistry: ChemistryName;
  readonly wattHours: number;
}): boolean => isLithium(chemistry) && wattHours > CABIN_WH && wattHours <= APPROVED_WH;

/** Lead below this charge sulfates while it is stored, 0 to 1, and after so many days. Source: makers' practice. */
const STORED_FULL_SOC = 0.9;
const SULFATES_AFTER_DAYS = 14;

/** Lead is stored full. */
export const leadStoredFull = ({ name, chemistry, soc, days }: InStore): Answer =>
  isLead(chemistry) && soc < STORED_FULL_SOC && days >= SULFATES_AFTER_DAYS
    ? {
        severity: 'look',
        sentence: `${name} was stored for ${days} days at ${sayQuantity({ value: soc, unit: 'share' })}: lead-acid that is not full sulfates and loses capacity for good. Charge it full before it is stored.`,
        asks: 'stored full',
        has: sayQuantity({ value: soc, unit: 'share' }),
      }
    : null;

/** Lowest temperature at which lithium is discharged, C. Source: makers' practice. */
const COLDEST_DISCHARGE_C = -20;

/** Lithium is not used below the temperature that its makers allow, under which its figures here are guesses. @param coldC lowest of the outing, C */
export const dischargedCold = (
  { name, chemistry }: { readonly name: string; readonly chemistry: ChemistryName },
  coldC: number,
): Answer =>
  coldC < COLDEST_DISCHARGE_C
    ? {
        severity: 'look',
        sentence: `At ${sayQuantity({ value: coldC, unit: 'C' })} ${name} is below ${sayQuantity({ value: COLDEST_DISCHARGE_C, unit: 'C' })}: ${isLithium(chemistry) ? 'makers allow no discharge there, and its protection may open' : 'its capacity there is not known'}. The forecast calculates as at ${sayQuantity({ value: COLDEST_DISCHARGE_C, unit: 'C' })}. Keep it warmer.`,
        asks: `at least ${sayQuantity({ value: COLDEST_DISCHARGE_C, unit: 'C' })}`,
        has: sayQuantity({ value: coldC, unit: 'C' }),
      }
    : null;
