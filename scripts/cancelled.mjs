// Searches that are cancelled as soon as they have begun: no open file, no thread and no memory stays behind.
// `node scripts/cancelled.mjs [searches]`; counts open files where the system shows them (/proc).
import assert from 'node:assert/strict';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ownServer } from './own-server.mjs';
import { at } from './process.mjs';

const SEARCHES = Number(process.argv[2] ?? 60);
/** What the engine and the page's own connections may hold more than at the start. */
const MORE_FILES = 8;
const MORE_THREADS = 2;
/** Threads that are not waited for pile up: sixty cancelled searches once left two hundred more, and two thousand on the way. */
const MORE_MEGABYTES = 80;

const folder = mkdtempSync(join(tmpdir(), 'knapsack-cancelled-'));
const server = await ownServer(folder);
const counts = () => {
  if (!existsSync(`/proc/${server.pid}/fd`)) return { files: 0, threads: 0, megabytes: 0 };
  const status = readFileSync(`/proc/${server.pid}/status`, 'utf8');
  return {
    files: readdirSync(`/proc/${server.pid}/fd`).length,
    threads: readdirSync(`/proc/${server.pid}/task`).length,
    megabytes: Math.round(Number(/VmRSS:\s+(\d+)/.exec(status)[1]) / 1024),
  };
};
const pause = (ms) => new Promise((done) => setTimeout(done, ms));
try {
  await fetch(`${server.address}/api/demo`, { method: 'POST' });
  const trip = JSON.parse(readFileSync(at('demo/trips/gannet-rock-light.json'), 'utf8'));
  const ask = (signal) =>
    fetch(`${server.address}/api/search/size`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ trip }),
      signal,
    });
  // The first one loads what all others use.
  const first = await ask();
  assert.equal(first.status, 200, await first.clone().text());
  await first.arrayBuffer();
  await pause(1000);
  const before = counts();
  for (let index = 0; index < SEARCHES; index++) {
    const stop = new AbortController();
    setTimeout(() => stop.abort(), 5 + ((index * 37) % 200));
    await ask(stop.signal)
      .then((answer) => answer.arrayBuffer())
      .catch(() => undefined);
  }
  let after = counts();
  for (
    let wait = 0;
    wait < 60 && (after.threads > before.threads + MORE_THREADS || after.files > before.files + MORE_FILES);
    wait++
  ) {
    await pause(500);
    after = counts();
  }
  process.stdout.write(
    `${SEARCHES} searches cancelled: open files ${before.files} before, ${after.files} after; threads ${before.threads}, ${after.threads}; memory ${before.megabytes} MB, ${after.megabytes} MB\n`,
  );
  assert.equal(server.state.ended, null, server.state.noise);
  assert.ok(after.files <= before.files + MORE_FILES, 'Open files stay behind.');
  assert.ok(after.threads <= before.threads + MORE_THREADS, 'Threads stay behind.');
  assert.ok(after.megabytes <= before.megabytes + MORE_MEGABYTES, 'Memory stays behind.');
} finally {
  await server.end('SIGKILL');
  rmSync(folder, { recursive: true, force: true });
}
