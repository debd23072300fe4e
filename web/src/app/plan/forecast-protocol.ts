import type { Gear, Trip } from '@knapsack/contract';
import type { Explained, Problem, Sum, Verdict } from '@knapsack/core';

/** What the page sends to the worker. */
export interface ForecastRequest {
  readonly number: number;
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
}

/** A forecast as the page draws it. */
export interface ForecastView {
  readonly startMs: number;
  readonly endMs: number;
  readonly edgesMs: Float64Array;
  readonly soc: Float64Array;
  readonly loadA: Float64Array;
  readonly terminalV: Float64Array;
  /** Volts at the radio key down; at rest where the radio is off. */
  readonly radioV: Float64Array;
  readonly keyDownA: Float64Array;
  /** Current that the sun offers, A. */
  readonly offeredA: Float64Array;
  readonly floorSoc: number;
  readonly verdict: Verdict;
  readonly sums: Record<Explained, Sum>;
}

export type ForecastOutcome =
  | { readonly ok: true; readonly view: ForecastView }
  | { readonly ok: false; readonly problems: readonly Problem[] };

export interface ForecastAnswer {
  readonly number: number;
  readonly outcome: ForecastOutcome;
}
