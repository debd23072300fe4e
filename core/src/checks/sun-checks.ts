import { chemistryOf, type ChemistryName } from '../battery/chemistry.js';
import type { Answer } from './check.js';
import { amps, volts } from './say.js';

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
  /** Chemistries that it has a charge profile for; any if absent. */
  readonly profiles?: readonly ChemistryName[];
  readonly wakesBattery?: boolean;
  /** An MPPT limits its current by itself; a PWM does or passes on all that the panel gives, where it is known. */
  readonly limits?: boolean | undefined;
}

/** The controller's input survives the panel on the coldest morning. @param coldV open-circuit volts of the string, V */
export const inputSurvivesCold = ({ name, maxInputV }: ChargedBy, panel: string, coldV: number): Answer =>
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

/** What a battery may be charged with, A. */
export interface Charged {
  readonly name: string;
  readonly chemistry: ChemistryName;
  readonly maxChargeA: number;
  /** Whether its maker states that limit, or it is the usual one of its kind. */
  readonly isEntered: boolean;
}

/**
 * The battery takes what the controller can bring. A maker's limit that is passed is a stop; a usual one, and lead, whose charge
 * falls by itself once the controller holds its volts, is worth a look.
 *
 * @param bringsA the most that comes, by the hardware, A (see controllerRunAmps)
 */
export function batteryAccepts(
  controller: string,
  { name, chemistry, maxChargeA, isEntered }: Charged,
  bringsA: number,
): Answer {
  if (bringsA <= maxChargeA + 1e-9) return null;
  const isLead = chemistryOf(chemistry).belongsTo === 'lead';
  const harm = isLead ? 'it would gas and dry out' : 'its protection would open, in full sun and under load';
  const limit = isEntered ? 'may be charged with' : 'is of a kind that usually takes';
  return {
    severity: isEntered && !isLead ? 'stop' : 'look',
    sentence: `${controller} can bring ${amps(bringsA)} and ${name} ${limit} ${amps(maxChargeA)}: ${harm}. Set a lower limit in the controller, or take a smaller panel, a smaller controller or a larger battery.`,
    asks: `at most ${amps(maxChargeA)}`,
    has: amps(bringsA),
  };
}

/** The controller has a charge profile for the battery. */
export const chargeProfile = ({ name, profiles }: ChargedBy, chemistry: ChemistryName): Answer =>
  profiles && !profiles.includes(chemistry)
    ? {
        severity: 'stop',
        sentence: `${name} has no charge profile for this chemistry: it could overcharge the battery. Take a controller that has one.`,
        asks: chemistryOf(chemistry).label,
        has: profiles.map((one) => chemistryOf(one).label).join(', '),
      }
    : null;

/** A controller that cannot wake a battery whose protection has opened leaves it asleep in full sun. */
export const wakesBattery = ({ name, wakesBattery: wakes }: ChargedBy, chemistry: ChemistryName): Answer =>
  wakes === false && chemistryOf(chemistry).belongsTo === 'lithium'
    ? {
        severity: 'note',
        sentence: `Once the battery has cut itself off, ${name} cannot wake it: the sun of the next day would not help. Switch off before that, or carry what wakes it.`,
        asks: 'wakes a battery',
        has: 'does not',
      }
    : null;

/** The load terminals carry the radio's key-down current. @param needA key-down, A */
export const terminalsCarry = ({ name, loadA }: Pick<ChargedBy, 'name' | 'loadA'>, needA: number): Answer =>
  loadA === undefined
    ? {
        severity: 'stop',
        sentence: `${name} has no load terminals that anyone has described. Put the radio straight on the battery, with its own fuse, or say what they carry.`,
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
        sentence: `Nobody has listened for ${name} on the bands: some controllers hiss on the upper ones. Rehearse has the grid for it.`,
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
