import { KitSearch } from './kit-search.js';
import type { Trial } from './kit-trial.js';
import type { Kit } from './kits.js';

const SAMPLES = 100;
const kit = (grams: number, price: number | null, effort: 0 | 1): Kit => ({
  ...{ battery: 0, sun: 0, grams, price, effort, litres: 1, pieces: 1, toBuy: price },
});
const trial = (wins: number, more: Partial<Trial> = {}): Trial => ({
  ...{ wins, tried: SAMPLES, meanHours: wins / 10, steps: 1 },
  ...more,
});

/** Hands out one kit after the other and takes back so many wins of each: what each had to exceed, by rank. */
function handedOut(kits: readonly Kit[], winsOf: (rank: number) => number) {
  const search = new KitSearch(kits, SAMPLES);
  const mustBeat = new Map<number, number>();
  for (let batch = search.batch(1); batch; batch = search.batch(1)) {
    const [rank] = batch.ranks;
    mustBeat.set(rank, batch.mustBeat[0]);
    search.take(batch, [trial(winsOf(rank))]);
  }
  return { search, mustBeat };
}

describe('what a kit has to exceed', () => {
  // A chance of a fifth is twenty wins of a hundred: nineteen are to be exceeded by any.
  const kits = [
    kit(1000, 200, 1),
    kit(1200, 100, 0),
    kit(1500, 150, 0),
    kit(1500, 90, 1),
    kit(1600, null, 0),
    kit(1700, 300, 1),
    kit(1800, 300, 1),
  ];
  const wins = [60, 40, 50, 30, 70, 80, 85];
  const { search, mustBeat } = handedOut(kits, (rank) => wins[rank]);

  it('is the least of what those before it on each front have won', () => {
    // By weight, by price, without a hand:
    expect(mustBeat.get(0)).toBe(19); // 19, 19, not without a hand
    expect(mustBeat.get(1)).toBe(19); // 60, 19, 19
    expect(mustBeat.get(2)).toBe(40); // 60, 40, 40
    expect(mustBeat.get(3)).toBe(19); // 60, 19: nothing is cheaper
    expect(mustBeat.get(4)).toBe(50); // 60, no price, 50
    expect(mustBeat.get(5)).toBe(60); // 70, 60: what has no price is not cheaper
    expect(mustBeat.get(6)).toBe(80); // 80, 80: of the same price the first stands
  });

  it('leaves fronts on which each wins more than all before it', () => {
    const { weight, price, effortless } = search.fronts();
    expect(weight.map(({ rank }) => rank)).toEqual([0, 4, 5, 6]);
    // 90: 30, 100: 40, 150: 50, 200: 60, 300: 80 and then 85, which takes its place
    expect(price.map(({ rank }) => rank)).toEqual([3, 1, 2, 0, 6]);
    expect(effortless.map(({ rank }) => rank)).toEqual([1, 2, 4]);
    expect(search.tried().map(({ rank, finished }) => [rank, finished])).toEqual(
      wins.map((won, rank) => [rank, won]),
    );
  });

  it('is not raised by a later one of the same weight or price, which was tried before it', () => {
    const nine = Array.from({ length: 9 }, (_, rank) => kit(1000 + 100 * rank, 900 - 100 * rank, 1));
    // The fifth of nine is no probe: it comes last.
    const alike = nine.with(4, kit(1500, 400, 1)).with(5, kit(1500, 400, 1));
    const { mustBeat: late } = handedOut(alike, (rank) => (rank === 5 ? 90 : 20 + rank));
    expect([...late.keys()].at(-1)).toBe(4);
    // By weight 23, of the fourth; by price 28, of the last.
    expect(late.get(4)).toBe(23);
  });
});

describe('a search', () => {
  it('begins with a few kits from light to heavy, and hands out every one once', () => {
    const kits = Array.from({ length: 80 }, (_, rank) => kit(1000 + rank, 100, 0));
    const search = new KitSearch(kits, SAMPLES);
    const first = [search.batch(10), search.batch(10), search.batch(10), search.batch(10)];
    expect(first.map((batch) => batch!.ranks)).toEqual([
      [5, 15],
      [25, 35],
      [45, 55],
      [65, 75],
    ]);
    const rest: number[] = [];
    for (let batch = search.batch(10); batch; batch = search.batch(10)) rest.push(...batch.ranks);
    const all = [...first.flatMap((batch) => batch!.ranks), ...rest];
    expect(rest).toEqual([...rest].sort((a, b) => a - b));
    expect(new Set(all).size).toBe(80);
    expect(all.length).toBe(80);
  });

  it('hands out none that can be on no front, and counts it as done', () => {
    const search = new KitSearch([kit(1000, 100, 1), kit(1100, 110, 1), kit(1200, null, 1)], SAMPLES);
    search.take(search.batch(1)!, [trial(SAMPLES, { steps: 7 })]);
    expect(search.batch(5)).toBeNull();
    expect(search.progress).toEqual({ done: 3, of: 3, steps: 7 });
  });

  it('counts the steps of all, and those alone as tried that went to the end', () => {
    const kits = [kit(1000, 100, 0), kit(1100, 90, 0), kit(1200, 80, 0)];
    const search = new KitSearch(kits, SAMPLES);
    const reason = { rule: 'cold', sentence: 'Too cold.' };
    search.take({ ranks: [0, 1, 2], mustBeat: [] }, [
      trial(50, { steps: 3 }),
      trial(10, { tried: 40, steps: 2, meanHours: 30 }),
      trial(90, { barred: reason, steps: 1, meanHours: 99 }),
    ]);
    expect(search.progress).toEqual({ done: 3, of: 3, steps: 6 });
    expect(search.tried().map(({ rank }) => rank)).toEqual([0]);
    expect(search.ruledOut).toEqual([{ kit: kits[2], reason }]);
    // One that comes back twice stands once.
    search.take({ ranks: [0], mustBeat: [] }, [trial(70)]);
    expect(search.tried().map(({ finished }) => finished)).toEqual([50]);
  });

  it('keeps them in the order of their ranks, in whatever order they come back', () => {
    const kits = [0, 1, 2, 3].map((rank) => kit(1000 + rank, 100, 0));
    const search = new KitSearch(kits, SAMPLES);
    for (const rank of [2, 0, 3, 1]) search.take({ ranks: [rank], mustBeat: [] }, [trial(30 + rank)]);
    expect(search.tried().map(({ rank }) => rank)).toEqual([0, 1, 2, 3]);
  });

  it('names the one that lasts longest, of those that may be taken, where none wins a fifth', () => {
    const kits = [0, 1, 2, 3].map((rank) => kit(1000 + rank, 100, 0));
    const nearest = (...trials: Trial[]) => {
      const search = new KitSearch(kits, SAMPLES);
      search.take({ ranks: trials.map((_, rank) => rank), mustBeat: [] }, trials);
      return search.nearest()?.rank ?? null;
    };
    const barred = { rule: 'cold', sentence: 'Too cold.' };
    expect(
      nearest(
        trial(1, { meanHours: 5 }),
        trial(19, { meanHours: 9 }),
        trial(3, { meanHours: 7 }),
        trial(99, { meanHours: 50, barred }),
      ),
    ).toBe(1);
    expect(nearest(trial(20, { meanHours: 5 }), trial(1, { meanHours: 9 }))).toBeNull();
    expect(nearest()).toBeNull();
  });
});
