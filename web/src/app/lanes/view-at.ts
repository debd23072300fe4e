import type { ForecastView } from '../work/forecast-protocol';

/** The step that an instant falls into; the last one at the end. */
export function stepAt({ edgesMs }: Pick<ForecastView, 'edgesMs'>, timeMs: number): number {
  let low = 0;
  let high = edgesMs.length - 2;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (edgesMs[middle] <= timeMs) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** A value that is known at the edges, at an instant: straight within its step. */
export function valueAt(
  view: Pick<ForecastView, 'edgesMs'>,
  values: ArrayLike<number>,
  timeMs: number,
): number {
  const step = stepAt(view, timeMs);
  const { edgesMs } = view;
  const share = (timeMs - edgesMs[step]) / (edgesMs[step + 1] - edgesMs[step]);
  return values[step] + Math.min(1, Math.max(0, share)) * (values[step + 1] - values[step]);
}

/** State of charge at an instant. */
export const socAtInstant = (view: ForecastView, timeMs: number): number => valueAt(view, view.soc, timeMs);
