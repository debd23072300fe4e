import type { Answer, Severity } from '../checks/check.js';
import type { BatteryPack } from '../battery/battery-pack.js';
import type { LoadSeries } from '../load/load-series.js';
import type { March } from '../march/march-data.js';
import type { PlanEvent } from './events.js';
import type { PlanInput } from './plan-input.js';

/** Something that the person should know besides the verdict. */
export interface Finding {
  readonly severity: Severity;
  readonly code: string;
  readonly sentence: string;
}

/** What a rule answers, as a finding of the plan. */
export const finding = (code: string, answer: Answer): Finding | null =>
  answer && { severity: answer.severity, code, sentence: answer.sentence };

/** What findings are read off. */
export interface ForecastRun {
  readonly plan: PlanInput;
  readonly packs: readonly BatteryPack[];
  readonly load: LoadSeries;
  readonly march: March;
  /** Last step edge that counts: the verdict's end, UTC epoch ms. */
  readonly untilMs: number;
  readonly events: readonly PlanEvent[];
}

/** Lowest of a value a step, over the steps that begin before an instant. */
export function lowestOver(march: March, untilMs: number, valueOf: (step: number) => number): number {
  let lowest = Infinity;
  for (let step = 0; step < march.loadA.length && march.edgesMs[step] < untilMs; step++) {
    lowest = Math.min(lowest, valueOf(step));
  }
  return lowest;
}
