import { chanceLaw } from '../chance/chance-law.js';
import { whiteboardPlan } from '../testing/plans.js';
import { copyOf, factorAt, peukertTable } from './tight-pack.js';

describe('a table of Peukert’s factor', () => {
  const table = peukertTable(1.2);

  it('is x to the k − 1, to 3e-5 of it, from the rated current to 32 times that', () => {
    for (const times of [1, 1.01, 1.5, 2.2, 7.77, 20, 31.99, 32])
      expect(Math.abs(factorAt(table, times) / times ** 0.2 - 1))
        .withContext(`${times}`)
        .toBeLessThan(3e-5);
  });

  it('holds its last value beyond', () => {
    for (const times of [32.1, 33, 34, 1000]) expect(factorAt(table, times)).toBeCloseTo(32 ** 0.2, 3);
    expect(factorAt(table, 34)).toBe(factorAt(table, 1000));
  });

  it('is made once for an exponent', () => {
    expect(peukertTable(1.2)).toBe(table);
    expect(peukertTable(1.1)).not.toBe(table);
  });
});

describe('a copy of a pack', () => {
  it('is changed without the other', () => {
    const [pack] = chanceLaw(whiteboardPlan()).packs;
    const copy = copyOf(pack);
    const before = { levels: [...pack.levels], cutoffs: [...pack.cutoffs], startSoc: pack.startSoc };
    copy.levels.fill(0.7);
    copy.cutoffs.fill(0.6);
    copy.startSoc = 0.1;
    expect({ levels: [...pack.levels], cutoffs: [...pack.cutoffs], startSoc: pack.startSoc }).toEqual(before);
    expect(before.levels.length).toBeGreaterThan(0);
  });
});
