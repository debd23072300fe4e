import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Gear } from '@knapsack/contract';
import type { DocumentStore } from '../documents/document-store.js';
import { storesOf } from '../documents/stores.js';
import { Database } from './database.js';
import { TABLES } from './entities.js';
import { StorageProblem, storageProblem } from './storage-problem.js';

/** A document of a few pages, so that it does not fit where there is no room. */
const item = (id: string): Gear => ({
  schema: 'knapsack.gear',
  version: 8,
  id,
  kind: 'other',
  name: id,
  note: id.repeat(4000),
});

describe('writes on a disk that is full', () => {
  let folder: string;
  let database: Database;
  let store: DocumentStore<Gear>;
  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'));
    database = await Database.open(folder);
    store = storesOf(database).gear;
  });
  afterEach(async () => {
    await database.close();
    rmSync(folder, { recursive: true, force: true });
  });

  /** The engine's own limit of pages stands in for the end of the disk: it answers with the same SQLITE_FULL. */
  const limitPages = (limit: number | 'as now') =>
    database.read(async (manager) => {
      const [{ page_count: now }] = await manager.query<{ page_count: number }[]>('PRAGMA page_count');
      await manager.query(`PRAGMA max_page_count = ${limit === 'as now' ? now : limit}`);
    });

  for (const refused of [1, 2, 3, 4, 5, 6]) {
    it(`are refused with the cause, and after ${refused} of them what is acknowledged is there after a restart`, async () => {
      const acknowledged: string[] = [];
      const keep = async (id: string) => {
        const written = await store.create(item(id));
        if (written.ok) acknowledged.push(id);
      };
      await keep('before');
      for (let index = 0; index < refused; index++) {
        // A connection that was dropped has forgotten its limit.
        await limitPages('as now');
        await expectAsync(keep(`refused-${index}`)).toBeRejectedWithError(StorageProblem, /is full/);
      }
      await limitPages(1_000_000);
      for (let index = 0; index < 50; index++) await keep(`after-${index}`);
      expect(acknowledged.length).toBe(51);
      await database.close();
      database = await Database.open(folder);
      store = storesOf(database).gear;
      expect((await store.list()).map(({ document: { id } }) => id).sort()).toEqual(acknowledged.sort());
    });
  }

  it('leave no transaction open where COMMIT itself fails', async () => {
    await store.create(item('before'));
    const failing = database.write(async (manager) => {
      await manager.insert(TABLES.gear, { id: 'lost', revision: 1, name: 'x', text: '{}', updatedMs: 0 });
      // What a full disk does: the engine has rolled back by itself, and COMMIT finds nothing to commit.
      await manager.query('ROLLBACK');
    });
    await expectAsync(failing).toBeRejected();
    const written = await store.create(item('after'));
    expect(written.ok).toBeTrue();
    await database.close();
    database = await Database.open(folder);
    store = storesOf(database).gear;
    expect((await store.list()).map(({ document: { id } }) => id)).toEqual(['after', 'before']);
  });

  it('are not lost behind a transaction that could neither be committed nor rolled back', async () => {
    // The fault under the driver: as the disk is full the engine refuses COMMIT, and ROLLBACK after it.
    const { source } = database as unknown as {
      source: {
        driver: { databaseConnection: { prepare(sql: string): unknown } };
        createQueryRunner(): { stmtCache: Map<string, unknown> };
      };
    };
    const connection = source.driver.databaseConnection;
    source.createQueryRunner().stmtCache.clear();
    const prepare = connection.prepare.bind(connection);
    connection.prepare = (sql) => {
      if (/^(COMMIT|ROLLBACK)/.test(sql)) throw Object.assign(new Error('full'), { code: 'SQLITE_FULL' });
      return prepare(sql);
    };
    await expectAsync(store.create(item('refused'))).toBeRejectedWithError(StorageProblem, /is full/);
    for (let index = 0; index < 5; index++) {
      expect((await store.create(item(`after-${index}`))).ok).toBeTrue();
    }
    await database.close();
    database = await Database.open(folder);
    const there = await storesOf(database).gear.list();
    expect(there.map(({ document: { id } }) => id)).toEqual([
      'after-0',
      'after-1',
      'after-2',
      'after-3',
      'after-4',
    ]);
  });

  it('take turns with reads, which see nothing that is not committed', async () => {
    const slow = database.write(async (manager) => {
      await manager.insert(TABLES.gear, {
        id: 'half',
        revision: 1,
        name: 'half',
        text: JSON.stringify(item('half')),
        updatedMs: 0,
      });
      await new Promise((done) => setTimeout(done, 20));
      throw new Error('changed my mind');
    });
    const seen = store.read('half');
    await expectAsync(slow).toBeRejectedWithError('changed my mind');
    expect(await seen).toBeNull();
  });
});

describe('a problem of the file', () => {
  const because = (code: string, wrapped = false) =>
    storageProblem(wrapped ? { driverError: { code } } : { code })?.because;

  it('is named by its cause', () => {
    expect(because('SQLITE_FULL')).toBe('full');
    expect(because('SQLITE_IOERR_WRITE', true)).toBe('full');
    expect(because('SQLITE_IOERR_READ')).toBe('failed');
    expect(because('SQLITE_READONLY_DBMOVED')).toBe('readonly');
    expect(because('SQLITE_BUSY_SNAPSHOT')).toBe('locked');
    expect(because('SQLITE_CORRUPT_VTAB')).toBe('corrupt');
    expect(because('ENOSPC')).toBe('full');
  });

  it('is none where a table was not obeyed, or the fault is elsewhere', () => {
    expect(because('SQLITE_CONSTRAINT_PRIMARYKEY')).toBeUndefined();
    expect(storageProblem(new Error('oh'))).toBeNull();
    expect(storageProblem(null)).toBeNull();
  });
});
