import type { Gear } from '@knapsack/contract';
import type { ShelfSpace } from '@knapsack/contract/size';
import type { Kit } from '@knapsack/core';

/** One standard deviation of a kit's weight over its parts, which err by themselves, g. */
export function weightSpread(
  { battery, sun }: Kit,
  { batteries, suns }: Pick<ShelfSpace, 'batteries' | 'suns'>,
  stock: readonly Gear[],
): number {
  const byId = new Map(stock.map((gear) => [gear.id, gear]));
  const items = [...batteries[battery].items, ...suns[sun].items];
  return Math.hypot(...items.map(({ gear, count }) => (byId.get(gear)?.weightG?.spread ?? 0) * count));
}
