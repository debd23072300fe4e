import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import { undefused } from '../fields/csv-cell.js';
import { cellInstant, cellNumber, csvOf, csvRows, delimiterOf, someOf } from './csv.js';

describe('a table as text', () => {
  it('comes back as it went out, whatever stands in its cells, and no cell is a formula', () => {
    const cell = fc.string({ unit: fc.constantFrom(...'ab,;"\n\'=+-@\t 12.é🎒') }).map((text) => text.trim());
    fc.assert(
      fc.property(fc.array(fc.array(cell, { minLength: 2, maxLength: 2 }), { maxLength: 6 }), (rows) => {
        const kept = rows.filter((row) => row.some((text) => text !== ''));
        const text = csvOf(['a', 'b'], kept);
        // By a reader that takes every character as it stands.
        const strict = (parse(text) as string[][]).slice(1);
        for (const one of strict.flat()) expect(one).not.toMatch(/^[=@\t]/);
        expect(strict.map((row) => row.map(undefused))).toEqual(kept);
        expect(csvRows(text, ',').length).toBe(kept.length + 1);
      }),
    );
  });

  it('says numbers and yes and no as they are, and nothing as nothing', () => {
    expect(csvOf(['a', 'b', 'c', 'd'], [[-1.5, true, null, undefined]])).toBe('a,b,c,d\n-1.5,true,,\n');
  });

  it('is divided by what its first line shows', () => {
    expect(['a;b,c', 'a\tb,c', 'a,b', 'a'].map(delimiterOf)).toEqual([';', '\t', ',', ',']);
    expect(csvRows('a; b\n\n1;2;3\n', ';')).toEqual([
      ['a', 'b'],
      ['1', '2', '3'],
    ]);
    expect(csvRows('a\n1\n2\n3\n', ',', { most: 2 }).length).toBe(2);
    expect(() => csvRows('a\n"open', ',')).toThrow();
    expect(csvRows('a\nx "y" z', ',', { loose: true })[1]).toEqual(['x "y" z']);
  });

  it('has numbers with a comma where a comma divides nothing, and times with a zone of their own or the place’s', () => {
    expect([cellNumber('1,5', ';'), cellNumber('1.5', ','), cellNumber('', ';')]).toEqual([1.5, 1.5, NaN]);
    expect(cellNumber('1,5', ',')).toBeNaN();
    const noon = Date.UTC(2027, 8, 4, 12);
    const times = ['2027-09-04T14:00', '2027-09-04 14:00', '2027-09-04T12:00Z', '2027-09-04 15:00+03:00'];
    expect(times.map((cell) => cellInstant(cell, 'Europe/Oslo'))).toEqual([noon, noon, noon, noon]);
    expect(cellInstant('soon', 'Europe/Oslo')).toBeNaN();
  });

  it('tells some of what was left out, and how much more', () => {
    expect(someOf(['a', 'b'])).toBe('a; b');
    expect(someOf(['1', '2', '3', '4', '5', '6', '7'])).toBe('1; 2; 3; 4; 5 and 2 more');
  });
});

describe('rows that are bad', () => {
  it('are told up to five, the others counted', () => {
    const rows = ['a', 'b', 'c', 'd', 'e', 'f', 'g'];
    expect(someOf(rows.slice(0, 5))).toBe('a; b; c; d; e');
    expect(someOf(rows.slice(0, 6))).toBe('a; b; c; d; e and 1 more');
    expect(someOf(rows)).toBe('a; b; c; d; e and 2 more');
  });
});
