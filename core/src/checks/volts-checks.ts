import { chemistryOf, isLead, isPrimary, type ChemistryName } from '../battery/chemistry.js';
import { fullRestVolts, mostChargingVolts, type ChargeShape, type Filled } from '../battery/most-volts.js';
import type { Answer } from './check.js';
import { UNSURE_V } from './model-error.js';
import { sayShare, volts } from './say.js';

/** A radio as its supply is looked at. */
export interface Supplied {
  readonly name: string;
  /** Lowest volts for full power, volts it shuts off at, and volts it must never see more of, where known. */
  readonly fullPowerV?: number;
  readonly dropoutV: number;
  readonly maxV?: number;
}

/** How the volts at a radio come about, key down, with the battery at the lowest charge that the plan reaches. */
export interface LowSupply {
  readonly keyDownV: number;
  /** Lost on the cables, V. */
  readonly lostV: number;
  readonly chemistry: ChemistryName;
  /** Whether the plan reaches the volts at which the radio shuts off; null if the plan cannot be calculated. */
  readonly getsThere: boolean | null;
  /** A converter or a socket that holds its volts; null if the radio is fed by the battery itself. */
  readonly regulator: string | null;
}

/** Less than this is not worth a thicker cable, V. */
const WORTH_MENDING_V = 0.2;

/** The fix: the cables if they lose it, otherwise the battery. */
function describeFix(limitV: number, { keyDownV, lostV, chemistry, regulator }: LowSupply): string {
  if (lostV >= WORTH_MENDING_V && keyDownV + lostV >= limitV) {
    return `The cables lose ${volts(lostV)}: take shorter or thicker ones, or use less power.`;
  }
  if (regulator !== null) return `Set ${regulator} to more volts, or feed the radio from the battery.`;
  if (isPrimary(chemistry))
    return 'Take more cells in series, change to a fresh set sooner, or use less power.';
  if (isLead(chemistry)) return 'Take a larger battery, or use less power.';
  return chemistry === 'nimh'
    ? 'Take one more cell in series, or use less power.'
    : 'Take a larger battery or one of more volts, or use less power.';
}

/** At the lowest charge that is reached the radio still gets the volts that it needs for full power, key down. */
export function fullPowerAtLowest({ name, fullPowerV, dropoutV }: Supplied, supply: LowSupply): Answer {
  const { keyDownV, getsThere, regulator } = supply;
  const has = volts(keyDownV);
  const leaves =
    regulator === null
      ? `With the battery at its lowest, key-down leaves ${has} at ${name}`
      : `${regulator} leaves ${has} at ${name} with the key down`;
  if (keyDownV < dropoutV - UNSURE_V) {
    return {
      severity: getsThere === false ? 'look' : 'stop',
      sentence: `${leaves}, and it shuts off at ${volts(dropoutV)}. ${describeFix(dropoutV, supply)}`,
      asks: `at least ${volts(dropoutV)}`,
      has,
    };
  }
  return fullPowerV !== undefined && keyDownV < fullPowerV - UNSURE_V
    ? {
        severity: 'look',
        sentence: `${leaves}, under the ${volts(fullPowerV)} that it needs for full power. ${describeFix(fullPowerV, supply)}`,
        asks: `at least ${volts(fullPowerV)}`,
        has,
      }
    : null;
}

/** All cables from the battery to a radio lose no more than this together, 0 to 1. Source: convention of this project. */
const MAX_TOTAL_DROP = 0.05;

/** The cables from battery to radio together lose no more than their share. @param lostV key down, V; @param fromV volts that they start with, V */
export const totalDropWithin = (name: string, lostV: number, fromV: number): Answer =>
  fromV > 0 && lostV > MAX_TOTAL_DROP * fromV + UNSURE_V
    ? {
        severity: 'look',
        sentence: `The cables to ${name} lose ${volts(lostV)} together with the key down, ${sayShare(lostV / fromV)}. Each is good enough alone: make the longest one thicker or shorter.`,
        asks: `at most ${sayShare(MAX_TOTAL_DROP)}`,
        has: sayShare(lostV / fromV),
      }
    : null;

/** What a radio stands where it is not entered: 13.8 V and 15 %, V. Source: usual in makers' sheets; convention of this project. */
export const ASSUMED_MOST_V = 13.8 * 1.15;
/** So far over an assumed limit there is no question any more. */
const SURELY_OVER = 1.05;
/** Under this over its limit a radio is over it; more may destroy it, V. */
const SLIGHTLY_OVER_V = 0.5;

/** What keeps the volts down. */
const lower = ({ chemistry, cellsInSeries }: Filled): string =>
  chemistry === 'liion' && cellsInSeries >= 4
    ? 'Put a regulator between, or take LiFePO4.'
    : chemistryOf(chemistry).charge === null
      ? 'Put a regulator between, or take one cell less.'
      : 'Put a regulator between.';

/** A converter or a socket that holds its volts, whatever the battery does. */
export interface RegulatedSupply {
  readonly name: string;
  /** Volts at its output without a load, V. */
  readonly volts: number;
}

/** A radio survives the volts of the converter or socket that feeds it. */
export function survivesSupply({ name, maxV }: Supplied, supply: RegulatedSupply): Answer {
  const mostV = maxV ?? ASSUMED_MOST_V;
  if (supply.volts <= mostV + 1e-9) return null;
  const isSure = maxV !== undefined || supply.volts > SURELY_OVER * ASSUMED_MOST_V;
  const limit =
    maxV !== undefined ? `maximum ${volts(mostV)}` : `maximum not entered, ${volts(mostV)} is assumed`;
  return {
    severity: isSure ? 'stop' : 'look',
    sentence: `The ${volts(supply.volts)} of ${supply.name} ${isSure ? 'would' : 'could'} destroy ${name} (${limit}). Set it to 13.8 V, or feed ${name} from the battery.`,
    asks: `at most ${volts(mostV)}`,
    has: volts(supply.volts),
  };
}

/** The output volts of a converter or a socket are entered. @param feeds what it feeds */
export const supplyVoltsEntered = (
  { name, volts: assumedV }: RegulatedSupply,
  isAssumed: boolean,
  feeds: readonly string[],
): Answer =>
  isAssumed && feeds.length > 0
    ? {
        severity: 'look',
        sentence: `The output voltage of ${name} is not entered; ${volts(assumedV)} is assumed. Too many volts would destroy ${feeds.join(' and ')}: read its label and enter it.`,
        asks: 'output voltage',
        has: 'not entered',
      }
    : null;

/** A converter that is named so only lowers its volts. */
const STEP_DOWN = /step.?down|\bbuck\b(?!.?boost)/i;

/**
 * A converter between the battery's lowest and highest volts has to raise them as well as lower them.
 *
 * @param lowV volts of the battery at its lowest, key down; @param highV while it is charged
 */
export function converterHoldsVolts(
  { name, volts: outV }: RegulatedSupply,
  lowV: number,
  highV: number,
): Answer {
  if (outV <= lowV || outV >= highV) return null;
  const isStepDown = STEP_DOWN.test(name);
  return {
    severity: isStepDown ? 'look' : 'note',
    sentence: `The battery falls to ${volts(lowV)}, under the ${volts(outV)} of ${name}. A step-down converter gives fewer volts then: take one that also steps up.`,
    asks: 'steps up and down',
    has: isStepDown ? 'steps down' : 'not entered',
  };
}

function tooMany(
  { name, maxV }: Supplied,
  highestV: number,
  describe: (highest: string) => string,
  help: string,
): Answer {
  const mostV = maxV ?? ASSUMED_MOST_V;
  const over = highestV - mostV;
  if (over <= 1e-9) return null;
  const isSure = maxV !== undefined ? over > UNSURE_V : highestV > SURELY_OVER * ASSUMED_MOST_V;
  const limit =
    maxV !== undefined
      ? `the maximum of ${name} is ${volts(mostV)}`
      : `the maximum supply voltage of ${name} is not entered; 13.8 V and 15 %, ${volts(mostV)}, is assumed`;
  const harm = over > SLIGHTLY_OVER_V ? 'It could be destroyed.' : 'That is over its limit.';
  return {
    severity: isSure ? 'stop' : 'look',
    sentence: `${describe(volts(highestV))}, and ${limit}. ${harm} ${help}`,
    asks: `at most ${volts(mostV)}`,
    has: volts(highestV),
  };
}

/** The radio survives the volts at which the battery is charged while both are joined. */
export function survivesCharging(radio: Supplied, battery: Filled, shape: ChargeShape): Answer {
  const highest = mostChargingVolts(battery, shape);
  if (highest === null) return null;
  const how =
    battery.chemistry === 'flooded' && shape.equalises
      ? 'While it is equalised'
      : isLead(battery.chemistry) && shape.temperatureC < 25
        ? 'While it is charged in the cold'
        : 'While it is charged';
  return tooMany(
    radio,
    highest,
    (most) => `${how}, ${battery.name} stands at up to ${most} (${chemistryOf(battery.chemistry).label})`,
    `Charge with the radio off it. Or: ${lower(battery).replace(/^Put/, 'put')}`,
  );
}

/** The radio survives a battery that has been off its charger for an hour: four lithium-ion cells in series stand at 16.8 V. */
export const survivesFullBattery = (radio: Supplied, battery: Filled, storedDays: number): Answer =>
  tooMany(
    radio,
    fullRestVolts(battery, storedDays),
    (most) => `Full, ${battery.name} stands at up to ${most}`,
    lower(battery),
  );
