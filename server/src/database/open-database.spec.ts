import { GEAR_VERSION, TRIP_VERSION } from '@knapsack/contract';
import { spawnSync } from 'node:child_process';
import { copyFileSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { readGear, readTrip } from '@knapsack/contract/schemas';
import { seed } from '../documents/seed.js';
import { storesOf } from '../documents/stores.js';
import { DEMO_FOLDER } from '../testing/running-app.js';
import { Database } from './database.js';
import { DATABASE_FILE } from './open-database.js';
import { HOLD_FILE } from './folder-hold.js';
import { StartProblem } from './start-problem.js';

const query = (database: Database, sql: string) =>
  database.read((manager) => manager.query<Record<string, unknown>[]>(sql));

describe('the database', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'))));
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  it('is made in a folder that is not there yet, and found again as it was left', async () => {
    const data = join(folder, 'deep', 'down');
    const first = await Database.open(data);
    await seed(storesOf(first), DEMO_FOLDER);
    const trips = await storesOf(first).trips.list();
    await first.close();
    const second = await Database.open(data);
    expect(await storesOf(second).trips.list()).toEqual(trips);
    expect(trips.length).toBe(3);
    await second.close();
  });

  it('hands out what an earlier release wrote as this one would', async () => {
    const database = await Database.open(folder);
    await seed(storesOf(database), DEMO_FOLDER);
    const { trips } = storesOf(database);
    const now = await trips.read('winter-bothy');
    let version: number = TRIP_VERSION;
    for (const earlier of [1, 2, 4]) {
      await query(
        database,
        `UPDATE trips SET text = replace(text, '"schema":"knapsack.trip","version":${version}', '"schema":"knapsack.trip","version":${earlier}')`,
      );
      version = earlier;
      expect((await query(database, `SELECT text FROM trips`))[0]['text']).toContain(`"version":${earlier}`);
      expect(await trips.read('winter-bothy')).toEqual(now);
    }
    await database.close();
  });

  it('opens the file of an earlier release, with documents of every version in it', async () => {
    copyFileSync(
      fileURLToPath(new URL('../../fixtures/released.sqlite', import.meta.url)),
      join(folder, DATABASE_FILE),
    );
    const database = await Database.open(folder);
    const { trips, gear, packings, rehearsals } = storesOf(database);
    const listed = await trips.list();
    expect(listed.map(({ savedAs }) => savedAs).sort()).toEqual([1, 3, 4]);
    expect(
      listed.every(({ document }) => readTrip(document).ok && document.version === TRIP_VERSION),
    ).toBeTrue();
    // What was ticked and read in them has documents of its own now.
    expect(listed.every(({ document }) => !document.packed && !document.results)).toBeTrue();
    const { packed } = (await packings.read('released-4'))!.document;
    expect(packed.map((tick) => tick.gear)).toEqual(['curlew-10', 'shale-18', 'rill-8']);
    expect((await rehearsals.list()).length).toBe(0);
    const items = await gear.list();
    expect([...new Set(items.map(({ savedAs }) => savedAs))].sort()).toEqual([1, 2, 3]);
    expect(
      items.every(({ document }) => readGear(document).ok && document.version === GEAR_VERSION),
    ).toBeTrue();
    // Written once more, a trip is of today's version.
    await trips.replace(listed[0].document, listed[0].revision);
    expect((await trips.list()).filter(({ savedAs }) => savedAs === TRIP_VERSION).length).toBe(1);
    await database.close();
  });

  it('writes ahead with full synchronisation', async () => {
    const database = await Database.open(folder);
    expect(await query(database, 'PRAGMA journal_mode')).toEqual([{ journal_mode: 'wal' }]);
    expect(await query(database, 'PRAGMA synchronous')).toEqual([{ synchronous: 2 }]);
    await database.close();
  });

  it('says in a sentence that a folder or a file will not do', async () => {
    writeFileSync(join(folder, 'file'), 'no folder');
    await expectAsync(Database.open(join(folder, 'file'))).toBeRejectedWithError(
      StartProblem,
      /cannot write to its data folder/,
    );
    writeFileSync(
      join(folder, DATABASE_FILE),
      'this is not SQLite, but long enough to be looked at'.repeat(40),
    );
    await expectAsync(Database.open(folder)).toBeRejectedWithError(StartProblem, /cannot open/);
  });

  it('seeds without touching what is there', async () => {
    const database = await Database.open(folder);
    const { trips } = storesOf(database);
    await seed(storesOf(database), DEMO_FOLDER);
    const { document } = (await trips.read('winter-bothy'))!;
    await trips.replace({ ...document, name: 'Mine' }, 1);
    await seed(storesOf(database), DEMO_FOLDER);
    expect((await trips.read('winter-bothy'))?.document.name).toBe('Mine');
    await database.close();
  });

  it('belongs to its owner alone', async () => {
    const data = join(folder, 'data');
    const database = await Database.open(data);
    await seed(storesOf(database), DEMO_FOLDER);
    const mode = (file: string) => statSync(join(data, file)).mode & 0o777;
    if (process.platform !== 'win32') {
      expect(mode('.')).toBe(0o700);
      expect([DATABASE_FILE, `${DATABASE_FILE}-wal`, HOLD_FILE].map(mode)).toEqual([0o600, 0o600, 0o600]);
    }
    await database.close();
  });

  it('is opened by one program at a time, and by the next one after the first has gone in whatever way', async () => {
    const first = await Database.open(folder);
    await expectAsync(Database.open(folder)).toBeRejectedWithError(StartProblem, /Another Knapsack is using/);
    await first.close();
    const killed = `import { Database } from ${JSON.stringify(new URL('database.js', import.meta.url).href)};
      await Database.open(${JSON.stringify(folder)}); process.kill(process.pid, 'SIGKILL');`;
    expect(spawnSync(process.execPath, ['--input-type=module', '-e', killed]).signal).toBe('SIGKILL');
    const next = await Database.open(folder);
    await next.close();
  });

  it('refuses a damaged file and one that a later release has changed, and leaves both as they are', async () => {
    const database = await Database.open(folder);
    await seed(storesOf(database), DEMO_FOLDER);
    await query(
      database,
      `INSERT INTO migrations (timestamp, name) VALUES (9999999999999, 'Later9999999999999')`,
    );
    await database.close();
    const file = join(folder, DATABASE_FILE);
    const before = readFileSync(file);
    await expectAsync(Database.open(folder)).toBeRejectedWithError(
      StartProblem,
      /later release .*Later9999999999999/,
    );
    expect(readFileSync(file).equals(before)).toBeTrue();

    const other = mkdtempSync(join(tmpdir(), 'knapsack-test-'));
    const torn = Buffer.from(before);
    // The pages behind the first: trees whose cells point anywhere.
    torn.fill(0xff, 8192, Math.min(torn.length, 40_960));
    writeFileSync(join(other, DATABASE_FILE), torn);
    await expectAsync(Database.open(other)).toBeRejectedWithError(StartProblem, /is damaged|cannot open/);
    expect(readFileSync(join(other, DATABASE_FILE)).equals(torn)).toBeTrue();
    rmSync(other, { recursive: true, force: true });
  });
});
