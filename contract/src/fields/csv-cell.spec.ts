import fc from 'fast-check';
import { defused, undefused } from './csv-cell.js';

describe('a cell of a table', () => {
  it('that a spreadsheet would run is defused, a number is not', () => {
    for (const text of ['=1+1', '+cmd|x', '-2+3', '@SUM(A1)', '\t=1', '\r=1'])
      expect(defused(text)).toBe(`'${text}`);
    for (const text of ['-12.5', '+3', '-1e-3', '12 V', '', 'a=b', "it's"]) expect(defused(text)).toBe(text);
  });

  it('comes back as it was, whatever it was', () => {
    const texts = fc.oneof(fc.string(), fc.stringMatching(/^[=+\-@'\t]*[a-z0-9=']*$/));
    fc.assert(fc.property(texts, (text) => undefused(defused(text)) === text));
  });
});
