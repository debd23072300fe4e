// A whole installation out as a backup and into an empty one, over the API of two real servers: every document comes with its
// revision. `node scripts/backup.mjs [trips] [gear items]` says how long it took and how large it is.
import assert from 'node:assert/strict';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { isDeepStrictEqual } from 'node:util';
import { ownServer } from './own-server.mjs';
import { at } from './process.mjs';

const TRIPS = Number(process.argv[2] ?? 500);
const ITEMS = Number(process.argv[3] ?? 1000);
const JSON_TYPE = { 'Content-Type': 'application/json' };

const read = (file) => JSON.parse(readFileSync(at('demo', file), 'utf8'));
const trips = ['gannet-rock-light', 'winter-bothy', 'headland-contest-camp'].map((id) =>
  read(`trips/${id}.json`),
);
const { gear, ...shelf } = read('gear.json');
const seconds = async (work) => {
  const begun = performance.now();
  const outcome = await work();
  return { outcome, took: ((performance.now() - begun) / 1000).toFixed(2) };
};
const asked = async (server, path, options) => {
  const answer = await fetch(server.address + path, options);
  assert.ok(answer.ok, `${path}: ${answer.status} ${answer.ok ? '' : await answer.text()}`);
  return answer;
};
/** Every document of a server with its revision. */
const documentsOf = async (server) => {
  const found = new Map();
  for (const kind of ['gear', 'packings', 'rehearsals'])
    for (const one of await (await asked(server, `/api/${kind}`)).json())
      found.set(`${kind}/${one.document.id}`, one);
  for (const { id, revision } of await (await asked(server, '/api/trips')).json()) {
    found.set(`trips/${id}`, { revision, document: await (await asked(server, `/api/trips/${id}`)).json() });
  }
  return found;
};

const folders = [1, 2].map(() => mkdtempSync(join(tmpdir(), 'knapsack-backup-')));
const [first, second] = await Promise.all(folders.map((folder) => ownServer(folder)));
try {
  const items = Array.from({ length: ITEMS }, (_, n) => ({ ...gear[n % gear.length], id: `item-${n}` }));
  const content = JSON.stringify({ ...shelf, gear: items });
  await asked(first, '/api/shelf', { method: 'POST', headers: JSON_TYPE, body: JSON.stringify({ content }) });
  for (let n = 0; n < TRIPS; n++) {
    const trip = { ...trips[n % trips.length], id: `trip-${n}`, name: `Outing ${n}` };
    await asked(first, '/api/trips', { method: 'POST', headers: JSON_TYPE, body: JSON.stringify(trip) });
    if (n % 5 === 0) {
      const headers = { ...JSON_TYPE, 'If-Match': '"1"' };
      const body = JSON.stringify({ ...trip, note: 'written twice' });
      await asked(first, `/api/trips/trip-${n}`, { method: 'PUT', headers, body });
    }
  }
  const before = await documentsOf(first);
  const { outcome: zip, took: out } = await seconds(async () =>
    Buffer.from(await (await asked(first, '/api/backup')).arrayBuffer()),
  );
  const send = { method: 'POST', headers: { 'Content-Type': 'application/zip' }, body: zip };
  const { outcome: restored, took: back } = await seconds(async () =>
    (await asked(second, '/api/backup/restore', send)).json(),
  );
  const after = await documentsOf(second);
  assert.equal(restored.added, before.size);
  assert.equal(after.size, before.size);
  const equal = [...before].filter(([name, one]) => isDeepStrictEqual(one, after.get(name))).length;
  process.stdout.write(
    `${TRIPS} trips and ${ITEMS} gear items: backup ${out} s, ${(zip.length / 1e6).toFixed(2)} MB; restore ${back} s; ${equal} of ${before.size} documents equal, revisions too\n`,
  );
  assert.equal(equal, before.size);
} finally {
  await Promise.all([first, second].map((server) => server.end('SIGKILL')));
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
}
