/**
 * Value of a piecewise straight line, its end values held beyond its ends.
 *
 * @param xs ascending
 * @param ys one for each of xs
 */
export function interpolate(xs: readonly number[], ys: readonly number[], x: number): number {
  const last = xs.length - 1;
  if (x <= xs[0]) return ys[0];
  if (x >= xs[last]) return ys[last];
  let upper = 1;
  while (xs[upper] < x) upper++;
  const share = (x - xs[upper - 1]) / (xs[upper] - xs[upper - 1]);
  return ys[upper - 1] + share * (ys[upper] - ys[upper - 1]);
}
