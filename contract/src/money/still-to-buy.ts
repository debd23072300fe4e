import type { Gear } from '../documents/gear.js';

/** A line of a bag or of a kit: so many of one piece. */
interface Line {
  readonly gear: Gear;
  readonly count: number;
}

/** What is on the wish list is still to buy; what is owned counts nothing. */
export const isStillToBuy = ({ wished }: Gear): boolean => wished === true;

/** What of these lines is still to buy: its price, in the user's own money, as far as entered, and what of it has none. */
export function priceToBuy(lines: readonly Line[]): {
  readonly price: number;
  readonly unpriced: readonly string[];
} {
  const toBuy = lines.filter(({ gear }) => isStillToBuy(gear));
  return {
    price: toBuy.reduce((sum, { gear, count }) => sum + (gear.price?.value ?? 0) * count, 0),
    unpriced: toBuy.filter(({ gear }) => !gear.price).map(({ gear }) => gear.name),
  };
}
