import type { ForecastView } from './forecast-protocol';

/** The step that an instant falls into; the last one at the end. */
export function stepAt({ edgesMs }: ForecastView, timeMs: number): number {
  let low = 0;
  let high = edgesMs.length - 2;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if (edgesMs[middle] <= timeMs) low = middle;
    else high = middle - 1;
  }
  return low;
}

/** State of charge at an instant, straight within its step. */
export function socAtInstant(view: ForecastView, timeMs: number): number {
  const step = stepAt(view, timeMs);
  const { edgesMs, soc } = view;
  const share = (timeMs - edgesMs[step]) / (edgesMs[step + 1] - edgesMs[step]);
  return soc[step] + Math.min(1, Math.max(0, share)) * (soc[step + 1] - soc[step]);
}
