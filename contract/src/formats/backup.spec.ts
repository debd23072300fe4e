import { readDifferentChoice } from '../schemas/backup-schema.js';
import { sayCounts } from './backup.js';

describe('a backup in words', () => {
  it('counts what is in it, one and many', () => {
    expect(sayCounts({})).toBe('nothing');
    expect(sayCounts({ trips: 1 })).toBe('1 trip');
    expect(sayCounts({ trips: 3, gear: 41 })).toBe('3 trips and 41 gear items');
    expect(sayCounts({ trips: 0, gear: 1, packings: 2 })).toBe('0 trips, 1 gear item and 2 packing lists');
    expect(sayCounts({ constructor: 2 })).toBe('2 constructor');
  });

  it('keeps what is here where nothing is said, and refuses a choice that there is not', () => {
    expect(readDifferentChoice(undefined)).toEqual({ ok: true, value: 'keep' });
    expect(readDifferentChoice('keep')).toEqual({ ok: true, value: 'keep' });
    for (const word of ['kept', '', 0, null]) {
      const read = readDifferentChoice(word);
      expect(read.ok ? read.value : read.problems[0].sentence).toMatch(/^“different” is one of keep/);
    }
  });
});
