import type { ChemistryName } from '../battery/chemistry.js';
import type { PlanInput, PlannedPack } from '../forecast/plan-input.js';
import type { Proof } from '../wet/proof.js';
import type { SunPlan } from '../sun/harvest.js';

/** What a choice weighs and costs; null where its card does not say. */
export interface Burden {
  readonly grams: number | null;
  readonly price: number | null;
  /** What of it is still to buy; what is owned costs nothing. Its price where absent. */
  readonly toBuy?: number | null;
  readonly litres: number | null;
  /** Single things to carry and to lose. */
  readonly pieces: number;
  /** What the weakest of it stands of water; null where not entered, absent where there is nothing to get wet. */
  readonly proof?: Proof | null;
}

/** A battery part of a kit: packs in parallel as one, or used in turn. */
export interface BatteryChoice extends Burden {
  readonly name: string;
  readonly packs: readonly PlannedPack[];
  readonly chemistry: ChemistryName;
  /** A power station, which brings an input for a panel. */
  readonly isPowerStation: boolean;
  /** Why it cannot be used with this plan, in a sentence; null where it can. */
  readonly barred: Reason | null;
}

/** How much hand a panel wants: none, propped once, turned. */
export type Effort = 0 | 1 | 2;

/** A sun part of a kit: panels on a controller, laid out some way; or none at all. */
export interface SunChoice extends Burden {
  readonly name: string;
  readonly effort: Effort;
  /** What its controller draws all hours, A. */
  readonly selfUseA: number;
  /** It charges through the power station's own input. */
  readonly throughPowerStation: boolean;
  /** For each chemistry the panel in its place, or why not; null without a panel. */
  readonly by: Readonly<Partial<Record<ChemistryName, SunPlan | Reason>>> | null;
}

/** A rule that bars a choice, and a sentence why. */
export interface Reason {
  readonly rule: string;
  readonly sentence: string;
}

export const isReason = (of: SunPlan | Reason): of is Reason => 'rule' in of;

/** All that kits can be made of, around a plan without battery and panel of its own. */
export interface SizeSpace {
  readonly plan: PlanInput;
  /** Lowest temperature of the outing, C; the plan's own if absent. */
  readonly coldC?: number;
  readonly batteries: readonly BatteryChoice[];
  /** The first is none at all. */
  readonly suns: readonly SunChoice[];
}

/** What a kit may weigh, cost, take up and consist of. */
export interface KitLimits {
  readonly grams?: number;
  readonly price?: number;
  readonly litres?: number;
  readonly pieces?: number;
  /** The least that all of it stands of water. */
  readonly proof?: Proof;
}
