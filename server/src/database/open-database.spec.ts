import { copyFileSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { readGear, readTrip } from '@knapsack/contract/schemas';
import { seed } from '../documents/seed.js';
import { storesOf } from '../documents/stores.js';
import { DEMO_FOLDER } from '../testing/running-app.js';
import { DATABASE_FILE, openDatabase, StartProblem } from './open-database.js';

describe('the database', () => {
  let folder: string;
  beforeEach(() => (folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'))));
  afterEach(() => rmSync(folder, { recursive: true, force: true }));

  it('is made in a folder that is not there yet, and found again as it was left', async () => {
    const data = join(folder, 'deep', 'down');
    const first = await openDatabase(data);
    await seed(storesOf(first), DEMO_FOLDER);
    const trips = await storesOf(first).trips.list();
    await first.destroy();
    const second = await openDatabase(data);
    expect(await storesOf(second).trips.list()).toEqual(trips);
    expect(trips.length).toBe(3);
    await second.destroy();
  });

  it('hands out what an earlier release wrote as this one would', async () => {
    const source = await openDatabase(folder);
    await seed(storesOf(source), DEMO_FOLDER);
    const { trips } = storesOf(source);
    const now = await trips.read('winter-bothy');
    let version = 5;
    for (const earlier of [1, 2, 4]) {
      await source.query(
        `UPDATE trips SET text = replace(text, '"schema":"knapsack.trip","version":${version}', '"schema":"knapsack.trip","version":${earlier}')`,
      );
      version = earlier;
      expect((await source.query(`SELECT text FROM trips`))[0].text).toContain(`"version":${earlier}`);
      expect(await trips.read('winter-bothy')).toEqual(now);
    }
    await source.destroy();
  });

  it('opens the file of an earlier release, with documents of every version in it', async () => {
    copyFileSync(
      fileURLToPath(new URL('../../fixtures/released.sqlite', import.meta.url)),
      join(folder, DATABASE_FILE),
    );
    const source = await openDatabase(folder);
    const { trips, gear } = storesOf(source);
    const listed = await trips.list();
    expect(listed.map(({ savedAs }) => savedAs).sort()).toEqual([1, 3, 4]);
    expect(listed.every(({ document }) => readTrip(document).ok && document.version === 5)).toBeTrue();
    const items = await gear.list();
    expect([...new Set(items.map(({ savedAs }) => savedAs))].sort()).toEqual([1, 2, 3]);
    expect(items.every(({ document }) => readGear(document).ok && document.version === 4)).toBeTrue();
    // Written once more, a trip is of today's version.
    await trips.replace(listed[0].document, listed[0].revision);
    expect((await trips.list()).filter(({ savedAs }) => savedAs === 5).length).toBe(1);
    await source.destroy();
  });

  it('writes ahead with full synchronisation', async () => {
    const source = await openDatabase(folder);
    expect(await source.query('PRAGMA journal_mode')).toEqual([{ journal_mode: 'wal' }]);
    expect(await source.query('PRAGMA synchronous')).toEqual([{ synchronous: 2 }]);
    await source.destroy();
  });

  it('says in a sentence that a folder or a file will not do', async () => {
    writeFileSync(join(folder, 'file'), 'no folder');
    await expectAsync(openDatabase(join(folder, 'file'))).toBeRejectedWithError(
      StartProblem,
      /cannot write to its data folder/,
    );
    writeFileSync(
      join(folder, DATABASE_FILE),
      'this is not SQLite, but long enough to be looked at'.repeat(40),
    );
    await expectAsync(openDatabase(folder)).toBeRejectedWithError(StartProblem, /cannot open/);
  });

  it('seeds without touching what is there', async () => {
    const source = await openDatabase(folder);
    const { trips } = storesOf(source);
    await seed(storesOf(source), DEMO_FOLDER);
    const { document } = (await trips.read('winter-bothy'))!;
    await trips.replace({ ...document, name: 'Mine' }, 1);
    await seed(storesOf(source), DEMO_FOLDER);
    expect((await trips.read('winter-bothy'))?.document.name).toBe('Mine');
    await source.destroy();
  });
});
