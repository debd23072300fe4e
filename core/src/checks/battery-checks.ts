import { chemistryOf, isLithium, type ChemistryName } from '../battery/chemistry.js';
import { fixed, sayDuration, sayQuantity } from '../say/quantity.js';
import type { Answer } from './check.js';
import { amps } from './say.js';

/** What a pack may give against what is asked of it, A; the limit is undefined where its label states none. */
export interface Discharge {
  readonly name: string;
  readonly needA: number;
  readonly limitA: number | undefined;
}

const LESS = 'Use less power or a pack that may give more.';

const tooMuch = ({ name, needA, limitA }: Discharge, what: string): Answer =>
  limitA !== undefined && needA > limitA
    ? {
        severity: 'stop',
        sentence: `${what} takes ${amps(needA)} and ${name} may give ${amps(limitA)}: its protection would open. ${LESS}`,
        asks: `at most ${amps(limitA)}`,
        has: amps(needA),
      }
    : null;

/** What cells usually stand for as long as they last, C; lead for minutes. Source: convention of this project, docs/model.md. */
const USUAL_C: ReadonlyMap<ChemistryName, number> = new Map([
  ['lifepo4', 1],
  ['liion', 1],
  ['agm', 1],
  ['gel', 1],
  ['flooded', 1],
  ['nimh', 1],
  ['alkaline', 0.2],
]);
/** More than this many times what is usual is no question any more. */
const FAR_BEYOND = 3;

/** A pack whose label states no limit: what is asked of it against what such cells usually stand. @param needA key-down, A */
export function dischargeLimitKnown(
  {
    name,
    chemistry,
    capacityAh,
    continuousA,
    peakA,
  }: {
    readonly name: string;
    readonly chemistry: ChemistryName;
    readonly capacityAh: number;
    readonly continuousA?: number | undefined;
    readonly peakA?: number | undefined;
  },
  needA: number,
): Answer {
  if (continuousA !== undefined || peakA !== undefined || needA <= 0) return null;
  const usualC = USUAL_C.get(chemistry)!;
  const needC = needA / capacityAh;
  const beyond = needC > FAR_BEYOND * usualC;
  const c = (value: number) => `${fixed(value, value < 0.1 ? 2 : 1)} C`;
  const usual = `Cells of this kind usually stand ${c(usualC)}${chemistryOf(chemistry).belongsTo === 'lead' ? ' for minutes' : ''}`;
  return {
    severity: beyond ? 'stop' : 'look',
    sentence: `The discharge limit of ${name} is not entered. Key-down takes ${amps(needA)}, which is ${c(needC)}. ${usual}. ${beyond ? LESS : 'Look at its label and enter the limit.'}`,
    asks: `at most ${c(usualC)}`,
    has: c(needC),
  };
}

/** A pack gives its mean load without end. @param discharge A: the mean load, and the label's continuous limit */
export const continuousDischarge = (discharge: Discharge, what = 'The mean load'): Answer =>
  tooMuch(discharge, what);

/** A pack gives key-down current for as long as the key is held. @param discharge A: key-down, and the label's peak limit */
export const peakDischarge = (discharge: Discharge, what = 'Key-down'): Answer => tooMuch(discharge, what);

/** A regulated supply (a socket of a power station, a converter) gives key-down current, or its volts collapse. */
export const supplyCarriesKeyDown = ({ name, needA, limitA }: Discharge): Answer =>
  limitA !== undefined && needA > limitA
    ? {
        severity: 'stop',
        sentence: `Key-down takes ${amps(needA)} and ${name} supplies ${amps(limitA)}: its volts would collapse. Take the radio straight from a battery, or use less power.`,
        asks: `at most ${amps(limitA)}`,
        has: amps(needA),
      }
    : null;

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
  /** Its own protection opens; undefined where nobody has said. */
  readonly protects: boolean | undefined;
  /** A low-voltage disconnect, or load terminals that open, stands before every load. */
  readonly disconnects: boolean;
}

/** Lithium and lead are switched off before they are ruined: by a protection of their own or a low-voltage disconnect. */
export function disconnectPresent({ name, chemistry, protects, disconnects }: Guarded): Answer {
  const isLead = chemistryOf(chemistry).belongsTo === 'lead';
  if ((!isLithium(chemistry) && !isLead) || disconnects || protects) return null;
  const unknown = isLithium(chemistry) && protects === undefined;
  return {
    severity: unknown || isLead ? 'look' : 'stop',
    sentence: unknown
      ? `Whether a protection inside ${name} opens when it is empty is not entered. Look at its label; without one, put a low-voltage disconnect in.`
      : `Nothing switches ${name} off before it is emptied too far, which ruins it. Put a low-voltage disconnect in, or use load terminals that open.`,
    asks: 'a protection or a disconnect',
    has: unknown ? 'not entered' : 'none',
    remedy: { words: 'a low-voltage disconnect', disconnect: true },
  };
}

/** Lithium is not charged below freezing. @param coldC lowest temperature of the outing, C */
export const chargedCold = (
  { name, chemistry }: { readonly name: string; readonly chemistry: ChemistryName },
  coldC: number,
): Answer =>
  coldC < 0 && chemistryOf(chemistry).charge?.belowFreezing === 0
    ? {
        severity: 'stop',
        sentence: `At ${sayQuantity({ value: coldC, unit: 'C' })} ${name} must not be charged: it is damaged inside, without a sign. Keep it warm, or take the panel off while it freezes.`,
        asks: 'at least 0 °C',
        has: sayQuantity({ value: coldC, unit: 'C' }),
      }
    : null;

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
      ? `What stays joined draws ${amps(standingA)} and empties ${name} in ${sayDuration(emptyAfter)} of the ${days} days in store, which ruins it. Take it off the battery after charging.`
      : `What stays joined draws ${amps(standingA)}: ${sayQuantity({ value: gone, unit: 'Ah' })} of ${name} in the ${days} days in store. Take it off the battery after charging.`,
    asks: `under ${sayQuantity({ value: WORTH_A_WORD * there, unit: 'Ah' })}`,
    has: sayQuantity({ value: gone, unit: 'Ah' }),
  };
}
