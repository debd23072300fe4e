import { keep, kept } from './kept-options';

describe('options kept in the browser', () => {
  const NAME = 'knapsack.test-options';
  afterEach(() => localStorage.removeItem(NAME));

  it('come back over what is usual, and leave what cannot be read', () => {
    expect(kept(NAME, { a: 1, b: 2 })).toEqual({ a: 1, b: 2 });
    keep(NAME, { a: 5 });
    expect(kept(NAME, { a: 1, b: 2 })).toEqual({ a: 5, b: 2 });
    localStorage.setItem(NAME, '{nonsense');
    expect(kept(NAME, { a: 1 })).toEqual({ a: 1 });
    localStorage.setItem(NAME, '7');
    expect(kept(NAME, { a: 1 })).toEqual({ a: 1 });
  });
});
