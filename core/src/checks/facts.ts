import type { HarnessFlow } from '../harness/cable-run-figures.js';
import type { Disconnect, PackAge } from './battery-checks.js';
import type { CheckedCharger } from './charger-checks.js';
import type { Chargeable } from './charge-checks.js';
import type { Answer, Breach } from './check.js';
import type { RuleName } from './rules.js';
import type { StartUp } from './start-up.js';
import type { ChargedBy } from './sun-checks.js';
import type { Supplied } from './volts-checks.js';

/** A battery of the harness as the rules see it. */
export interface CheckedPack extends PackAge, Chargeable {
  readonly part: string;
  /** Mean load and key-down, and the limits of the label, A. */
  readonly meanA: number;
  readonly keyDownA: number;
  readonly continuousA?: number;
  readonly peakA?: number;
  readonly protects?: boolean;
  /** Volts at which its own protection opens, where they are entered. */
  readonly cutoffV?: number;
  /** Largest charge current at the outing's temperature, A, and whether its maker states it; absent where it must not be charged. */
  readonly maxChargeA?: number;
  readonly chargeEntered?: boolean;
  /** Regulated: the socket of a power station, and what it gives, A. */
  readonly socketA?: number;
  readonly hasSocket: boolean;
  /** Volts of the socket, V, and whether they are entered or assumed. */
  readonly socketV?: number;
  readonly socketEntered?: boolean;
  /** A power station switches itself off below this, W, and the least that is drawn while it is worked, W. */
  readonly sleepsBelowW?: number;
  readonly leastW?: number;
  /** The most power of the first radio that its limit allows, W; absent where none does, or no limit is entered. */
  readonly allowedW?: number;
  readonly capacityAh: number;
  readonly wattHours: number;
  readonly soc: number;
  /** Lowest charge that the plan takes it to, 0 to 1; null where it was not marched. */
  readonly lowestSoc: number | null;
  /** Small cells in a holder rather than a battery. */
  readonly ofCells: boolean;
}

/** A panel, or several as they are joined. */
export interface CheckedPanel {
  readonly part: string;
  readonly name: string;
  /** Volts at the greatest power and without load, of a string at 25 C as its label has them, V. */
  readonly labelVmpV: number;
  readonly labelVocV: number;
  /** Open-circuit volts on the coldest morning, V, short-circuit current of all and of one string, and the best hour's charge, A. */
  readonly coldV: number;
  readonly shortA: number;
  readonly stringA: number;
  readonly strings: number;
  readonly bestA: number;
}

/** Everything that a harness is held against, besides what it is made of. */
export interface HarnessFacts {
  readonly flow: HarnessFlow;
  readonly packs: readonly CheckedPack[];
  /** Whether the packs are in parallel, rather than being used one after the other. */
  readonly inParallel: boolean;
  readonly radios: readonly (Supplied & { readonly part: string; readonly mostW: number })[];
  readonly controllers: readonly (ChargedBy & {
    readonly part: string;
    /** Bands on which it was heard; null where nobody has listened. */
    readonly heard: readonly { readonly band: string }[] | null;
    /** It charges single cells on USB: volts a cell at which it ends, and whether it charges a set that waits. */
    readonly ofCells?: { readonly endsV?: number; readonly oneWaits: boolean };
    /** Whether the radio hangs on its load terminals. */
    readonly hasLoads: boolean;
  })[];
  /** Solar inputs of power stations. */
  readonly inputs: readonly { readonly part: string; readonly name: string; readonly maxInputV?: number }[];
  readonly panels: readonly CheckedPanel[];
  /** A charger is connected on the way or out there, as a vehicle's is; those that charge in hours of the outing. */
  readonly hasCharger: boolean;
  readonly chargers: readonly CheckedCharger[];
  /** What takes much for a moment as it is switched on. */
  readonly startUps: readonly StartUp[];
  readonly inverters: readonly {
    readonly part: string;
    readonly name: string;
    readonly standingW: number;
    readonly hours: number;
  }[];
  readonly disconnects: readonly (Disconnect & { readonly part: string })[];
  /** Lowest and highest temperature of the outing, and that around the battery, C. */
  readonly coldC: number;
  readonly hotC: number;
  readonly temperatureC: number;
  /** Nobody is there to mend, switch or wake anything; it goes by air. */
  readonly isUnattended: boolean;
  readonly byAir: boolean;
  /** Whether the plan reaches the volts at which the radio shuts off; null if the plan cannot be calculated. */
  readonly getsToDropout: boolean | null;
  /** Days in store and what stays joined then, A. */
  readonly storedDays: number;
  readonly standingA: number;
  /** What is missing from the bag, by the part that stands for it. */
  readonly missing: readonly { readonly part: string; readonly name: string; readonly sentence: string }[];
  /** Why the currents are not known; null where they are. */
  readonly suspended: string | null;
}

/** A rule that is not kept, and where. */
export interface Check extends Breach {
  readonly rule: RuleName;
  /** The part, or the part that the run leads to; null for the kit as a whole. */
  readonly part: string | null;
  readonly on: 'run' | 'part' | 'kit';
}

/** A rule's answer with its place; null where the rule is kept. */
export const at = (rule: RuleName, part: string | null, on: Check['on'], answer: Answer): Check | null =>
  answer && { rule, part, on, ...answer };
