/** The step that ends at or first after an instant, UTC epoch ms. */
export function stepBefore(edgesMs: Float64Array, timeMs: number): number {
  let step = 0;
  while (step < edgesMs.length - 2 && edgesMs[step + 1] < timeMs) step++;
  return step;
}

/** A state of charge that is known at the edges of the steps, at an instant: straight between them. */
export function socAt(edgesMs: Float64Array, soc: Float64Array, timeMs: number): number {
  const step = stepBefore(edgesMs, timeMs);
  const share = (timeMs - edgesMs[step]) / (edgesMs[step + 1] - edgesMs[step]);
  return soc[step] + Math.min(1, Math.max(0, share)) * (soc[step + 1] - soc[step]);
}
