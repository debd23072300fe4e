import type { WhatIf } from '@knapsack/contract/what-if';
import type { PlanMark } from '@knapsack/core';
import type { ForecastView } from './forecast-protocol';

/** A kept variant as the page draws and compares it. */
export interface VariantView {
  readonly id: string;
  /** Null where it cannot be calculated. */
  readonly view: ForecastView | null;
  /** How it stands, and its chance in a few words or what it lacks. */
  readonly mark: PlanMark;
  readonly words: string;
  /** Of how many single failures it keeps all of its hours on the air. */
  readonly survives: number;
  readonly ofFailures: number;
}

export interface WhatIfAnswer {
  readonly whatIf: WhatIf | null;
  /** In the order of the trip. */
  readonly variants: readonly VariantView[];
}
