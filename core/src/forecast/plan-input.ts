import type { PackLabel } from '../battery/battery-pack.js';
import type { PlannedFeed } from '../charge-up/feed.js';
import type { InternalBattery } from '../load/internal-battery.js';
import type { AccessoryLoad, WorkBlock } from '../load/load-series.js';
import type { ActivityName } from '../load/activity.js';
import type { Mode } from '../load/mode.js';
import type { OverFactors, RadioFigures, Assumption } from '../load/assumption.js';
import type { Trust } from '../source.js';
import type { Span } from '../span.js';
import type { SunPlan } from '../sun/harvest.js';
import type { Outlook } from '../weather/outlook.js';
import type { Wiring } from '../wire/cable-runs.js';

/** A block of operating with the words that its sum is told in. */
export interface PlannedBlock extends WorkBlock, OverFactors {
  /** For example "CW 10 W". */
  readonly label: string;
  readonly mode?: Mode;
  readonly activity?: ActivityName;
  /** Where its duty cycle comes from; somebody's word if absent. */
  readonly shareFrom?: Trust;
  /** Rated otherwise than the plan; as the plan if absent. */
  readonly assumption?: Assumption;
}

export interface PlannedRadio {
  /** Id of the gear that it is, where it is one. */
  readonly gear?: string;
  readonly name: string;
  readonly figures: RadioFigures;
  /** Volts below which it shuts off or its output collapses. */
  readonly dropoutV: number;
  /** Lowest volts for full power, where known. */
  readonly fullPowerV?: number;
  /** Volts that it must never see more of, where known. */
  readonly maxV?: number;
  /** A battery of its own, where it has one. */
  readonly internal?: InternalBattery;
}

/** A radio with the hours that it is worked. */
export interface PlannedPosition {
  readonly radio: PlannedRadio;
  /** Ascending, without overlap, inside the outing. */
  readonly blocks: readonly PlannedBlock[];
}

export interface PlannedPack {
  /** Id of the gear that it is, where it is one. */
  readonly gear?: string;
  /** Name with count, for example "2 x Shale 9". */
  readonly name: string;
  readonly label: PackLabel;
  /** State of charge at the start and the reserve, 0 to 1. */
  readonly startSoc: number;
  readonly reserveSoc: number;
  /** Where its capacity comes from; the rating on its label if absent. */
  readonly capacityFrom?: Trust;
  /** Where its resistance comes from; assumed, from the chemistry's table, if absent. */
  readonly resistanceFrom?: Trust;
  /** Largest steady and momentary discharge current, A, where the label states them. */
  readonly continuousA?: number;
  readonly peakA?: number;
  /** How long the momentary one may last, s, where the label states it. */
  readonly peakS?: number;
}

/** How gear that nobody reaches comes back after it was taken off. */
export interface PlannedRestart {
  /** Volts at the terminals, while charging, at which it does; infinite where it never does. */
  readonly reconnectV: number;
  /** Share of the wanted hours that it is meant to be up, 0 to 1. */
  readonly targetUp: number;
}

/** What a controller may and may not do besides charging. */
export interface PlannedController {
  readonly name: string;
  /** Whether it can wake a battery whose protection has cut it off, where known. */
  readonly wakesBattery?: boolean;
  /** What its load terminals carry, A, where it has them. */
  readonly loadA?: number;
}

/** A resolved plan: plain numbers, all gear looked up, every default filled in. */
export interface PlanInput {
  readonly outing: Span;
  readonly stepMs: number;
  /** Instants at which a step begins besides, UTC epoch ms: when something was read or noted. */
  readonly momentsMs?: readonly number[];
  readonly radio: PlannedRadio;
  readonly assumption: Assumption;
  /** Ascending, without overlap, inside the outing. */
  readonly blocks: readonly PlannedBlock[];
  /** More operating positions that share the batteries: a second operator, a relay. */
  readonly others?: readonly PlannedPosition[];
  /** Of several operating positions one sends at a time; all may at once if absent. */
  readonly oneSpeaks?: boolean;
  readonly accessories: readonly AccessoryLoad[];
  /** One pack (or several in parallel as one), or several that are used in turn; at least one. */
  readonly packs: readonly PlannedPack[];
  /** The sun charges a pack that is not in use, as on a charger of its own. */
  readonly chargeIdle?: boolean;
  /** The loads come back by themselves; absent where a plan ends with what ends it. Not with several packs in turn. */
  readonly restart?: PlannedRestart;
  readonly temperatureC: number;
  readonly wiring: Wiring;
  /** The radio is fed on the controller's load terminals instead of straight on the battery. */
  readonly onLoadTerminals?: boolean;
  readonly controller?: PlannedController;
  /** Where the outing is, where known. */
  readonly site?: { readonly latitudeDeg: number; readonly longitudeDeg: number };
  /** A panel in its place behind its controller; absent for none. */
  readonly sun?: SunPlan;
  /** How well its sky is known; certain, as it is told, if absent. */
  readonly outlook?: Outlook;
  /** The chance that it is meant to have, 0 to 1; nine in ten if absent. */
  readonly targetChance?: number;
  /** Chargers that are on during it; none if absent. */
  readonly feeds?: readonly PlannedFeed[];
  /** Current from another source at an instant, A; absent for none. Sampled at each step's middle. */
  readonly offeredA?: (timeMs: number) => number;
  /** What the plan rests on besides measured figures and labels, in words. */
  readonly assumed: readonly string[];
  /** What is worth a word besides, in sentences. */
  readonly remarks?: readonly string[];
}

/** All operating positions of a plan, the first first. */
export const positionsOf = ({
  radio,
  blocks,
  others = [],
}: Pick<PlanInput, 'radio' | 'blocks' | 'others'>): readonly PlannedPosition[] => [
  { radio, blocks },
  ...others,
];

/** Resistance between the battery and the point where the loads part, and of the radio's own cable, ohm. */
export function loadCables({ wiring, onLoadTerminals }: PlanInput): { sharedOhm: number; radioOhm: number } {
  const shared = onLoadTerminals ? wiring.controller : wiring.distribution;
  return { sharedOhm: shared?.ohm ?? 0, radioOhm: wiring.radio?.ohm ?? 0 };
}
