import { join } from 'node:path';
import { DEMO, expectSentence, run } from './testing/run.js';

const TRIP = join(DEMO, 'trips/gannet-rock-light.json');

describe('knapsack play', () => {
  it('prints the lines of instruments in the order of time, with what was true, the same for the same seed', async () => {
    const { code, out } = await run('play', TRIP, '--seed', '3', '--every', '1800');
    expect(code).toBe(0);
    const lines = out.trim().split('\n');
    expect(lines[0]).toBe('# start 2027-09-04T08:00:00.000Z');
    const times = lines.slice(1).map((line) => Number(/^(?:[BC]|# truth) (\d+) /.exec(line)![1]));
    expect(times).toEqual([...times].sort((a, b) => a - b));
    for (const letter of ['B', 'C', '# truth'])
      expect(lines.filter((line) => line.startsWith(`${letter} `)).length).toBe(59);
    expect((await run('play', TRIP, '--seed', '3', '--every', '1800')).out).toBe(out);
    expect((await run('play', TRIP, '--seed', '4', '--every', '1800')).out).not.toBe(out);
  });

  it('prints what the controller remembers by the day', async () => {
    const { code, out } = await run('play', TRIP, '--seed', '3', '--days');
    expect(code).toBe(0);
    const [headings, ...days] = out.trim().split('\n');
    expect(headings).toBe('day,Ah in,peak W,lowest V,highest V');
    expect(days.map((row) => row.split(',')[0])).toEqual(['2027-09-04', '2027-09-05']);
    for (const row of days) expect(row).toMatch(/^[\d-]{10},\d+\.\d\d,\d+,1[0-4]\.\d\d,1[3-5]\.\d\d$/);
  });

  it('has a sentence for a number that is none', async () => {
    expectSentence(await run('play', TRIP, '--every', '5'), '--every is a whole number from 10 to 3600');
    expectSentence(await run('play', TRIP, '--seed', 'x'), '--seed is a whole number');
  });
});
