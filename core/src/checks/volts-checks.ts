import { chemistryOf, isLead, isPrimary, type ChemistryName } from '../battery/chemistry.js';
import { fullRestVolts, mostChargingVolts, type ChargeShape, type Filled } from '../battery/most-volts.js';
import type { Answer } from './check.js';
import { UNSURE_V } from './model-error.js';
import { volts } from './say.js';

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
  /** What of it the cables lose, V. */
  readonly lostV: number;
  readonly chemistry: ChemistryName;
  /** The plan itself gets to where the radio shuts off. */
  readonly getsThere: boolean;
}

/** Less than this is not what the cables are to blame for, V. */
const WORTH_MENDING_V = 0.2;

/** What helps: the cables where they lose it, else the battery. */
function remedyWords(limitV: number, { keyDownV, lostV, chemistry }: LowSupply): string {
  if (lostV >= WORTH_MENDING_V && keyDownV + lostV >= limitV) {
    return `${volts(lostV)} of it are lost on the cables: shorter or thicker ones, or less power.`;
  }
  const cables = `The cables lose ${volts(lostV)} only: `;
  if (isPrimary(chemistry)) return `${cables}more cells in series or a fresh set sooner, or less power.`;
  if (isLead(chemistry)) return `${cables}a larger battery, or less power.`;
  return chemistry === 'nimh'
    ? `${cables}one more cell in series, or less power.`
    : `${cables}a larger battery or one of more volts, or less power.`;
}

/** At the lowest charge that is reached the radio still gets what it needs for full power, key down. */
export function fullPowerAtLowest({ name, fullPowerV, dropoutV }: Supplied, supply: LowSupply): Answer {
  const { keyDownV, getsThere } = supply;
  const has = volts(keyDownV);
  if (keyDownV < dropoutV - UNSURE_V) {
    return {
      severity: getsThere ? 'stop' : 'look',
      sentence: `With the battery at its lowest, key-down leaves ${has} at ${name}, and it shuts off at ${volts(dropoutV)}. ${remedyWords(dropoutV, supply)}`,
      asks: `at least ${volts(dropoutV)}`,
      has,
    };
  }
  return fullPowerV !== undefined && keyDownV < fullPowerV - UNSURE_V
    ? {
        severity: 'look',
        sentence: `With the battery at its lowest, key-down leaves ${has} at ${name}, under the ${volts(fullPowerV)} it needs for full power. ${remedyWords(fullPowerV, supply)}`,
        asks: `at least ${volts(fullPowerV)}`,
        has,
      }
    : null;
}

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

function tooMany(
  { name, maxV }: Supplied,
  highestV: number,
  words: (highest: string) => string,
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
    sentence: `${words(volts(highestV))}, and ${limit}. ${harm} ${help}`,
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
