import type { Gear, Trip } from '@knapsack/contract';
import type { FieldCard } from '@knapsack/contract/card';
import type { RationOptions } from '@knapsack/contract/size';

export interface CardQuestion {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  readonly ration: RationOptions;
}

/** The card, twice: without the ration at once, then with it. */
export type CardAnswer = FieldCard;
