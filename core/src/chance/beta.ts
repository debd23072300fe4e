/** Quantiles of a law at even steps of probability, ends included; read by {@link quantileOf}. */
export type Quantiles = Float64Array;

const CELLS = 64;
const GRAIN = 2048;

/**
 * Quantiles of the beta law with a mean and a firmness a + b. A mean of 0 or 1 is certain.
 *
 * By summing the density over a fine grid: a table is made once for a block and read for each sample.
 * Source: Johnson, Kotz and Balakrishnan (1995), Continuous Univariate Distributions 2, chapter 25.
 *
 * @param mean 0 to 1
 * @param firmness a + b, above 0
 */
export function betaQuantiles(mean: number, firmness: number): Quantiles {
  const table = new Float64Array(CELLS + 1);
  if (mean <= 0 || mean >= 1) return table.fill(Math.min(1, Math.max(0, mean)));
  const a = mean * firmness;
  const b = firmness - a;
  // On the grid of t with x = t^2 (3 - 2 t) the ends are dense, where the density of a small share piles up.
  const at = (t: number) => t * t * (3 - 2 * t);
  const mass = new Float64Array(GRAIN);
  let most = -Infinity;
  for (let index = 0; index < GRAIN; index++) {
    const t = (index + 0.5) / GRAIN;
    const x = at(t);
    mass[index] = (a - 1) * Math.log(x) + (b - 1) * Math.log1p(-x) + Math.log(6 * t * (1 - t));
    most = Math.max(most, mass[index]);
  }
  let total = 0;
  for (let index = 0; index < GRAIN; index++) {
    mass[index] = Math.exp(mass[index] - most);
    total += mass[index];
  }
  let sum = 0;
  let index = 0;
  for (let cell = 1; cell < CELLS; cell++) {
    const wanted = (total * cell) / CELLS;
    while (index < GRAIN && sum + mass[index] < wanted) sum += mass[index++];
    table[cell] = at((index + (wanted - sum) / mass[index]) / GRAIN);
  }
  // The ends of a table are the middles of its outermost halves: no sample is impossible, none beyond reason.
  table[0] = Math.max(0, 2 * table[1] - table[2]);
  table[CELLS] = Math.min(1, 2 * table[CELLS - 1] - table[CELLS - 2]);
  return table;
}

/** The value of a law at a probability, 0 to 1, straight between the table's steps. */
export function quantileOf(table: Quantiles, probability: number): number {
  const place = Math.min(1, Math.max(0, probability)) * CELLS;
  const cell = Math.min(CELLS - 1, Math.floor(place));
  return table[cell] + (place - cell) * (table[cell + 1] - table[cell]);
}

/**
 * The normal law's distribution function. Source: Abramowitz and Stegun (1964), Handbook of Mathematical Functions,
 * 26.2.17; off by 7.5e-8 at the most.
 */
export function normalProbability(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const poly =
    t * (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  const tail = (Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)) * poly;
  return z < 0 ? tail : 1 - tail;
}
