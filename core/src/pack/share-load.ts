/**
 * Shares pieces among who carries them, the heaviest first, each to who has the least so far. The largest load is at most 4/3 of
 * the best there is, and two loads differ by no more than one piece. Source: Graham, Bounds on multiprocessing timing anomalies,
 * SIAM J. Appl. Math. 17 (1969).
 *
 * @param grams of each piece, 0 or more
 * @param carriers 1 or more
 * @returns for each piece, who carries it, from 0
 */
export function shareLoad(grams: readonly number[], carriers: number): readonly number[] {
  const loads = new Array<number>(carriers).fill(0);
  const carriedBy = new Array<number>(grams.length).fill(0);
  const heaviestFirst = grams.map((_, index) => index).sort((a, b) => grams[b] - grams[a] || a - b);
  for (const index of heaviestFirst) {
    const least = loads.indexOf(Math.min(...loads));
    carriedBy[index] = least;
    loads[least] += grams[index];
  }
  return carriedBy;
}
