import { curlew, shale } from '@knapsack/contract/testing/outing';
import { inOrder, moved, freeName, matches } from '@knapsack/contract/gear';
const placed = (...places: (number | undefined)[]) =>
  places.map((place, index) => ({
    ...shale,
    id: `s${index}`,
    name: `s${index}`,
    ...(place !== undefined && { place }),
  }));

describe('the order of the shelf', () => {
  it('is by place, then by name', () => {
    expect(inOrder([...placed(undefined, 5, 1), { ...curlew, name: 'a' }]).map(({ name }) => name)).toEqual([
      's2',
      's1',
      'a',
      's0',
    ]);
  });

  it('changes one place where the others have theirs, all where they have none', () => {
    const row = placed(0, 1, 2, 3);
    expect(moved(row, 3, 1).map(({ id, place }) => [id, place])).toEqual([['s3', 0.5]]);
    expect(moved(row, 0, 3).map(({ id, place }) => [id, place])).toEqual([['s0', 4]]);
    expect(moved(row, 2, 0).map(({ place }) => place)).toEqual([-1]);
    expect(moved(row, 1, 1)).toEqual([]);
    const bare = placed(undefined, undefined, undefined);
    expect(moved(bare, 2, 0).map(({ id, place }) => [id, place])).toEqual([
      ['s2', 0],
      ['s0', 1],
      ['s1', 2],
    ]);
  });
});

describe('looking on the shelf', () => {
  it('finds every word anywhere in what an item says', () => {
    expect(matches({ ...shale, tags: ['winter'] }, 'lithium WINTER')).toBeTrue();
    expect(matches(shale, 'lithium winter')).toBeFalse();
    expect(matches(shale, '')).toBeTrue();
  });

  it('names a copy as nothing else is named', () => {
    expect(freeName('Curlew', [curlew])).toBe('Curlew copy');
    expect(freeName('Curlew', [{ ...curlew, name: 'Curlew copy' }])).toBe('Curlew copy 2');
  });
});
