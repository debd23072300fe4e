import { buffer } from 'node:stream/consumers';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import yazl from 'yazl';
import { MANIFEST_FILE, type BackupManifest, type Gear } from '@knapsack/contract';
import { Database } from '../database/database.js';
import { TABLES } from '../database/entities.js';
import { seed } from '../documents/seed.js';
import { storesOf, type Stores } from '../documents/stores.js';
import { DEMO_FOLDER } from '../testing/running-app.js';
import { readBackup, writeBackup, type Backup } from './backup.js';
import { everythingIn, restoreInto } from './data-folder.js';
import { everythingKept, type Kept } from './kept.js';
import { lookAtBackup, restoreBackup } from './restore.js';
import { unzipped } from './zip.js';

const item = (id: string, name = id): Gear => ({
  schema: 'knapsack.gear',
  version: 8,
  id,
  kind: 'other',
  name,
});
const packed = (kept: readonly Kept[]) => buffer(writeBackup(kept, new Date(Date.UTC(2027, 8, 4))));
const noCopy = () => Promise.reject(new Error('no copy was due'));

/** A zip with a manifest of one's own. */
async function forged(
  change: (manifest: BackupManifest, files: Map<string, Buffer>) => unknown,
): Promise<Buffer> {
  const documents: Kept[] = [
    { kind: 'gear', id: 'a', name: 'a', revision: 1, text: JSON.stringify(item('a')) },
  ];
  const read = await unzipped(await packed(documents));
  const files = new Map(read.ok ? read.value : []);
  const manifest = JSON.parse(files.get(MANIFEST_FILE)!.toString()) as BackupManifest;
  const changed = change(manifest, files) ?? manifest;
  files.set(MANIFEST_FILE, Buffer.from(JSON.stringify(changed)));
  const zip = new yazl.ZipFile();
  for (const [name, content] of files) zip.addBuffer(content, name);
  zip.end();
  return buffer(zip.outputStream);
}

describe('a backup', () => {
  let folder: string;
  let database: Database;
  let stores: Stores;
  beforeEach(async () => {
    folder = mkdtempSync(join(tmpdir(), 'knapsack-test-'));
    database = await Database.open(folder);
    stores = storesOf(database);
  });
  afterEach(async () => {
    await database.close();
    rmSync(folder, { recursive: true, force: true });
  });

  const read = async (zip: Buffer): Promise<Backup> => {
    const backup = await readBackup(zip);
    if (!backup.ok) throw new Error(backup.problems[0].sentence);
    return backup.value;
  };
  const parsed = async (from: Database, of: Stores) =>
    (await everythingKept(from, of)).map(({ text, ...head }) => ({
      ...head,
      text: JSON.parse(text) as unknown,
    }));

  it('restored into an empty installation gives every document with its revision, set-aside ones too', async () => {
    await seed(stores, DEMO_FOLDER);
    const { document, revision } = (await stores.trips.read('winter-bothy'))!;
    await stores.trips.replace({ ...document, note: 'twice — ünïcode 🎒' }, revision);
    await database.write((manager) =>
      manager.insert(TABLES.trips, {
        ...{ id: 'Of a Later/Release', revision: 7, name: 'Later', updatedMs: 1 },
        text: JSON.stringify({ schema: 'knapsack.trip', version: 99, anything: [] }),
      }),
    );
    const backup = await read(await packed(await everythingKept(database, stores)));
    const other = mkdtempSync(join(tmpdir(), 'knapsack-test-'));
    const empty = await Database.open(other);
    try {
      const theirs = storesOf(empty);
      const look = await lookAtBackup(empty, theirs, backup);
      expect(new Set(look.documents.map(({ standing }) => standing))).toEqual(new Set(['new', 'setAside']));
      expect((await everythingKept(empty, theirs)).length).toBe(0);
      const done = await restoreBackup(empty, theirs, backup, 'keep', noCopy);
      expect(done.added).toBe(backup.documents.length);
      expect(await parsed(empty, theirs)).toEqual(await parsed(database, stores));
      expect((await theirs.trips.read('winter-bothy'))?.revision).toBe(2);
      expect((await theirs.trips.setAside()).map(({ isLater }) => isLater)).toEqual([true]);
    } finally {
      await empty.close();
      rmSync(other, { recursive: true, force: true });
    }
  });

  it('of a release that kept ticks in trips is restored with them beside the trips, once', async () => {
    const text = readFileSync(new URL('../../../contract/fixtures/trip-5.json', import.meta.url), 'utf8');
    const { id, name } = JSON.parse(text) as { id: string; name: string };
    const backup = await read(await packed([{ kind: 'trips', id, name, revision: 7, text }]));
    const restored = await restoreBackup(database, stores, backup, 'keep', noCopy);
    expect([restored.added, restored.leftOut]).toEqual([3, 0]);
    expect((await stores.trips.read(id))!.revision).toBe(7);
    expect((await stores.packings.read(id))!.document.packed.length).toBeGreaterThan(2);
    expect((await stores.rehearsals.read(id))!.document.results.length).toBe(1);
    const again = await lookAtBackup(database, stores, backup);
    expect(again.documents.map(({ kind, standing }) => [kind, standing])).toEqual([
      ['trips', 'same'],
      ['packings', 'same'],
      ['rehearsals', 'same'],
    ]);
  });

  it('changes nothing that is here unless told to, and then no page takes it for what it has read', async () => {
    await stores.gear.create(item('same'));
    await stores.gear.create(item('changed', 'As it was'));
    await stores.gear.create(item('gone'));
    const backup = await read(await packed(await everythingKept(database, stores)));
    await stores.gear.replace(item('changed', 'As it is'), 1);
    await stores.gear.remove('gone', 1);
    await stores.gear.create(item('only-here'));

    const look = await lookAtBackup(database, stores, backup);
    expect(look.documents.map(({ id, standing }) => [id, standing])).toEqual([
      ['changed', 'different'],
      ['gone', 'new'],
      ['same', 'same'],
    ]);
    expect(look.onlyHere).toBe(1);

    const kept = await restoreBackup(database, stores, backup, 'keep', noCopy);
    expect(kept).toEqual({ added: 1, replaced: 0, kept: 1, same: 1, leftOut: 0 });
    expect((await stores.gear.read('changed'))?.document.name).toBe('As it is');

    const done = await restoreBackup(database, stores, backup, 'replace', () => Promise.resolve('a copy'));
    expect(done).toEqual({ added: 0, replaced: 1, kept: 0, same: 2, leftOut: 0, copy: 'a copy' });
    expect(await stores.gear.read('changed')).toEqual({
      revision: 3,
      document: item('changed', 'As it was'),
    });
    expect((await stores.gear.list()).length).toBe(4);
    expect(await stores.gear.replace(item('changed', 'An old page'), 2)).toEqual({
      ok: false,
      refusal: 'changed',
    });
  });

  it('is put back all or not at all', async () => {
    const large = (id: string) => JSON.stringify({ ...item(id), note: id.repeat(50) });
    const documents = Array.from({ length: 600 }, (_, n) => `item-${n}`).map((id) => ({
      ...{ kind: 'gear', id, name: id, revision: 1, text: large(id) },
    }));
    await database.read(async (manager) => {
      const [{ page_count: now }] = await manager.query<{ page_count: number }[]>('PRAGMA page_count');
      await manager.query(`PRAGMA max_page_count = ${now + 20}`);
    });
    const backup = { madeAt: new Date().toISOString(), documents };
    await expectAsync(restoreBackup(database, stores, backup, 'keep', noCopy)).toBeRejectedWithError(
      /is full/,
    );
    expect((await stores.gear.list()).length).toBe(0);
  });

  it('replaces nothing where no copy of it could be made, and never what a later release has saved', async () => {
    await stores.gear.create(item('a', 'Here'));
    await database.write((manager) =>
      manager.insert(TABLES.trips, {
        ...{ id: 'later', revision: 1, name: 'Later', updatedMs: 1 },
        text: JSON.stringify({ schema: 'knapsack.trip', version: 99 }),
      }),
    );
    const trip = (await readDemo('winter-bothy')) as { id: string; name: string };
    const documents: Kept[] = [
      { kind: 'gear', id: 'a', name: 'a', revision: 1, text: JSON.stringify(item('a', 'There')) },
      { kind: 'trips', id: 'later', name: 'x', revision: 4, text: JSON.stringify({ ...trip, id: 'later' }) },
    ];
    const backup = { madeAt: new Date().toISOString(), documents };
    const full = () => Promise.reject(new Error('no room'));
    await expectAsync(restoreBackup(database, stores, backup, 'replace', full)).toBeRejectedWithError(
      'no room',
    );
    expect((await stores.gear.read('a'))?.document.name).toBe('Here');
    const done = await restoreBackup(database, stores, backup, 'replace', () => Promise.resolve('copy'));
    expect([done.replaced, done.kept]).toEqual([1, 1]);
    expect((await stores.trips.setAside()).map(({ id }) => id)).toEqual(['later']);
  });

  it('leaves out, by name, what no release could read, and kinds that this one has no room for', async () => {
    const documents: Kept[] = [
      {
        kind: 'gear',
        id: 'bad',
        name: 'Bad',
        revision: 1,
        text: JSON.stringify({ ...item('bad'), extra: 1 }),
      },
      { kind: 'gear', id: 'other', name: 'Other', revision: 1, text: JSON.stringify(item('else')) },
      { kind: 'constructor', id: 'x', name: 'X', revision: 1, text: '{}' },
      { kind: 'gear', id: 'good', name: 'Good', revision: 3, text: JSON.stringify(item('good')) },
    ];
    const backup = { madeAt: new Date().toISOString(), documents };
    const look = await lookAtBackup(database, stores, backup);
    expect(look.documents.map(({ id, standing }) => [id, standing])).toEqual([
      ['bad', 'leftOut'],
      ['other', 'leftOut'],
      ['good', 'new'],
      ['x', 'leftOut'],
    ]);
    expect(look.documents[0].sentence).toMatch(/no field “extra”/);
    expect(await restoreBackup(database, stores, backup, 'keep', noCopy)).toEqual({
      ...{ added: 1, replaced: 0, kept: 0, same: 0, leftOut: 3 },
    });
  });

  it('that is damaged, forged or none is refused in a sentence', async () => {
    const cases: readonly (readonly [Promise<Buffer> | Buffer, RegExp])[] = [
      [Buffer.from('PK nonsense'), /no zip/],
      [Buffer.alloc(0), /no zip/],
      [forged(() => ({ schema: 'other' })), /no backup of Knapsack/],
      [forged((manifest) => ({ ...manifest, version: 2 })), /later release/],
      [forged((manifest) => ({ ...manifest, counts: { gear: 2 } })), /not as many as it says/],
      [forged((manifest) => ({ ...manifest, counts: {} })), /not as many as it says/],
      [forged((_, files) => files.delete('gear/a.json') && undefined), /gear\/a\.json is missing/],
      [
        forged((_, files) => files.set('gear/a.json', Buffer.from('{}')) && undefined),
        /not what was written/,
      ],
      [
        forged((manifest) => ({ ...manifest, documents: [manifest.documents[0], manifest.documents[0]] })),
        /is in it twice/,
      ],
      [
        forged((_, files) => files.set('huge', Buffer.alloc(40 * 1024 * 1024)) && undefined),
        /larger than anything/,
      ],
    ];
    for (const [zip, sentence] of cases) {
      const backup = await readBackup(await zip);
      expect(backup.ok).withContext(String(sentence)).toBeFalse();
      if (!backup.ok) expect(backup.problems[0].sentence).toMatch(sentence);
    }
  });

  it('is made from the terminal beside a Knapsack that runs; restored only where none does', async () => {
    await stores.gear.create(item('a'));
    expect((await everythingIn(folder)).map(({ id }) => id)).toEqual(['a']);
    const backup = { madeAt: new Date().toISOString(), documents: [] };
    await expectAsync(restoreInto(folder, backup, 'keep')).toBeRejectedWithError(/Another Knapsack is using/);
    await database.close();
    expect((await everythingIn(folder)).map(({ id }) => id)).toEqual(['a']);
    const changed = { kind: 'gear', id: 'a', name: 'B', revision: 1, text: JSON.stringify(item('a', 'B')) };
    const done = await restoreInto(folder, { ...backup, documents: [changed] }, 'replace');
    expect(done.replaced).toBe(1);
    expect(readdirSync(join(folder, 'copies'))).toEqual([done.copy!]);
    await expectAsync(everythingIn(join(folder, 'nowhere'))).toBeRejectedWithError(/no data of Knapsack/);
  });
});

async function readDemo(name: string): Promise<unknown> {
  const { readFile } = await import('node:fs/promises');
  return JSON.parse(await readFile(join(DEMO_FOLDER, 'trips', `${name}.json`), 'utf8'));
}
