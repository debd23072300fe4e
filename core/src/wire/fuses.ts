import { fixed } from '../say/quantity.js';

/** A kind of fuse in generic terms: its ratings, the current that it breaks and its voltage. */
interface FuseKindFacts {
  readonly label: string;
  readonly ratingsA: readonly number[];
  /** Largest short-circuit current that it breaks, A, and the most volts of direct current. */
  readonly breaksA: number;
  readonly mostV: number;
}

/** Kinds of fuses. Source: usual figures of makers' sheets, the lower end; a fuse's own sheet goes first. */
export const FUSE_KINDS = {
  blade: {
    label: 'blade fuse',
    ratingsA: [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30, 35, 40],
    breaksA: 1000,
    mostV: 32,
  },
  large: { label: 'large blade fuse', ratingsA: [20, 30, 40, 50, 60, 80], breaksA: 1000, mostV: 32 },
  bolt: {
    label: 'bolt-down fuse',
    ratingsA: [40, 50, 60, 80, 100, 125, 150, 200, 250],
    breaksA: 2000,
    mostV: 32,
  },
  terminal: {
    label: 'terminal fuse',
    ratingsA: [30, 40, 50, 60, 80, 100, 125, 150, 200, 250, 300],
    breaksA: 10_000,
    mostV: 32,
  },
  classT: {
    label: 'class T fuse',
    ratingsA: [1, 3, 6, 10, 15, 20, 25, 30, 35, 40, 50, 60, 80, 100, 125, 150, 200, 250, 300],
    breaksA: 20_000,
    mostV: 125,
  },
  pv: {
    label: 'photovoltaic fuse',
    ratingsA: [1, 2, 3, 4, 5, 6, 8, 10, 12, 15, 20, 25, 30],
    breaksA: 20_000,
    mostV: 1000,
  },
  glass: {
    label: 'glass fuse',
    ratingsA: [1, 2, 3, 4, 5, 7.5, 10, 15, 20, 25, 30],
    breaksA: 200,
    mostV: 32,
  },
  breaker: {
    label: 'DC breaker',
    ratingsA: [5, 10, 15, 20, 25, 30, 40, 50, 60, 80, 100, 125, 150],
    breaksA: 3000,
    mostV: 48,
  },
} as const satisfies Record<string, FuseKindFacts>;

export type FuseKind = keyof typeof FUSE_KINDS;

export const FUSE_KIND_NAMES = Object.keys(FUSE_KINDS) as readonly FuseKind[];

const KINDS_BY_SIZE: readonly FuseKind[] = ['blade', 'large', 'bolt'];

const isSold = (kind: FuseKind, amps: number): boolean =>
  (FUSE_KINDS[kind].ratingsA as readonly number[]).includes(amps);

/** Kinds for a main fuse at a battery, in the order of their breaking capacity. */
const MAIN_KINDS: readonly FuseKind[] = ['terminal', 'classT'];
/** Kinds for more volts than vehicle fuses stand. */
const HIGH_VOLT_KINDS: readonly FuseKind[] = ['pv', 'classT'];

/** The kind of main fuse with a rating, A, that breaks a short-circuit current, A; null without such a kind. */
export const breakingKind = (ratedA: number, faultA: number): FuseKind | null =>
  MAIN_KINDS.find((kind) => FUSE_KINDS[kind].breaksA >= faultA && isSold(kind, ratedA)) ?? null;

/** The kind of fuse with a rating, A, for a direct voltage, V; null without such a kind. */
export const kindForVolts = (ratedA: number, volts: number): FuseKind | null =>
  HIGH_VOLT_KINDS.find((kind) => FUSE_KINDS[kind].mostV >= volts && isSold(kind, ratedA)) ?? null;

/** The kind that a rating is usually sold as: a blade, a large blade, bolted down. */
export const usualKind = (ratedA: number): FuseKind =>
  KINDS_BY_SIZE.find((kind) => isSold(kind, ratedA)) ?? 'bolt';

/** Standard ratings of blades, large blades and bolt-down fuses, A, ascending. */
export const FUSES_A: readonly number[] = [
  ...new Set(KINDS_BY_SIZE.flatMap((kind): readonly number[] => FUSE_KINDS[kind].ratingsA)),
].sort((a, b) => a - b);

/** The smallest fuse before a radio, A: switching on draws more than working. Source: convention of this project, docs/model.md. */
const LEAST_RADIO_FUSE_A = 2;

/** Ratings that are used before a part, A, ascending. */
export const fusesBefore = (isRadio: boolean): readonly number[] =>
  isRadio ? FUSES_A.filter((ratedA) => ratedA >= LEAST_RADIO_FUSE_A) : FUSES_A;

/** Rating over the largest steady current. Source: convention of this project, docs/model.md. */
export const FUSE_MARGIN = 1.25;

/** The smallest standard rating of at least 1.25 x a steady current, A; null if there is none. */
export const smallestFuse = (steadyA: number, ratingsA: readonly number[] = FUSES_A): number | null =>
  ratingsA.find((fuseA) => fuseA >= FUSE_MARGIN * steadyA - 1e-9) ?? null;

/**
 * The fuse for a run, A: the smallest standard rating of at least 1.25 x the largest steady current, if the wire and the
 * connector may carry it; null where none fits and thicker wire or another connector is needed.
 */
export function fuseFor(
  steadyA: number,
  wireA: number,
  connectorA: number,
  ratingsA: readonly number[] = FUSES_A,
): number | null {
  const rating = smallestFuse(steadyA, ratingsA);
  return rating !== null && rating <= wireA && rating <= connectorA ? rating : null;
}

/** Why a fuse cannot be had, in a sentence; null for a rating that is sold. */
export function fuseNotSold(fuseA: number, kind?: FuseKind): string | null {
  const ratings: readonly number[] = kind ? FUSE_KINDS[kind].ratingsA : FUSES_A;
  if (ratings.includes(fuseA)) return null;
  const above = ratings.find((sold) => sold >= fuseA) ?? ratings.at(-1)!;
  const what = kind ? FUSE_KINDS[kind].label : 'fuse';
  return `No one sells a ${what} of ${tidy(fuseA)} A: they come as ${ratings.map(tidy).join(', ')} A. The next is ${tidy(above)} A.`;
}

const tidy = (amps: number): string => String(Number(fixed(amps, 1)));
