import type { Proof } from '@knapsack/core';

/** How one gets there, and what is usually carried so: by one person, g and litres. Figures of ours, assumed until typed over. */
export const WAYS_IN = {
  foot: { label: 'on foot', limitG: 10_000, litres: 40 },
  bicycle: { label: 'by bicycle', limitG: 15_000, litres: 50 },
  paddle: { label: 'by canoe or kayak', limitG: 20_000, litres: 60 },
  trolley: { label: 'with a trolley', limitG: 40_000, litres: 120 },
  vehicle: { label: 'by vehicle', limitG: 150_000, litres: 500 },
  air: { label: 'by air', limitG: 23_000, litres: 90 },
} as const;

export type WayIn = keyof typeof WAYS_IN;

/** What a piece is taken for. */
export const MODULES = {
  base: 'base',
  local: 'local net',
  simplex: 'simplex',
  shortWave: 'short wave',
  long: 'long outing',
  night: 'night',
  winter: 'winter',
} as const;

export type ModuleName = keyof typeof MODULES;

/** Something to carry things in. */
export interface Bag {
  readonly id: string;
  readonly name: string;
  /** Who carries it, 1 for the first operator. */
  readonly operator?: number;
  /** What goes in, g and litres. */
  readonly limitG?: number;
  readonly litres?: number;
  /** What it keeps out of water; nothing if absent. */
  readonly proof?: Proof;
}

/** How the kit is carried; which piece lies in which bag stands with the piece. */
export interface Packing {
  readonly wayIn?: WayIn;
  readonly bags?: readonly Bag[];
  /** How many share the load; one if absent. */
  readonly operators?: number;
}
