import { readFileSync, readdirSync } from 'node:fs';
import { holdAgainst, type ReferenceFile } from './reference-file.js';
import { verifyFile } from './verify-file.js';

const FOLDER = new URL('../../reference/', import.meta.url);
const read = (name: string) => JSON.parse(readFileSync(new URL(name, FOLDER), 'utf8')) as ReferenceFile;

describe('the independent figures', () => {
  const files = readdirSync(FOLDER).filter((name) => name.endsWith('.json'));

  it('are all there', () => expect(files.length).toBe(11));

  for (const name of files) {
    it(`of ${name} are met`, () => {
      const verified = verifyFile(read(name))!;
      expect(verified.cases).toBeGreaterThan(0);
      expect(verified.failures).withContext(JSON.stringify(verified.worst)).toBe(0);
    });
  }
});

describe('holding against figures', () => {
  const file = (tolerance: ReferenceFile['tolerance'], ...cases: ReferenceFile['cases']): ReferenceFile => ({
    about: '',
    tolerance,
    cases,
  });

  it('fails what is off, missing, not a number, or text that differs', () => {
    const given = file({ amps: { absolute: 0.1, relative: 0 } }, { amps: 1 });
    const failures = (amps: number | string | null) => holdAgainst(given, () => ({ amps })).failures;
    expect(failures(1.09)).toBe(0);
    expect(failures(1.2)).toBe(1);
    expect(failures(NaN)).toBe(1);
    expect(failures(null)).toBe(1);
    expect(failures('1')).toBe(1);
    expect(holdAgainst(given, () => ({})).failures).toBe(1);
  });

  it('takes null for null only, and the larger of the two tolerances', () => {
    const given = file(
      { fuse: { absolute: 0, relative: 0 }, ohm: { absolute: 0.1, relative: 0.5 } },
      { fuse: null, ohm: 2 },
    );
    expect(holdAgainst(given, () => ({ fuse: null, ohm: 2.9 })).failures).toBe(0);
    expect(holdAgainst(given, () => ({ fuse: 5, ohm: 3.1 })).failures).toBe(2);
  });

  it('goes the short way round the circle, by the tolerance of the case', () => {
    const given = file({ azimuth_deg: { absolute_field: 'near' } }, { azimuth_deg: 359.9, near: 0.3 });
    expect(holdAgainst(given, () => ({ azimuth_deg: 0.1 })).failures).toBe(0);
    expect(holdAgainst(given, () => ({ azimuth_deg: 0.3 })).failures).toBe(1);
  });

  it('names the worst figure', () => {
    const given = file({ a: { absolute: 1, relative: 0 } }, { a: 0 }, { a: 0 }, { a: 0 });
    let index = 0;
    const { worst } = holdAgainst(given, () => ({ a: [0.2, 0.9, 0.5][index++] }));
    expect(worst).toEqual({ figure: 'a', index: 1, got: 0.9, wanted: 0, share: 0.9 });
  });
});
