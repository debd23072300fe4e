import { isLead, type ChemistryName } from '../battery/chemistry.js';
import { fixed } from '../say/quantity.js';
import type { Answer } from './check.js';
import { amps } from './say.js';

/** What a pack may give against what is asked of it, A; the limit is undefined where its label states none. */
export interface Discharge {
  readonly name: string;
  readonly needA: number;
  readonly limitA: number | undefined;
  /** The most power that its limit allows, W; not known, or none, where absent. */
  readonly allowedW?: number | undefined;
}

const LESS = 'Use less power or a pack that may give more.';
const within = (watts: number | undefined): string =>
  watts === undefined ? '' : ` At ${watts} W it is within the limit.`;

const tooMuch = ({ name, needA, limitA, allowedW }: Discharge, what: string): Answer =>
  limitA !== undefined && needA > limitA
    ? {
        severity: 'stop',
        sentence: `${what} takes ${amps(needA)} and ${name} may give ${amps(limitA)}: its protection would open. ${LESS}${within(allowedW)}`,
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
  ['lithiumaa', 0.5],
]);
/** More than this many times what is usual is no question any more. */
const FAR_BEYOND = 3;

/** A pack whose label states no limit: the current against the usual limit of its cells, above which it is worth a warning. @param needA key-down, A */
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
  if (needC <= usualC) return null;
  const beyond = needC > FAR_BEYOND * usualC;
  const c = (value: number) => `${fixed(value, value < 0.1 ? 2 : 1)} C`;
  const usual = `Cells of this kind usually stand ${c(usualC)}${isLead(chemistry) ? ' for minutes' : ''}`;
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

/** Of several batteries in parallel one gives more than its even share: a limit that holds evenly only is worth a look. */
export const unevenShare = ({ name, needA, limitA }: Discharge, evenA: number): Answer =>
  limitA !== undefined && evenA <= limitA && needA > limitA
    ? {
        severity: 'look',
        sentence: `Batteries in parallel never share evenly: ${name} may have to give ${amps(needA)}, and its limit is ${amps(limitA)}. Use less power, or add one more.`,
        asks: `at most ${amps(limitA)}`,
        has: amps(needA),
      }
    : null;

/** Volts up to which a load can be fed by a 12 V battery instead, V. */
const TWELVE_VOLT_LOAD_V = 15;

/**
 * A regulated supply (a socket of a power station, a converter) gives key-down current, or its volts collapse.
 *
 * @param outV its volts, V; 12 V loads can do without it
 */
export const supplyCarriesKeyDown = (
  { name, needA, limitA, allowedW }: Discharge,
  outV: number | null = null,
): Answer =>
  limitA !== undefined && needA > limitA
    ? {
        severity: 'stop',
        sentence: `Key-down takes ${amps(needA)} and ${name} supplies ${amps(limitA)}: its volts would collapse. ${outV !== null && outV > TWELVE_VOLT_LOAD_V ? 'Take a larger one' : 'Feed the radio from a battery'}, or use less power.${within(allowedW)}`,
        asks: `at most ${amps(limitA)}`,
        has: amps(needA),
      }
    : null;

/** A change-over switch, a fuse box, a splitter or a disconnect carries all that hangs behind it. @param needA key-down, A */
export const switchCarries = (name: string, needA: number, maxA: number | undefined): Answer =>
  maxA !== undefined && needA > maxA
    ? {
        severity: 'stop',
        sentence: `${amps(needA)} flow through ${name}, which may carry ${amps(maxA)}: its contacts would burn. Take one that carries more, or use less power.`,
        asks: `at least ${amps(needA)}`,
        has: amps(maxA),
      }
    : null;

/** A power station that switches itself off at small loads stays on by what a receiver takes. @param leastW the least that is drawn while it is worked, W */
export const staysAwake = (name: string, sleepsBelowW: number | undefined, leastW: number): Answer =>
  sleepsBelowW !== undefined && leastW > 0 && leastW < sleepsBelowW
    ? {
        severity: 'look',
        sentence: `${name} switches itself off below ${fixed(sleepsBelowW, 0)} W, and receiving takes ${fixed(leastW, 1)} W. Find the setting that keeps it on, or let a lamp burn beside the radio.`,
        asks: `at least ${fixed(sleepsBelowW, 0)} W`,
        has: `${fixed(leastW, 1)} W`,
      }
    : null;
