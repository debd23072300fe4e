import { chemistryOf, isLead, isLithium, isPrimary, type ChemistryName } from '../battery/chemistry.js';
import { leadFreezesAt } from '../battery/freezing.js';
import { setPointVolts } from '../battery/most-volts.js';
import { sayQuantity } from '../say/quantity.js';
import type { Answer } from './check.js';
import { amps, degrees, volts } from './say.js';
import type { ChargedBy } from './sun-checks.js';

/** A battery as a charge meets it. */
export interface Chargeable {
  readonly name: string;
  readonly chemistry: ChemistryName;
  readonly cellsInSeries: number;
  /** Its protection keeps a charge out below freezing; undefined if not entered. */
  readonly coldProtected?: boolean;
  /** The cells of a power station, whose electronics decide. */
  readonly hasSocket?: boolean;
}

/** Cells that cannot be charged are connected to no panel and no charger, at any temperature. */
export const neverCharged = ({ name, chemistry }: Chargeable): Answer =>
  isPrimary(chemistry)
    ? {
        severity: 'stop',
        sentence: `${name} must not be charged (${chemistryOf(chemistry).label}): the cells leak or burst. Take the panel or the charger off.`,
        asks: 'no charge',
        has: 'a panel or a charger',
      }
    : null;

/** What happens to a battery that is charged in the cold. */
const coldHarm = (chemistry: ChemistryName): string =>
  isLithium(chemistry)
    ? 'lithium plates out on the cells and stays there, without a sign'
    : 'the cells gas and lose capacity';

/** Lithium and NiMH are not charged below freezing unless something keeps the charge out. @param coldC lowest temperature of the outing, C */
export function chargedCold(
  { name, chemistry, coldProtected, hasSocket }: Chargeable,
  coldC: number,
): Answer {
  if (coldC >= 0 || chemistryOf(chemistry).charge?.belowFreezing !== 0) return null;
  const has = degrees(coldC);
  if (coldProtected) {
    return {
      severity: 'note',
      sentence: `Down to ${has} the protection of ${name} keeps a charge out: the sun helps only what is switched on.`,
      asks: `at least ${degrees(0)}`,
      has,
    };
  }
  if (hasSocket && coldProtected === undefined) {
    return {
      severity: 'look',
      sentence: `At ${has} the cells of ${name} must not be charged, and whether its electronics refuse a charge then is not entered. Read its manual, or keep it above freezing while it charges.`,
      asks: `at least ${degrees(0)}`,
      has,
    };
  }
  const known =
    coldProtected === false
      ? 'Nothing keeps the charge out'
      : 'Whether its protection keeps a charge out is not entered';
  return {
    severity: 'stop',
    sentence: `At ${has} ${name} must not be charged: ${coldHarm(chemistry)}. ${known}, and an ordinary controller charges it all the same. Keep it above freezing, take what charges it off while it freezes, or take a battery that is protected against it.`,
    asks: `at least ${degrees(0)}`,
    has,
  };
}

/** Lithium is not charged above this, C. Source: makers' practice. */
const HOT_C = 45;
/** How much warmer than the air a dark bag in the sun is, K. Source: convention of this project, docs/model.md. */
const DARK_BAG_K = 15;

/** Lithium is not charged in the heat, nor in a dark bag in the sun. @param hotC highest temperature of the outing, C */
export const chargedHot = ({ name, chemistry }: Chargeable, hotC: number): Answer =>
  isLithium(chemistry) && hotC + DARK_BAG_K > HOT_C
    ? {
        severity: 'look',
        sentence:
          hotC > HOT_C
            ? `At ${degrees(hotC)} ${name} should not be charged: above ${degrees(HOT_C)} it ages fast, and its protection may open. Charge in the cool of the day.`
            : `At ${degrees(hotC)} a dark bag in the sun gets hotter than the ${degrees(HOT_C)} up to which ${name} may be charged. Keep it in the shade, in the open.`,
        asks: `at most ${degrees(HOT_C)}`,
        has: degrees(hotC),
      }
    : null;

/** Lead that is empty freezes. @param lowestSoc lowest charge of the outing, 0 to 1; @param coldC its lowest temperature, C */
export function freezes({ name, chemistry }: Chargeable, lowestSoc: number | null, coldC: number): Answer {
  if (!isLead(chemistry) || lowestSoc === null) return null;
  const freezesAt = leadFreezesAt(lowestSoc);
  return coldC < freezesAt
    ? {
        severity: 'stop',
        sentence: `${name} falls to ${sayQuantity({ value: lowestSoc, unit: 'share' })}, at which its acid freezes at ${degrees(freezesAt)}, and it gets ${degrees(coldC)}: ice cracks its plates and its case. Keep it warmer or fuller.`,
        asks: `at least ${degrees(freezesAt)}`,
        has: degrees(coldC),
      }
    : null;
}

/** What too much current does to a battery that is charged. */
export const chargeHarm = (chemistry: ChemistryName): string =>
  isLead(chemistry)
    ? 'it would gas and dry out'
    : isLithium(chemistry)
      ? 'its protection would open'
      : 'its cells would heat up';

/** What a battery may be charged with, A. */
export interface Charged {
  readonly name: string;
  readonly chemistry: ChemistryName;
  readonly maxChargeA: number;
  /** Whether its maker states that limit, or it is the usual one of its kind. */
  readonly isEntered: boolean;
}

/** Below freezing the usual limit of lead is halved; this takes it back. */
const COLD_LEAD_HALVED = 2;

/**
 * The battery takes the current that the controller can bring. A maker's limit that is passed is a stop; a usual one, and lead, whose charge
 * falls by itself once the controller holds its volts, is worth a look.
 *
 * @param bringsA the most that lasts, by the hardware, A (see controllerLastingAmps)
 * @param isCold below freezing, where lead is charged with half of its usual limit: above that it only charges less well
 */
export function batteryAccepts(
  controller: string,
  { name, chemistry, maxChargeA, isEntered }: Charged,
  bringsA: number,
  isCold = false,
): Answer {
  const mostA = isCold && isLead(chemistry) && !isEntered ? COLD_LEAD_HALVED * maxChargeA : maxChargeA;
  if (bringsA <= mostA + 1e-9) return null;
  const harm = isLithium(chemistry)
    ? 'its protection would open, in full sun and under load'
    : chargeHarm(chemistry);
  const limit = isEntered ? 'may be charged with' : 'is of a kind that usually takes';
  return {
    severity: isEntered && !isLead(chemistry) ? 'stop' : 'look',
    sentence: `${controller} can bring ${amps(bringsA)} and ${name} ${limit} ${amps(maxChargeA)}: ${harm}. Set a lower limit in the controller, or take a smaller panel, a smaller controller or a larger battery.`,
    asks: `at most ${amps(maxChargeA)}`,
    has: amps(bringsA),
  };
}

/** The controller has a charge profile for the battery; one that nobody has named is not there until somebody does. */
export function chargeProfile({ name, profiles }: ChargedBy, battery: Chargeable): Answer {
  const { chemistry } = battery;
  const asks = chemistryOf(chemistry).label;
  if (isPrimary(chemistry) || profiles?.includes(chemistry)) return null;
  if (profiles) {
    return {
      severity: 'stop',
      sentence: `${name} has no charge profile for ${battery.name} (${asks}): it could overcharge it, or never fill it. Take a controller that has one.`,
      asks,
      has: profiles.map((one) => chemistryOf(one).label).join(', ') || 'none',
    };
  }
  return chemistry === 'nimh'
    ? {
        severity: 'stop',
        sentence: `Whether ${name} has a charge profile for NiMH is not entered, and few have: such cells need an end of charge by the fall of their volts, by the rise of their temperature or by a timer, or they gas and overheat. Take one that has it, or charge at home.`,
        asks,
        has: 'not entered',
      }
    : {
        severity: 'look',
        sentence: `Which batteries ${name} can charge is not entered: look up whether it has a profile for ${battery.name} (${asks}), and set it.`,
        asks,
        has: 'not entered',
      };
}

/** The set point may be this much over or under what a battery wants, V. Source: convention of this project, docs/model.md. */
const SET_POINT_OVER_V = { lithium: 0.2, other: 0.3 } as const;
const SET_POINT_UNDER_V = 0.5;

/** What the controller charges up to fits the battery at the outing's temperature. */
export function setPointFits(
  { name, chargesToV }: ChargedBy,
  battery: Chargeable,
  temperatureC: number,
): Answer {
  const wantsV = setPointVolts(battery, temperatureC);
  if (chargesToV === undefined || wantsV === null) return null;
  const over = chargesToV - wantsV;
  const lithium = isLithium(battery.chemistry);
  if (over <= SET_POINT_OVER_V[lithium ? 'lithium' : 'other'] && over >= -SET_POINT_UNDER_V) return null;
  const at = isLead(battery.chemistry) ? ` at ${degrees(temperatureC)}` : '';
  const harm =
    over < 0
      ? 'it would never be full'
      : lithium
        ? 'its protection would open, or the cells be overcharged'
        : 'it would gas and dry out';
  return {
    severity: over > 0 && lithium ? 'stop' : 'look',
    sentence: `${name} charges up to ${volts(chargesToV)} and ${battery.name} should be charged up to ${volts(wantsV)}${at}: ${harm}. Set it to that.`,
    asks: volts(wantsV),
    has: volts(chargesToV),
  };
}

/** A controller that cannot wake a battery whose protection has opened leaves it asleep in full sun. */
export function wakesBattery(
  { name, wakesBattery: wakes }: ChargedBy,
  { chemistry }: Chargeable,
  isUnattended: boolean,
): Answer {
  if (!isLithium(chemistry) || wakes) return null;
  if (wakes === undefined) {
    return isUnattended
      ? {
          severity: 'look',
          sentence: `Whether ${name} wakes a battery that has cut itself off is not entered, and nobody is there to do it. Look it up in its manual.`,
          asks: 'wakes a battery',
          has: 'not entered',
        }
      : null;
  }
  return {
    severity: isUnattended ? 'look' : 'note',
    sentence: `Once the battery has cut itself off, ${name} cannot wake it: the sun of the next day would not help. Switch off before that, or carry what wakes it.`,
    asks: 'wakes a battery',
    has: 'does not',
  };
}
