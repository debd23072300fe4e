/** The middle of some figures, and the one that 95 of 100 stay under. */
export const median = (values) => quantile(values, 0.5);
export const p95 = (values) => quantile(values, 0.95);

function quantile(values, share) {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
}

/** Runs something until it is warm, then many times; milliseconds of each run. */
export function timesOf(work, { warm = 200, runs = 400 } = {}) {
  for (let run = 0; run < warm; run++) work();
  return Array.from({ length: runs }, () => {
    const begun = performance.now();
    work();
    return performance.now() - begun;
  });
}
