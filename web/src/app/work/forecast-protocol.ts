import type { Gear, Trip } from '@knapsack/contract';
import type { Explained, Problem, Sum, Verdict } from '@knapsack/core';

/** What the page sends to the worker. */
export interface ForecastQuestion {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  /** Whether somebody looks at the arithmetic: it takes longer than the forecast itself. */
  readonly explained?: boolean;
  /** Whether the hand still moves: a long outing is then marched in coarser steps, to be marched anew when it rests. */
  readonly coarse?: boolean;
  /** By how much the typical sky is moved, where the samples have said it; 1 while they run. */
  readonly skyFactor?: number;
}

/** What is asked of a trip as it lies there: looked at by nobody in detail, moved by no hand, under its typical sky. */
export const forecastQuestion = (asked: ForecastQuestion): Required<ForecastQuestion> => ({
  explained: false,
  coarse: false,
  skyFactor: 1,
  ...asked,
});

/** Whether two questions ask the very same of the very same documents. */
export const sameQuestion = (a: ForecastQuestion, b: ForecastQuestion): boolean =>
  a.trip === b.trip &&
  a.shelf.length === b.shelf.length &&
  a.shelf.every((gear, index) => gear === b.shelf[index]) &&
  a.explained === b.explained &&
  a.coarse === b.coarse &&
  a.skyFactor === b.skyFactor;

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
  /** Current that the sun offers, and the part of it that nothing takes, A. */
  readonly offeredA: Float64Array;
  readonly curtailedA: Float64Array;
  /** Current taken from chargers, A. */
  readonly fedTakenA: Float64Array;
  /** What each consumer draws, A out of the pack. */
  readonly consumers: readonly { readonly name: string; readonly amps: Float64Array }[];
  /** Volts at the radio below which it shuts off. */
  readonly dropoutV: number;
  readonly reserveSoc: number;
  readonly verdict: Verdict;
  /** The arithmetic behind the figures; null where it was not asked for. */
  readonly sums: Record<Explained, Sum> | null;
  /** By how much its typical sky was moved. */
  readonly skyFactor: number;
}

export type ForecastOutcome =
  | { readonly ok: true; readonly view: ForecastView }
  | { readonly ok: false; readonly problems: readonly Problem[] };
