import { entriesOfLinesFile, readLinesFile, type LinesFile } from './lines-file.js';

const START = '2027-09-04T08:00:00.000Z';
const NOW = Date.parse('2027-09-04T12:00:00Z');
const lines = [
  'B 60000 13.12 -0.84 87 -2.31 640',
  'C 60000 17.90 1.20 13.30 1.52 0.02 22 bulk',
  'B 120000 13.11 -0.84 87 -2.32 640',
  'C 120000 17.90 1.20 13.30 1.52 0.04 22 bulk',
];
function read(text: string): LinesFile {
  const file = readLinesFile(text, NOW);
  if (!file.ok) throw new Error(file.problems[0].sentence);
  return file.value;
}
const problem = (text: string) => {
  const file = readLinesFile(text, NOW);
  return file.ok ? '' : file.problems[0].sentence;
};

describe('a file of lines of instruments', () => {
  it('is read by the instant, with what was true, from when it says', () => {
    const file = read(
      [
        `# start ${START}`,
        '# truth 60000 0.8712',
        ...lines,
        '# truth 120000 0.8701',
        '# a remark',
        'X 1 2',
        '',
      ].join('\n'),
    );
    expect(file.saysWhen).toBeTrue();
    expect(file.unread).toBe(1);
    expect(file.moments.map(({ timeMs }) => timeMs - Date.parse(START))).toEqual([60_000, 120_000]);
    expect(file.moments[0].lines).toEqual(lines.slice(0, 2));
    expect(file.moments.map(({ truth }) => truth?.soc)).toEqual([0.8712, 0.8701]);
  });

  it('ends now where it does not say when it begins', () => {
    const file = read(lines.join('\r\n'));
    expect(file.saysWhen).toBeFalse();
    expect(file.moments.map(({ timeMs }) => timeMs)).toEqual([NOW - 60_000, NOW]);
    expect(file.moments[0].truth).toBeNull();
  });

  it('comes to entries of both instruments, each at its time', () => {
    const entries = entriesOfLinesFile(read([`# start ${START}`, ...lines].join('\n')));
    expect(entries.map(({ at, kind, source }) => `${at.slice(11, 16)} ${kind} ${source}`)).toEqual([
      '08:01 reading monitor',
      '08:01 reset controller',
      '08:01 reading controller',
      '08:02 reading monitor',
      '08:02 reading controller',
    ]);
  });

  it('is refused without a line of an instrument, or with too many', () => {
    expect(problem('')).toContain('no line of an instrument');
    expect(problem('# truth 1 0.5\nvolts,amps\n1,2')).toContain('no line of an instrument');
    expect(problem('\n'.repeat(200_001))).toContain('more than 200000 lines');
  });
});
