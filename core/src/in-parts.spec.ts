import { atOnce, type InParts } from './in-parts.js';

describe('work in parts', () => {
  const done: number[] = [];
  function* threeParts(): InParts<string> {
    for (const part of [1, 2, 3]) {
      done.push(part);
      yield;
    }
    return 'done';
  }
  beforeEach(() => (done.length = 0));

  it('comes to its result in one go', () => {
    expect(atOnce(threeParts())).toBe('done');
    expect(done).toEqual([1, 2, 3]);
  });

  it('can be left after a part', () => {
    const work = threeParts();
    work.next();
    work.next();
    expect(done).toEqual([1, 2]);
  });
});
