import { hour, trip } from '../testing/outing.js';
import { entriesOfRecord } from './entries-of-record.js';

const NOW = hour(12);
const LINE = 'B 60000 13.12 -0.84 87 -2.31 640';
function taken(text: string) {
  const found = entriesOfRecord(text, trip(), NOW);
  if (!found.ok) throw new Error(found.problems[0].sentence);
  return found.value;
}
const problem = (text: string) => {
  const found = entriesOfRecord(text, trip(), NOW);
  return found.ok ? '' : found.problems[0].sentence;
};
const start = (of: number) => `# start ${new Date(hour(of)).toISOString()}\n`;

describe('what an instrument recorded', () => {
  it('comes to entries, and says what was assumed or left out', () => {
    expect(taken(start(8) + LINE)).toEqual({
      entries: [jasmine.objectContaining({ kind: 'reading', percent: 87, at: '2027-09-04T08:01:00.000Z' })],
      notes: [],
    });
    expect(taken(`${LINE}\nrubbish`).notes).toEqual([
      'The file does not say when it begins: its last line was taken to be of Sat 14:00.',
      '1 lines could not be read.',
    ]);
    const month = Array.from({ length: 60 }, (_, hours) => `B ${hours * 3_600_000} 13.12 -0.84 87 -2.31 640`);
    const long = taken(start(8) + month.join('\n'));
    expect(long.entries.length).toBe(35);
    expect(long.notes).toEqual(['25 entries of another time were left out.']);
  });

  it('is told by its headings to be a controller’s days', () => {
    const head = 'day,Ah in,peak W,lowest V,highest V\n';
    expect(taken(`${head}2027-09-04,5.2,31,12.9,14.2`).entries.length).toBe(2);
    expect(problem(`${head}2027-08-04,5.2,31,12.9,14.2`)).toContain('None of these days');
    expect(problem(`${head}nonsense`)).toContain('Row 2');
  });

  it('of another time, or of nothing, changes nothing', () => {
    expect(problem(start(200) + LINE)).toContain('not this outing');
    expect(problem('nothing')).toContain('no line of an instrument');
  });
});
