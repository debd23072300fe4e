import { sayQuantity, type Quantity } from '../say/quantity.js';

/** A piece of a line of arithmetic: words and signs as they are, or a number with its unit. */
export type Term = string | Quantity;

/** One line that a person can check on paper: what it is, how it is calculated, what comes out. */
export interface SumLine {
  readonly label: string;
  readonly terms: readonly Term[];
  /** A number with its unit, or words: an instant, a name. */
  readonly result: Term;
}

/** The arithmetic behind one figure. */
export interface Sum {
  readonly title: string;
  readonly lines: readonly SumLine[];
  /** What the lines leave out or take for granted. */
  readonly remark?: string;
}

export const q = (value: number, unit: Quantity['unit']): Quantity => ({ value, unit });

/** A share of charge to a tenth of a percent, so that the sum can be followed on paper. */
export const shareQuantity = (value: number): Quantity => ({ value, unit: 'share', digits: 1 });

/** A term in words. */
export const sayTerm = (term: Term): string => (typeof term === 'string' ? term : sayQuantity(term));
