import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { main } from './main.js';

const DEMO = fileURLToPath(new URL('../../demo', import.meta.url));
const QUICK =
  'quick --capacity-ah 12 --chemistry lifepo4 --usable 1 --receive-a 0.4 --transmit-a 3 --share 0.25 --always-a 0.2';

async function run(...args: string[]) {
  let out = '';
  let err = '';
  const code = await main(args, { out: (text) => (out += text), err: (text) => (err += text) });
  return { code, out, err };
}
const runLine = (line: string) => run(...line.split(' '));

describe('knapsack quick', () => {
  it('prints whiteboard arithmetic as JSON', async () => {
    const { code, out } = await runLine(`${QUICK} --json`);
    expect(code).toBe(0);
    expect(JSON.parse(out)).toEqual(
      jasmine.objectContaining({ meanA: 1.25, netA: 1.25, usableAh: 12, hours: 9.6 }),
    );
  });

  it('has no hours where the sun carries the load', async () => {
    const { out } = await runLine(`${QUICK} --sun-a 1.5 --json`);
    expect(JSON.parse(out)).toEqual(jasmine.objectContaining({ hours: null, netA: -0.25 }));
  });

  it('takes the usual usable share of the chemistry, and compares with the hours wanted', async () => {
    const { out } = await runLine(
      'quick --capacity-ah 12 --chemistry agm --receive-a 1 --transmit-a 1 --share 0 --hours 7',
    );
    expect(out).toContain('lasts 6 h 00');
    expect(out).toContain('1 h 00 short of the 7 h wanted');
  });
});

describe('knapsack forecast', () => {
  it('prints the verdict and the steps as JSON', async () => {
    const { code, out } = await run('forecast', join(DEMO, 'trips/headland-contest-camp.json'), '--json');
    expect(code).toBe(0);
    const answer = JSON.parse(out) as {
      verdict: { lasts: boolean; binds: string; end: string };
      steps: { soc: number }[];
    };
    expect(answer.verdict.lasts).toBeFalse();
    expect(answer.verdict.binds).toBe('floor');
    expect(Date.parse(answer.verdict.end)).toBeGreaterThan(0);
    expect(answer.steps.length).toBe(26 * 12);
  });

  it('prints steps as CSV, one a line under a header', async () => {
    const { out } = await run('forecast', join(DEMO, 'trips/winter-bothy.json'), '--csv');
    const lines = out.trim().split('\n');
    expect(lines[0]).toBe('time,soc,loadA,sunA,curtailedA,terminalV,keyDownA,radioV');
    expect(lines.length).toBe(1 + 17 * 12);
  });

  it('tells the sentence and its arithmetic in words', async () => {
    const { out } = await run(
      'forecast',
      join(DEMO, 'trips/winter-bothy.json'),
      '--gear',
      join(DEMO, 'gear.json'),
    );
    expect(out).toContain('Lasts past Sun 09:00');
    expect(out).toContain('What the plan draws');
  });
});

describe('knapsack verify', () => {
  it('meets the figures that ship with the core', async () => {
    const { code, out } = await run('verify');
    expect(code).toBe(0);
    expect(out.trim().split('\n').length).toBe(9);
    expect(out).not.toContain('FAIL');
  });

  it('exits 1 where a figure is missed or a file is of no known kind, and names the worst', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'));
    const wire = JSON.parse(readFileSync(join(DEMO, '../core/reference/wire.json'), 'utf8')) as {
      cases: { fuse_a: number }[];
    };
    wire.cases[3].fuse_a = 99;
    writeFileSync(join(folder, 'wire.json'), JSON.stringify(wire));
    writeFileSync(join(folder, 'odd.json'), '{"cases":[{"a":1}],"tolerance":{}}');
    const { code, out } = await run('verify', folder);
    expect(code).toBe(1);
    expect(out).toContain('worst fuse_a of case 3');
    expect(out).toContain('not a file of figures');
    rmSync(folder, { recursive: true });
  });
});

describe('bad input', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'))));
  afterEach(() => rmSync(folder, { recursive: true, force: true }));
  const file = (text: string): string => {
    const path = join(folder, 'file.json');
    writeFileSync(path, text);
    return path;
  };

  const expectSentence = ({ code, out, err }: Awaited<ReturnType<typeof run>>, words: string) => {
    expect(code).toBe(2);
    expect(out).toBe('');
    expect(err.trim().split('\n').length).toBe(1);
    expect(err).toContain(words);
  };

  it('gets exit 2 and one sentence', async () => {
    expectSentence(await runLine('quick'), '--capacity-ah');
    expectSentence(await runLine('quik'), 'Unknown command');
    expectSentence(await runLine(`${QUICK} --share 25`), 'between 0 and 1; 25 is not');
    expectSentence(await runLine(`${QUICK} --chemistry uranium`), '“uranium” is not known');
    expectSentence(await runLine(`${QUICK} --receive-a lots`), '--receive-a');
    expectSentence(await runLine('forecast'), 'Missing required argument');
    expectSentence(await run('forecast', join(folder, 'none.json')), 'There is no file');
    expectSentence(await run('verify', join(folder, 'none')), 'There is no folder');
    expectSentence(await run('verify', folder), 'holds no file of figures');
    expectSentence(await run('forecast', folder), 'is not a file');
    expectSentence(await run('forecast', file('{"schema":')), 'is not JSON');
    expectSentence(await run('forecast', file('{"schema":"knapsack.trip","version":9}')), 'version 9');
    expectSentence(await run('forecast', file('{"schema":"knapsack.trip","version":1}')), 'is missing');
    expectSentence(
      await run('forecast', join(DEMO, 'trips/winter-bothy.json'), '--json', '--csv'),
      'Choose one',
    );
    const noGear = file('{"schema":"knapsack.shelf","version":1,"gear":[]}');
    expectSentence(
      await run('forecast', join(DEMO, 'trips/winter-bothy.json'), '--gear', noGear),
      'neither on the shelf',
    );
  });

  it('is not what help is', async () => {
    for (const line of ['--help', 'quick --help', 'forecast --help']) {
      const { code, out } = await runLine(line);
      expect(code).withContext(line).toBe(0);
      expect(out).toContain('Usage:');
    }
    expect((await run()).code).toBe(0);
  });
});
