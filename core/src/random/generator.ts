/** Gives numbers from 0 to below 1, the same ones in the same order for the same seed. */
export type Generator = () => number;

/**
 * A generator from a seed. Source: mulberry32, T. Ettinger (2017), public domain: 32 bits of state, plenty for weather
 * and draws; never for secrets.
 */
export function generator(seed: number): Generator {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
  };
}

/** A seed out of words, 32 bits. Source: FNV-1a, Fowler, Noll and Vo (1991), with a final mix. */
export function seedOf(words: string): number {
  let hash = 0x811c9dc5;
  for (let index = 0; index < words.length; index++) {
    hash = Math.imul(hash ^ words.charCodeAt(index), 0x01000193);
  }
  hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b);
  return (hash ^ (hash >>> 13)) >>> 0;
}

/** A number around 0 with a spread of 1. Source: Box and Muller (1958). */
export const normal = (next: Generator): number =>
  Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next());
