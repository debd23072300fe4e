import { chemistryOf, fullVolts, type ChemistryName } from '../battery/chemistry.js';
import type { Answer } from './check.js';
import { volts } from './say.js';

/** A radio as its supply is looked at. */
export interface Supplied {
  readonly name: string;
  /** Lowest volts for full power, volts it shuts off at, and volts it must never see more of, where known. */
  readonly fullPowerV?: number;
  readonly dropoutV: number;
  readonly maxV?: number;
}

/** At the planning floor the radio still gets what it needs for full power, key down. @param keyDownV at the radio, V */
export function fullPowerAtFloor({ name, fullPowerV, dropoutV }: Supplied, keyDownV: number): Answer {
  if (keyDownV < dropoutV) {
    return {
      severity: 'stop',
      sentence: `With the battery at its reserve, key-down leaves ${volts(keyDownV)} at ${name} and it shuts off at ${volts(dropoutV)}. A shorter or thicker lead, or less power, keeps it on.`,
      asks: `at least ${volts(dropoutV)}`,
      has: volts(keyDownV),
    };
  }
  return fullPowerV !== undefined && keyDownV < fullPowerV
    ? {
        severity: 'look',
        sentence: `With the battery at its reserve, key-down leaves ${volts(keyDownV)} at ${name}, under the ${volts(fullPowerV)} it needs for full power. A shorter or thicker lead, or less power, helps.`,
        asks: `at least ${volts(fullPowerV)}`,
        has: volts(keyDownV),
      }
    : null;
}

/** A battery as its highest volts are reckoned. */
export interface Filled {
  readonly name: string;
  readonly chemistry: ChemistryName;
  readonly cellsInSeries: number;
}

/** The radio survives the volts at which the battery is charged while both are joined. */
export function survivesCharging({ name, maxV }: Supplied, battery: Filled): Answer {
  const { absorptionV, tableCells, label } = chemistryOf(battery.chemistry);
  if (maxV === undefined || absorptionV === null) return null;
  const highest = (absorptionV * battery.cellsInSeries) / tableCells;
  return highest > maxV
    ? {
        severity: 'stop',
        sentence: `While ${battery.name} is charged it stands at up to ${volts(highest)} (${label}), and ${name} must never see more than ${volts(maxV)}. Charge with the radio off it, or put a regulator between.`,
        asks: `at most ${volts(maxV)}`,
        has: volts(highest),
      }
    : null;
}

/** The radio survives the battery as it comes off the charger: four lithium-ion cells in series stand at 16.7 V. */
export function survivesFullBattery({ name, maxV }: Supplied, battery: Filled): Answer {
  const full = fullVolts(battery.chemistry, battery.cellsInSeries);
  return maxV !== undefined && full > maxV
    ? {
        severity: 'stop',
        sentence: `${battery.name} stands at up to ${volts(full)} when it is full, and ${name} must never see more than ${volts(maxV)}: it could be destroyed. Take a pack of fewer cells or put a regulator between.`,
        asks: `at most ${volts(maxV)}`,
        has: volts(full),
      }
    : null;
}
