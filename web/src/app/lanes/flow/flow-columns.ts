import type { Span } from '@knapsack/core';
import type { ForecastView } from '../../work/forecast-protocol';
import { stepAt } from '@knapsack/core';

/** The currents of one column of the drawing, A: the largest of its steps. */
export interface FlowColumn {
  /** In from the sun and chargers together, and the part from chargers. */
  readonly inA: number;
  readonly fedA: number;
  readonly outA: number;
  readonly curtailedA: number;
  /** The sun gives at least what is drawn, and something is. */
  readonly carried: boolean;
}

/** The flow over the visible stretch, a column each; a peak is never lost between two columns. */
export function flowColumns(view: ForecastView, { startMs, endMs }: Span, columns: number): FlowColumn[] {
  const perColumn = (endMs - startMs) / columns;
  let step = stepAt(view.edgesMs, startMs);
  return Array.from({ length: columns }, (_, column) => {
    const fromMs = startMs + column * perColumn;
    const untilMs = fromMs + perColumn;
    while (step + 1 < view.loadA.length && view.edgesMs[step + 1] <= fromMs) step++;
    let [inA, fedA, outA, curtailedA] = [0, 0, 0, 0];
    let carried = true;
    for (; ; step++) {
      inA = Math.max(inA, view.offeredA[step] + view.fedTakenA[step]);
      fedA = Math.max(fedA, view.fedTakenA[step]);
      outA = Math.max(outA, view.loadA[step]);
      curtailedA = Math.max(curtailedA, view.curtailedA[step]);
      carried &&= view.loadA[step] > 0 && view.offeredA[step] >= view.loadA[step];
      if (step + 1 >= view.loadA.length || view.edgesMs[step + 1] >= untilMs) break;
    }
    return { inA, fedA, outA, curtailedA, carried };
  });
}

/** What each consumer draws at an instant, the largest first, A; those that draw nothing are left out. */
export function drawnAt(view: ForecastView, timeMs: number): readonly { name: string; amps: number }[] {
  const step = stepAt(view.edgesMs, timeMs);
  if (view.loadA[step] === 0) return [];
  return view.consumers
    .map(({ name, amps }) => ({ name, amps: amps[step] }))
    .filter(({ amps }) => amps >= 0.0005)
    .sort((a, b) => b.amps - a.amps);
}
