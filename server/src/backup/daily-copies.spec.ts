import { mkdtempSync, readdirSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Gear } from '@knapsack/contract';
import { Database } from '../database/database.js';
import { storesOf, type Stores } from '../documents/stores.js';
import { backupOfFile } from './backup-of-file.js';
import { DailyCopies } from './daily-copies.js';

const item = (id: string): Gear => ({ schema: 'knapsack.gear', version: 8, id, kind: 'other', name: id });
const DAY_MS = 86_400_000;
const FIRST_MS = Date.UTC(2027, 8, 1, 12);

describe('the copies of a data folder', () => {
  let folder: string;
  let database: Database;
  let stores: Stores;
  let nowMs: number;
  let copies: DailyCopies;
  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'));
    database = await Database.open(folder);
    stores = storesOf(database);
    nowMs = FIRST_MS;
    copies = new DailyCopies(database, folder, () => nowMs);
  });
  afterEach(async () => {
    await database.close();
    rmSync(folder, { recursive: true, force: true });
  });

  /** A day passes on which an item comes onto the shelf. */
  const dayWith = async (id: string) => {
    await stores.gear.create(item(id));
    await copies.makeToday();
    nowMs += DAY_MS;
  };

  it('are one a day, the last seven days on which something has changed, and hold what there was', async () => {
    for (let day = 1; day <= 9; day++) await dayWith(`day-${day}`);
    const names = copies.list().copies.map(({ name }) => name);
    expect(names.length).toBe(7);
    expect([names[0], names[6]]).toEqual(['knapsack-2027-09-09.sqlite', 'knapsack-2027-09-03.sqlite']);
    expect(readdirSync(copies.folder).length).toBe(7);
    const oldest = backupOfFile(copies.fileOf(names[6])!, 'then');
    expect(oldest.documents.map(({ id }) => id)).toEqual(['day-1', 'day-2', 'day-3']);
    if (process.platform !== 'win32') {
      expect(statSync(copies.folder).mode & 0o777).toBe(0o700);
      expect(statSync(copies.fileOf(names[0])!).mode & 0o777).toBe(0o600);
    }
  });

  it('are not made again on a day, nor where nothing has changed', async () => {
    await dayWith('one');
    const [first] = copies.list().copies;
    await copies.makeToday();
    nowMs += DAY_MS;
    await copies.makeToday();
    expect(copies.list().copies).toEqual([first]);
    // Not even where a server was killed while it made one.
    writeFileSync(join(copies.folder, 'knapsack-2027-09-03.sqlite.part'), 'half of a copy');
    await stores.gear.create(item('two'));
    await copies.makeToday();
    expect(copies.list().problem).toBeNull();
    expect(copies.list().copies.length).toBe(2);
  });

  it('that cannot be made disturb nothing and are told', async () => {
    writeFileSync(copies.folder, 'a file where the folder should be');
    await copies.makeToday();
    expect(copies.list().problem).toMatch(/EEXIST|ENOTDIR/);
    expect((await stores.gear.create(item('after'))).ok).toBeTrue();
  });

  it('before a restore stand beside those of days, and none has a name from outside', async () => {
    await dayWith('one');
    const name = await copies.beforeRestore();
    expect(copies.list().copies.length).toBe(2);
    expect(backupOfFile(copies.fileOf(name)!, 'then').documents.length).toBe(1);
    for (const hostile of ['../knapsack.sqlite', 'constructor', ''])
      expect(copies.fileOf(hostile)).toBeNull();
  });
});
