import type { Finding } from './findings.js';

/** What stops a plan first. */
export type Binding = 'floor' | 'radioDropout' | 'cutoff';

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
}

export interface Verdict {
  readonly blaze: Blaze;
  /** Whether the pack carries the plan to its end. */
  readonly lasts: boolean;
  /** When the outing ends as planned, UTC epoch ms. */
  readonly planEndMs: number;
  /** When the plan ends for want of charge or volts, UTC epoch ms; null where it lasts. */
  readonly endMs: number | null;
  /** Which end point came first; null where it lasts. */
  readonly binds: Binding | null;
  /** State of charge when it ends too soon, 0 to 1; null where it lasts. */
  readonly stopSoc: number | null;
  readonly floorMs: number | null;
  readonly radioDropoutMs: number | null;
  readonly cutoffMs: number | null;
  /** Charge above the reserve at the plan's end, Ah at the rated current; negative: what its rest lacks. */
  readonly marginAh: number;
  /** That charge at the plan's mean current, h; negative: how long before the plan's end it stops. */
  readonly marginHours: number;
  /** Lowest state of charge within the plan, and when, UTC epoch ms. */
  readonly lowestSoc: number;
  readonly lowestMs: number;
  /** State of charge at the plan's end, as marched. */
  readonly endSoc: number;
  /** Lowest volts at the radio at a block's largest current, up to the verdict's end; null where it is never on. */
  readonly lowestRadioV: number | null;
  /** All that the plan would draw, Ah, and its mean, A. */
  readonly plannedAh: number;
  readonly meanA: number;
  readonly consumers: readonly { readonly name: string; readonly ampereHours: number }[];
  /** Null without a source. */
  readonly sun: SunVerdict | null;
  readonly findings: readonly Finding[];
}
