import { existsSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Database } from '@knapsack/server/backup';
import { DEMO, run, runTyping } from './testing/run.js';

const TRIP = join(DEMO, 'trips/gannet-rock-light.json');

describe('the commands that work on the data folder', () => {
  let folder: string;
  const before = process.env['KNAPSACK_DATA'];
  const use = (name: string) => (process.env['KNAPSACK_DATA'] = join(folder, name));
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'))));
  afterEach(() => {
    if (before === undefined) delete process.env['KNAPSACK_DATA'];
    else process.env['KNAPSACK_DATA'] = before;
    rmSync(folder, { recursive: true, force: true });
  });

  it('set a passphrase that is typed twice, or piped in once', async () => {
    use('one');
    const file = join(folder, 'one', 'passphrase.json');
    expect((await runTyping(['short'], 'passphrase')).err).toContain('at least 10 characters');
    expect((await runTyping(['four words of sea', 'four words of see'], 'passphrase')).err).toContain(
      'differ',
    );
    expect((await runTyping([], 'passphrase')).code).toBe(2);
    expect(existsSync(file)).toBeFalse();
    expect((await runTyping(['four words of sea'], 'passphrase')).out).toContain('The passphrase is set');
    const piped = readFileSync(file, 'utf8');
    expect(piped).not.toContain('four words');
    expect(statSync(file).mode & 0o777).toBe(0o600);
    expect((await runTyping(['four words of sea', 'four words of sea'], 'passphrase')).code).toBe(0);
    // Another salt each time.
    expect(readFileSync(file, 'utf8')).not.toBe(piped);
  });

  it('take a trip in, give it out, back everything up and restore it elsewhere', async () => {
    use('one');
    const zip = join(folder, 'knapsack.zip');
    expect((await run('backup', zip)).err).toContain('There are no data of Knapsack');
    const alone = (await run('export', TRIP)).out;
    const file = join(folder, 'trip.json');
    writeFileSync(file, alone);
    expect((await run('import', file)).out).toMatch(
      /is here as “gannet-rock-light”; 11 gear items are new on the shelf/,
    );
    // A trip that is here already, the same, is not doubled; one with other content stands beside it.
    await run('import', file);
    writeFileSync(file, JSON.stringify({ ...(JSON.parse(alone) as object), note: 'other' }));
    expect((await run('import', file)).out).toMatch(/, from a file is here as “trip-/);
    expect((await run('export', 'gannet-rock-light', '--as', 'ics')).out).toMatch(/^BEGIN:VCALENDAR/);
    expect((await run('export', 'nowhere')).err).toContain('There is no trip “nowhere”');

    expect((await run('backup', zip)).out).toContain('2 trips, 11 gear items and 2 packing lists');
    expect((await run('backup', zip)).err).toContain('is there already');
    use('two');
    expect((await run('restore', zip, '--look')).out).toMatch(/not here: 15\n[^]*Nothing was changed/);
    expect((await run('restore', zip)).out).toContain('Restored: 15 added');
    expect((await run('restore', zip)).out).toContain('0 added, 0 replaced, 15 the same');
    expect(await run('restore', file)).toEqual({
      code: 2,
      out: '',
      err: jasmine.stringMatching(/no zip that can be read/),
    });
  });

  it('are refused in a sentence while a Knapsack runs there, but for the backup', async () => {
    use('one');
    await run('import', TRIP);
    const zip = join(folder, 'knapsack.zip');
    const running = await Database.open(join(folder, 'one'));
    try {
      expect((await run('backup', zip)).out).toContain('1 trip');
      expect((await run('export', 'gannet-rock-light')).code).toBe(0);
      for (const command of [
        ['restore', zip],
        ['restore', zip, '--look'],
        ['import', TRIP],
      ]) {
        expect((await run(...command)).err).toContain('Another Knapsack is using the data folder');
      }
    } finally {
      await running.close();
    }
  });

  it('say which gear of a bag nobody knows', async () => {
    use('one');
    expect((await run('import', TRIP)).out).toMatch(/neither in the file nor on the shelf: .*curlew-10/);
  });

  it('move a trip to a point of a file, its hours as they were', async () => {
    const places = join(folder, 'places.gpx');
    writeFileSync(
      places,
      '<gpx><wpt lat="58.1" lon="6.2"><name>Skerry</name></wpt><wpt lat="43" lon="28"><name>Cape</name></wpt></gpx>',
    );
    expect((await run('place', TRIP, places)).err).toContain('Skerry (58.10 N 6.20 E), Cape');
    expect((await run('place', TRIP, places, '--point', 'constructor')).err).toContain(
      'no point of that name',
    );
    const moved = JSON.parse((await run('place', TRIP, places, '--point', 'Cape')).out) as {
      place: { name: string; timeZone: string };
      start: string;
    };
    expect([moved.place.name, moved.place.timeZone]).toEqual(['Cape', 'Europe/Sofia']);
    // Ten o'clock here and there: an hour earlier in UTC.
    expect(moved.start).toBe('2027-09-04T07:00:00.000Z');
  });
});
