import type { Gear } from '../documents/gear.js';

/** On the shelf's own order: by place, then by name. */
export const inOrder = (gear: readonly Gear[]): Gear[] =>
  [...gear].sort(
    (a, b) => (a.place ?? Infinity) - (b.place ?? Infinity) || a.name.localeCompare(b.name, 'en'),
  );

/**
 * The places that change when an item of a row is put elsewhere in it: its own, between its new neighbours, and those of
 * neighbours that had none yet.
 */
export function moved(row: readonly Gear[], from: number, to: number): readonly Gear[] {
  const order = [...row];
  const [item] = order.splice(from, 1);
  order.splice(to, 0, item);
  if (from === to) return [];
  const placed = order.every(({ place }, index) => index === to || place !== undefined);
  if (!placed)
    return order
      .map((gear, index) => ({ ...gear, place: index }))
      .filter((gear, index) => order[index].place !== gear.place);
  const before = order[to - 1]?.place ?? (order[to + 1]?.place ?? 0) - 2;
  const after = order[to + 1]?.place ?? before + 2;
  return [{ ...item, place: (before + after) / 2 }];
}
