import type { Availability } from '../march/availability.js';
import type { PlanEvent } from './events.js';
import type { Finding } from './finding.js';
import type { School } from './schools.js';

/** What stops a plan first. */
export type Binding = 'reserve' | 'radioDropout' | 'cutoff';

/** Fine, look here, or stop. */
export type Blaze = 'fine' | 'look' | 'stop';

/** What the sun, or another source, does for a plan. */
export interface SunVerdict {
  /** All that was offered at the battery, Ah, what of it was used, and what was neither needed nor accepted. */
  readonly offeredAh: number;
  readonly usedAh: number;
  readonly curtailedAh: number;
  /** Hours in which it gave at least what was drawn. */
  readonly balanceHours: number;
  /** The best step: its current, A, and its start, UTC epoch ms. */
  readonly bestA: number;
  readonly bestMs: number;
  /** What it gave beyond the load at the best step and, by day, at the worst, A; negative where the load was larger. */
  readonly bestSurplusA: number;
  readonly worstSurplusA: number;
  /**
   * The load that the sun of this outing would carry for ever: what it offers over whole days from the start, less what
   * charging loses of the part that goes through the battery, A; null for an outing of less than a day.
   */
  readonly balanceA: number | null;
}

/** How a plan ends: what of the verdict can be read off the march alone. */
export interface Outcome {
  /** Whether the packs carry the plan to its end. */
  readonly lasts: boolean;
  /** When the plan ends for want of charge or volts, UTC epoch ms; null where it lasts. */
  readonly endMs: number | null;
  /** Which end point came first; null where it lasts. */
  readonly binds: Binding | null;
  /**
   * Charge above the reserve at the plan's end, Ah at the rated current; negative: what its rest lacks, or with a restart what
   * was not carried.
   */
  readonly marginAh: number;
  /** That charge at the plan's mean current, h; negative: how long before the plan's end it stops, or how long it is down. */
  readonly marginHours: number;
  /** All that the plan would draw, Ah, and its mean, A. */
  readonly plannedAh: number;
  readonly meanA: number;
}

export interface Verdict extends Outcome {
  /** How much of the wanted hours it is up; only for gear that comes back by itself. */
  readonly availability: Availability | null;
  /** When the outing ends as planned, UTC epoch ms. */
  readonly planEndMs: number;
  /** State of charge of the pack in use when it ends too soon, 0 to 1; null where it lasts. */
  readonly stopSoc: number | null;
  readonly reserveMs: number | null;
  readonly radioDropoutMs: number | null;
  readonly cutoffMs: number | null;
  /** Lowest charge of all packs together within the plan, and when, UTC epoch ms. */
  readonly lowestSoc: number;
  readonly lowestMs: number;
  /** State of charge at the plan's end, as marched. */
  readonly endSoc: number;
  /** Reserve of all packs together, 0 to 1. */
  readonly reserveSoc: number;
  /** Lowest volts at the radio at a block's largest current, up to the verdict's end; null where it is never on. */
  readonly lowestRadioV: number | null;
  /** All that the plan would draw, Wh out of the packs. */
  readonly plannedWh: number;
  readonly consumers: readonly Consumed[];
  /** What chargers that are on meanwhile bring, Ah. */
  readonly fedAh: number;
  /** Null without a panel. */
  readonly sun: SunVerdict | null;
  /** The three schools of usable capacity, read off the same run. */
  readonly schools: readonly School[];
  readonly events: readonly PlanEvent[];
  readonly findings: readonly Finding[];
}

/** What one consumer takes out of the packs over the plan. */
export interface Consumed {
  readonly name: string;
  readonly ampereHours: number;
  readonly wattHours: number;
}
