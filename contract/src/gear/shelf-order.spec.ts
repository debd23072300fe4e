import fc from 'fast-check';
import type { Gear } from '../documents/gear.js';
import { shale } from '../testing/outing.js';
import { inOrder, moved } from './shelf-order.js';

describe('the order of a shelf', () => {
  const item = (id: string, place?: number): Gear => ({
    ...shale,
    id,
    name: id,
    ...(place !== undefined && { place }),
  });
  const ids = (gear: readonly Gear[]) => gear.map(({ id }) => id).join('');

  it('is by place, then by name; what has no place stands last', () => {
    expect(ids(inOrder([item('c'), item('b'), item('a', 5), item('d', -1)]))).toBe('dabc');
    expect(ids(inOrder([item('b', 1), item('a', 1)]))).toBe('ab');
  });

  it('gives an item the place between its new neighbours, and changes nothing else', () => {
    const row = [item('a', 0), item('b', 1), item('c', 2), item('d', 3)];
    expect(moved(row, 3, 1)).toEqual([item('d', 0.5)]);
    expect(moved(row, 0, 3)).toEqual([item('a', 4)]);
    expect(moved(row, 2, 0)).toEqual([item('c', -1)]);
    expect(moved(row, 2, 2)).toEqual([]);
    expect(moved([item('a', 7)], 0, 0)).toEqual([]);
    expect(moved([item('a', 7), item('b', 9)], 1, 0)).toEqual([item('b', 6)]);
  });

  it('gives all of a row places where some have none yet, and says only those that change', () => {
    expect(moved([item('a'), item('b'), item('c')], 2, 0)).toEqual([
      item('c', 0),
      item('a', 1),
      item('b', 2),
    ]);
    expect(moved([item('a', 0), item('b'), item('c', 2)], 2, 1)).toEqual([item('c', 1), item('b', 2)]);
    // The one that is moved may have none: it gets one.
    expect(moved([item('a', 0), item('b', 1), item('c')], 2, 1)).toEqual([item('c', 0.5)]);
  });

  it('stands afterwards as it was put, whatever was moved before', () => {
    const move = fc.tuple(fc.nat(5), fc.nat(5));
    fc.assert(
      fc.property(fc.array(move, { maxLength: 12 }), (moves) => {
        let shelf: readonly Gear[] = ['a', 'b', 'c', 'd', 'e', 'f'].map((id) => item(id));
        for (const [from, to] of moves) {
          const row = inOrder(shelf);
          const wanted = [...row];
          wanted.splice(to, 0, ...wanted.splice(from, 1));
          const changed = new Map(moved(row, from, to).map((gear) => [gear.id, gear]));
          shelf = row.map((gear) => changed.get(gear.id) ?? gear);
          expect(ids(inOrder(shelf))).toBe(ids(wanted));
        }
      }),
    );
  });
});
