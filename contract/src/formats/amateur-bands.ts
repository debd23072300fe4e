/** Bands by their edges, MHz, as ADIF has them: wide enough for all regions. */
const BANDS: readonly (readonly [string, number, number])[] = [
  ['2190m', 0.1357, 0.1378],
  ['630m', 0.472, 0.479],
  ['160m', 1.8, 2],
  ['80m', 3.5, 4],
  ['60m', 5.06, 5.45],
  ['40m', 7, 7.3],
  ['30m', 10.1, 10.15],
  ['20m', 14, 14.35],
  ['17m', 18.068, 18.168],
  ['15m', 21, 21.45],
  ['12m', 24.89, 24.99],
  ['10m', 28, 29.7],
  ['6m', 50, 54],
  ['4m', 70, 71],
  ['2m', 144, 148],
  ['1.25m', 222, 225],
  ['70cm', 420, 450],
  ['33cm', 902, 928],
  ['23cm', 1240, 1300],
  ['13cm', 2300, 2450],
];

/** The band of a frequency, MHz; null where it lies in none. */
export const bandOfMHz = (mhz: number): string | null =>
  BANDS.find(([, from, to]) => mhz >= from && mhz <= to)?.[0] ?? null;
