import type { ChemistryName } from '../battery/chemistry.js';
import { smallestFuse } from '../wire/fuses.js';
import type { Answer } from './check.js';
import { amps, sayRated, volts } from './say.js';

/** A panel goes to a charge controller, never straight to a radio or a battery. @param into what it is joined to */
export const panelNeedsController = (
  panel: string,
  into: { readonly name: string; readonly charges: boolean } | null,
): Answer =>
  into?.charges
    ? null
    : {
        severity: 'stop',
        sentence: `${panel} goes straight to ${into?.name ?? 'nothing'}: in full sun it gives volts that destroy a radio and overcharge a battery. Put a charge controller between.`,
        asks: 'a charge controller',
        has: into?.name ?? 'nothing',
      };

/** A controller as a panel and a battery meet in it. */
export interface ChargedBy {
  readonly name: string;
  /** Highest volts that its input survives, largest current into the battery, and what its load terminals carry, where known. */
  readonly maxInputV?: number;
  readonly maxA?: number;
  readonly loadA?: number;
  /** Chemistries that it has a charge profile for; not entered if absent. */
  readonly profiles?: readonly ChemistryName[];
  readonly wakesBattery?: boolean;
  /** Volts that it is set to charge up to, whether it compensates them for temperature, whether its profile equalises flooded lead. */
  readonly chargesToV?: number;
  readonly compensates?: boolean;
  readonly equalises?: boolean;
  /** An MPPT limits its current by itself; a PWM does or passes on all that the panel gives, where it is known. */
  readonly limits?: boolean | undefined;
}

/** The input of a controller or a power station survives the panel on the coldest morning. @param coldV open-circuit volts of the string, V */
export const inputSurvivesCold = (
  { name, maxInputV }: Pick<ChargedBy, 'name' | 'maxInputV'>,
  panel: string,
  coldV: number,
): Answer =>
  maxInputV !== undefined && coldV > maxInputV
    ? {
        severity: 'stop',
        sentence: `${panel} rises to ${coldV.toFixed(1)} V in the cold and ${name} survives ${maxInputV} V: it would be destroyed. Take a panel of fewer volts, fewer in series, or another controller.`,
        asks: `at most ${volts(maxInputV)}`,
        has: volts(coldV),
      }
    : null;

/** The controller carries what the panel gives. @param panelA short-circuit current of the panels together, A */
export function controllerCarries({ name, maxA, limits }: ChargedBy, panelA: number, bestA: number): Answer {
  if (maxA === undefined) return null;
  if (!limits && panelA > maxA) {
    const known = limits === false;
    return {
      severity: known ? 'stop' : 'look',
      sentence: known
        ? `The panel gives up to ${amps(panelA)} and ${name} is made for ${amps(maxA)} and does not limit it. Take fewer panels or a larger controller.`
        : `The panel gives up to ${amps(panelA)} and ${name} is made for ${amps(maxA)}; whether it limits its current is not entered. Look it up in its manual, or take fewer panels or a larger controller.`,
      asks: `at most ${amps(maxA)}`,
      has: amps(panelA),
    };
  }
  return limits && bestA >= maxA
    ? {
        severity: 'note',
        sentence: `In the best hours ${name} is at its limit of ${amps(maxA)}: part of the panel is carried for nothing.`,
        asks: `under ${amps(maxA)}`,
        has: amps(bestA),
      }
    : null;
}

/** The load terminals carry the radio's key-down current. @param needA key-down, A */
export const terminalsCarry = ({ name, loadA }: Pick<ChargedBy, 'name' | 'loadA'>, needA: number): Answer =>
  loadA === undefined
    ? {
        severity: 'stop',
        sentence: `${name} may have load terminals, but what they carry is not entered. Put the radio straight on the battery, with its own fuse, or enter their limit.`,
        asks: `at least ${amps(needA)}`,
        has: 'not known',
        remedy: { words: 'the radio on the battery', offTerminals: true },
      }
    : needA > loadA
      ? {
          severity: 'stop',
          sentence: `Key-down takes ${amps(needA)} and the load terminals of ${name} carry ${amps(loadA)}. Put the radio straight on the battery, with its own fuse.`,
          asks: `at most ${amps(loadA)}`,
          has: amps(needA),
          remedy: { words: 'the radio on the battery', offTerminals: true },
        }
      : null;

/** What was heard of a controller beside the radio; null where nobody has listened. */
export const controllerNoise = (name: string, heard: readonly { readonly band: string }[] | null): Answer =>
  heard === null
    ? {
        severity: 'note',
        sentence: `${name} has not been checked for noise: some controllers hiss on the upper bands. Note in Rehearse what you hear.`,
        asks: 'listened on each band',
        has: 'not yet',
      }
    : heard.length > 0
      ? {
          severity: 'look',
          sentence: `${name} was heard on ${heard.map(({ band }) => band).join(', ')}. Take the panel off while listening there, or keep the controller away from the antenna.`,
          asks: 'quiet on every band',
          has: `heard on ${heard.length}`,
        }
      : null;

/** The solar input of a power station: its volts are entered, and what it takes more than the panels give is no harm. */
export const powerStationInputKnown = (
  { name, maxInputV }: { readonly name: string; readonly maxInputV?: number },
  panel: string,
  coldV: number,
): Answer =>
  maxInputV === undefined
    ? {
        severity: 'look',
        sentence: `How many volts the solar input of ${name} survives is not entered, and ${panel} rises to ${volts(coldV)} in the cold. Many inputs end at 28 V: look at its label before you plug it in.`,
        asks: `at least ${volts(coldV)}`,
        has: 'not entered',
      }
    : null;

/** Direct current that gives a shock and draws an arc, V. Source: the usual limit of extra-low voltage for direct current. */
const SHOCK_V = 60;

/** A string of panels stays below the volts that hurt. @param coldV open-circuit volts of the string in the cold, V */
export const belowShock = (panel: string, coldV: number): Answer =>
  coldV > SHOCK_V
    ? {
        severity: 'look',
        sentence: `${panel} rises to ${volts(coldV)} in the cold: over ${SHOCK_V} V direct current gives a shock, and a plug that is pulled in the light draws an arc. Put them in parallel, or keep every contact covered and leave the wiring to local codes and licensed practice.`,
        asks: `at most ${SHOCK_V} V`,
        has: volts(coldV),
      }
    : null;

/** From so many strings on, all others together can burn a single one. Source: usual practice of photovoltaic wiring. */
const STRINGS_WITH_FUSES = 3;
/** A string's fuse over its short-circuit current. Source: usual practice of photovoltaic wiring, 1.25 x 1.25. */
const STRING_MARGIN = 1.25;

/** Three or more strings in parallel have a fuse each. @param stringA short-circuit current of one, A */
export function stringsFused(
  panel: string,
  strings: number,
  stringA: number,
  fuseA: number | undefined,
): Answer {
  if (strings < STRINGS_WITH_FUSES || fuseA !== undefined) return null;
  const chosen = smallestFuse(STRING_MARGIN * stringA);
  return {
    severity: 'look',
    sentence: `${strings} strings of ${panel} lie in parallel: in a shorted one the others’ current meets, more than its cable is made for. Give each a fuse, of the size on its label.`,
    asks: 'a fuse in each string',
    has: 'not entered',
    ...(chosen !== null && {
      remedy: { words: `a ${sayRated(chosen)} fuse in each string`, stringFuseA: chosen },
    }),
  };
}
