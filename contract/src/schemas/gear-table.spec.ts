import { curlew, relay, shale, shelf } from '../testing/documents.js';
import { gearTable, readShelfFile } from './gear-table.js';

describe('gear as a table', () => {
  const read = (content: string) => {
    const result = readShelfFile(content);
    if (!result.ok) throw new Error(result.problems[0].sentence);
    return result.value;
  };
  const refused = (content: string) => {
    const result = readShelfFile(content);
    return result.ok ? 'read' : result.problems[0].sentence;
  };

  it('comes back as it went out', () => {
    expect(read(gearTable(shelf)).gear).toEqual(shelf);
    const tagged = { ...shale, tags: ['a, b', '"c"'], wished: true, note: 'one; two' };
    expect(read(gearTable([tagged])).gear).toEqual([tagged]);
  });

  it('may be a shelf document as well', () => {
    const document = { schema: 'knapsack.shelf', version: 1, gear: [curlew, relay] };
    expect(read(JSON.stringify(document)).gear).toEqual([curlew, relay]);
  });

  it('leaves out rows that are none, and says why', () => {
    const table = gearTable([shale]).replace(/,10,datasheet/, ',-10,datasheet');
    const { gear, notes } = read(`${table}`);
    expect(gear).toEqual([]);
    expect(notes[0]).toContain('row 2: The capacity must be above 0');
    expect(refused('{"a":')).toContain('begins like JSON');
    expect(refused('a,b\n1,2')).toContain('kind and name');
    expect(refused('')).toContain('kind and name');
  });
});
