import type { ChemistryName } from '../battery/chemistry.js';
import { FUSE_KINDS, smallestFuse } from '../wire/fuses.js';
import type { Answer } from './check.js';
import type { ControllerKind } from '../panel/controller.js';
import { isLithium } from '../battery/chemistry.js';
import type { Chargeable } from './charge-checks.js';
import { amps, sayRated, sayShare, volts } from './say.js';

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
  readonly kind?: ControllerKind;
}

/** A step-down controller needs so many volts more at the panel than at the battery, V. Source: docs/model.md, section 3. */
const BUCK_HEADROOM_V = 1;
/** A PWM controller pulls the panel down to the battery's volts: with more than this times those, over a third is lost. */
const PWM_LOSS = 1.6;

/**
 * The panel's volts suit the controller and the battery.
 *
 * @param batteryV volts at which the battery is charged, V
 */
export function panelVoltsSuit(
  { name, kind }: ChargedBy,
  {
    name: panel,
    labelVmpV,
    labelVocV,
  }: { readonly name: string; readonly labelVmpV: number; readonly labelVocV: number },
  batteryV: number,
): Answer {
  const neededV = batteryV + BUCK_HEADROOM_V;
  if (kind !== 'boost' && labelVocV <= (kind === 'pwm' ? batteryV : neededV)) {
    return {
      severity: 'stop',
      sentence: `${panel} gives at most ${volts(labelVocV)} and cannot charge a battery at ${volts(batteryV)} through ${name}. Put panels in series, or take a controller that steps up.`,
      asks: `over ${volts(neededV)}`,
      has: volts(labelVocV),
    };
  }
  if (kind === 'mppt' && labelVmpV <= neededV) {
    return {
      severity: 'look',
      sentence: `${panel} works best at ${volts(labelVmpV)}, too near the ${volts(batteryV)} at which the battery is charged: it gives little, least in the heat. Put panels in series.`,
      asks: `over ${volts(neededV)}`,
      has: volts(labelVmpV),
    };
  }
  return kind === 'pwm' && labelVmpV > PWM_LOSS * batteryV
    ? {
        severity: 'look',
        sentence: `${name} is a PWM controller: it pulls ${panel} from ${volts(labelVmpV)} down to ${volts(batteryV)} and loses ${sayShare(1 - batteryV / labelVmpV)} of it. Take an MPPT controller, or a panel of about 18 V.`,
        asks: 'about 18 V for a 12 V battery',
        has: volts(labelVmpV),
      }
    : null;
}

/** Without a protection of single cells lithium is not charged on a panel. */
export const cellsProtected = (
  controller: string,
  { name, chemistry, protects }: Chargeable & { readonly protects?: boolean },
): Answer =>
  isLithium(chemistry) && protects === false
    ? {
        severity: chemistry === 'liion' ? 'stop' : 'look',
        sentence: `${name} has no protection, and ${controller} charges the pack as a whole: a single cell can be overcharged and ${chemistry === 'liion' ? 'burn' : 'swell'}. Fit a BMS that watches every cell.`,
        asks: 'a BMS',
        has: 'none',
      }
    : null;

/** A sealed battery is never equalised. */
export const notEqualised = ({ name, equalises }: ChargedBy, battery: Chargeable): Answer =>
  equalises && (battery.chemistry === 'agm' || battery.chemistry === 'gel')
    ? {
        severity: 'look',
        sentence: `${name} equalises, and ${battery.name} is sealed: it vents its water and dries out. Switch equalising off, or choose the profile for sealed batteries.`,
        asks: 'no equalising',
        has: 'equalises',
      }
    : null;

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
        sentence: `In the best hours ${name} is at its limit of ${amps(maxA)}: part of the panel is not used.`,
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
        remedy: { description: 'the radio on the battery', offTerminals: true },
      }
    : needA > loadA
      ? {
          severity: 'stop',
          sentence: `Key-down takes ${amps(needA)} and the load terminals of ${name} carry ${amps(loadA)}. Put the radio straight on the battery, with its own fuse.`,
          asks: `at most ${amps(loadA)}`,
          has: amps(needA),
          remedy: { description: 'the radio on the battery', offTerminals: true },
        }
      : null;

/** Noise of a controller on the bands of the radio. @param heard null if the user has not listened yet, which Rehearse asks for */
export const controllerNoise = (name: string, heard: readonly { readonly band: string }[] | null): Answer =>
  heard !== null && heard.length > 0
    ? {
        severity: 'look',
        sentence: `${name} is noisy on ${heard.map(({ band }) => band).join(', ')}. Take the panel off while you listen there, or keep the controller away from the antenna.`,
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

/** Vehicle fuses break direct current up to this, V; above it a string takes a photovoltaic fuse. */
const VEHICLE_FUSE_V = FUSE_KINDS.blade.mostV;

/** Three or more strings in parallel have a fuse each. @param stringA short-circuit current of one, A; @param coldV its open-circuit volts in the cold, V */
export function stringsFused(
  panel: string,
  strings: number,
  stringA: number,
  fuseA: number | undefined,
  coldV: number,
): Answer {
  if (strings < STRINGS_WITH_FUSES || fuseA !== undefined) return null;
  const isHigh = coldV > VEHICLE_FUSE_V;
  const chosen = smallestFuse(STRING_MARGIN * stringA, isHigh ? FUSE_KINDS.pv.ratingsA : undefined);
  const kind = isHigh ? 'photovoltaic fuse' : 'fuse';
  return {
    severity: 'look',
    sentence: `${strings} strings of ${panel} are in parallel: the others drive more current through a shorted one than its cable stands. Give each a ${kind}, of the size on its label.`,
    asks: 'a fuse in each string',
    has: 'not entered',
    ...(chosen !== null && {
      remedy: { description: `a ${sayRated(chosen)} ${kind} in each string`, stringFuseA: chosen },
    }),
  };
}
