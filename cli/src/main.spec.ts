import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DEMO, expectSentence, file, newFolder, run } from './testing/run.js';

const QUICK =
  'quick --capacity-ah 12 --chemistry lifepo4 --usable 1 --receive-a 0.4 --transmit-a 3 --share 0.25 --always-a 0.2';

const runLine = (line: string) => run(...line.split(' '));

describe('knapsack --units, --clock, --currency', () => {
  const trip = join(DEMO, 'trips', 'gannet-rock-light.json');

  it('tell in US customary units and half days, and the next command in metric ones again', async () => {
    const us = await run('--units', 'us', '--clock', '12', 'forecast', trip);
    expect(us.code).toBe(0);
    expect(us.out).toContain('4:00\u00A0PM');
    const metric = await run('forecast', trip);
    expect(metric.out).toContain('16:00');
    expect(metric.out).not.toContain('PM');
  });

  it('take three letters for the currency, and nothing else', async () => {
    expectSentence(
      await run('--currency', 'dollars', 'forecast', trip),
      '--currency is three letters like EUR',
    );
    expect((await run('--units', 'imperial', 'forecast', trip)).code).toBe(2);
  });
});

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

describe('knapsack what-if', () => {
  const CAMP = join(DEMO, 'trips/headland-contest-camp.json');

  it('says what would do, each as a trip that is one, what a failure leaves, and the months', async () => {
    const { code, out } = await run('what-if', CAMP, '--json');
    expect(code).toBe(0);
    const answer = JSON.parse(out) as {
      fixes: { words: string; enough: boolean; chance: { finish: number }; trip: object }[];
      failures: { name: string; hours: number; ofHours: number }[];
      alone: { months: object[] };
    };
    expect(answer.fixes.length).toBe(3);
    for (const { enough, chance, trip } of answer.fixes) {
      expect(enough).toBeTrue();
      expect(chance.finish).toBeGreaterThanOrEqual(0.9);
      // The trip with the change in it is told the same chance by forecast.
      const again = await run('forecast', file(JSON.stringify(trip)), '--json');
      expect((JSON.parse(again.out) as { chance: { finish: number } }).chance.finish).toBe(chance.finish);
    }
    expect(answer.failures.find(({ name }) => name === 'Whimbrel 100')!.hours).toBe(0);
    expect(answer.alone.months.length).toBe(12);
  });

  it('tells it in words, and refuses what is no trip', async () => {
    const { out } = await run('what-if', CAMP);
    expect(out).toContain('Fixes');
    expect(out).toContain('If any one thing fails at the start');
    expectSentence(await run('what-if', file('{"schema":"knapsack.trip","version":10}')), 'version 10');
  });
});

describe('knapsack wire', () => {
  const CAMP = join(DEMO, 'trips/headland-contest-camp.json');

  it('tells the runs, the broken rules, and the order of joining', async () => {
    const { code, out } = await run('wire', CAMP);
    expect(code).toBe(0);
    expect(out).toContain('the batteries to Whimbrel 100: 19.6 A, loses 0.35 V');
    expect(out).toContain('stop: From the batteries to Whimbrel 100');
    expect(out).toContain('fix: a change-over switch');
    // Nothing is connected while a stop stands; taking apart is always safe.
    expect(out).toContain('Connect nothing yet');
    expect(out).not.toContain('Connect in this order');
    expect(out).toContain('Disconnect in this order');
    expect(out).toContain('Cautions');
  });

  it('prints the drawing, the parts list, and all of it as JSON', async () => {
    expect((await run('wire', CAMP, '--svg')).out).toContain(
      '<title>Wiring of Headland contest camp</title>',
    );
    expect((await run('wire', CAMP, '--csv')).out.split('\n')[0]).toBe('what,detail,count,length_m,where');
    const { checks } = JSON.parse((await run('wire', CAMP, '--json')).out) as { checks: { rule: string }[] };
    expect(checks[0].rule).toBe('changeover');
  });

  it('draws a bag with parts missing', async () => {
    const trip = JSON.parse(readFileSync(CAMP, 'utf8')) as object;
    const { code, out } = await run('wire', file(JSON.stringify({ ...trip, loadout: [] })));
    expect(code).toBe(0);
    expect(out).toContain('Nothing feeds this station');
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
    expect(answer.verdict.binds).toBe('reserve');
    expect(Date.parse(answer.verdict.end)).toBeGreaterThan(0);
    expect(answer.steps.length).toBe(26 * 12);
  });

  it('prints steps as CSV, one a line under a header', async () => {
    const { out } = await run('forecast', join(DEMO, 'trips/winter-bothy.json'), '--csv');
    const lines = out.trim().split('\n');
    expect(lines[0]).toBe('time,soc,loadA,sunA,chargerA,curtailedA,terminalV,keyDownA,radioV');
    expect(lines.length).toBe(1 + 17 * 12);
  });

  it('tells the sentence and its arithmetic in words', async () => {
    const { out } = await run(
      'forecast',
      join(DEMO, 'trips/winter-bothy.json'),
      '--gear',
      join(DEMO, 'gear.json'),
    );
    expect(out).toMatch(/Lasts in .* simulated outings\. The typical outing lasts past Sun 09:00/);
    expect(out).toContain('What the plan takes from the battery');
    expect(out).not.toContain('best fixed aim');
    const sunny = await run('forecast', join(DEMO, 'trips/gannet-rock-light.json'));
    expect(sunny.out).toMatch(
      /best fixed aim: tilted \d+° from the level, looking 1\d\d° true, 1\d\d° by compass/,
    );
  });
});

describe('knapsack weather', () => {
  const GANNET = join(DEMO, 'trips/gannet-rock-light.json');

  it('makes the same weather up for the same trip, and the forecast takes it', async () => {
    const { code, out } = await run('weather', GANNET, '--climate', 'maritime');
    expect(code).toBe(0);
    expect(out).toBe((await run('weather', GANNET)).out);
    const folder = newFolder();
    const file = join(folder, 'weather.json');
    writeFileSync(file, out);
    const taken = await run('forecast', GANNET, '--weather', file, '--json');
    const simulated = await run('forecast', GANNET, '--climate', 'maritime', '--json');
    expect(taken.out).toBe(simulated.out);
    expect(taken.err).toBe('');
    expect(taken.out).not.toBe((await run('forecast', GANNET, '--json')).out);
  });

  it('reads back the table that it writes, and says what a short one leaves out', async () => {
    const { out } = await run('weather', GANNET, '--csv');
    const folder = newFolder();
    const file = join(folder, 'weather.csv');
    writeFileSync(file, out.split('\n').slice(0, 12).join('\n'));
    const { code, err } = await run('forecast', GANNET, '--weather', file);
    expect(code).toBe(0);
    expect(out.split('\n')[0]).toBe('start,cloud,rain,temperatureC,windMS,air');
    expect(err).toContain('It says nothing of Sat 21:00 to Sun 16:00; filled with what is usual: maritime');
  });

  it('asks for a climate and a place', async () => {
    const camp = join(DEMO, 'trips/winter-bothy.json');
    const folder = newFolder();
    const file = join(folder, 'trip.json');
    const { weather: _none, ...unknown } = JSON.parse(readFileSync(camp, 'utf8')) as { weather: unknown };
    writeFileSync(file, JSON.stringify(unknown));
    expect((await run('weather', file)).err).toContain('Say which climate');
    expect((await run('weather', camp, '--climate', 'lunar')).err).toContain('is not known');
    expect((await run('forecast', camp, '--rating', 'hopeful')).err).toContain(
      'cautious, expected, measured',
    );
  });
});

describe('knapsack verify', () => {
  it('meets the figures that ship with the core', async () => {
    const { code, out } = await run('verify');
    expect(code).toBe(0);
    expect(out.trim().split('\n').length).toBe(11);
    expect(out).not.toContain('FAIL');
  });

  it('exits 1 where a figure is missed or a file is of no known kind, and names the worst', async () => {
    const folder = newFolder();
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
  });
});

describe('bad input', () => {
  it('gets exit 2 and one sentence', async () => {
    expectSentence(await runLine('quick'), '--capacity-ah');
    expectSentence(await runLine('quik'), 'Unknown command');
    expectSentence(await runLine(`${QUICK} --share 25`), 'between 0 and 1; 25 is not');
    expectSentence(await runLine(`${QUICK} --chemistry uranium`), '“uranium” is not known');
    expectSentence(await runLine(`${QUICK} --receive-a lots`), '--receive-a');
    expectSentence(await runLine('forecast'), 'Missing required argument');
    const folder = newFolder();
    expectSentence(await run('forecast', join(folder, 'none.json')), 'There is no file');
    expectSentence(await run('verify', join(folder, 'none')), 'There is no folder');
    expectSentence(await run('verify', folder), 'holds no file of figures');
    expectSentence(await run('forecast', folder), 'is not a file');
    expectSentence(await run('forecast', file('{"schema":')), 'is not JSON');
    expectSentence(await run('forecast', file('{"schema":"knapsack.trip","version":10}')), 'version 10');
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
