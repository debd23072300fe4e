// Asks the server what nobody would ask (fuzz-requests.mjs). Ends with 1 where it answers with a fault of its own, hangs, or dies.
// `node scripts/fuzz.mjs [requests] [seed]`
import assert from 'node:assert/strict';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ask } from './fuzz-requests.mjs';
import { ownServer } from './own-server.mjs';

const REQUESTS = Number(process.argv[2] ?? 20_000);
/** A request that takes longer hangs; searches of mutated trips may take a while. */
const HANGS_MS = 60_000;
const AT_ONCE = 8;

const dataFolder = mkdtempSync(join(tmpdir(), 'knapsack-fuzz-'));
const server = await ownServer(dataFolder);
const { address, state } = server;
await fetch(`${address}/api/demo`, { method: 'POST' });
const backup = Buffer.from(await (await fetch(`${address}/api/backup`)).arrayBuffer());

const counts = { requests: 0, faults: 0, hangs: 0, refused: 0 };
const worst = [];
async function one() {
  const [method, path, body, ifMatch] = await ask(backup);
  const isText = body === undefined || typeof body === 'string' || Buffer.isBuffer(body);
  const text = isText ? body : JSON.stringify(body);
  counts.requests += 1;
  const stop = new AbortController();
  const timer = setTimeout(() => stop.abort(), HANGS_MS);
  try {
    const headers = {
      ...(text !== undefined && {
        'Content-Type': Buffer.isBuffer(text) ? 'application/zip' : 'application/json',
      }),
      ...(ifMatch && { 'If-Match': ifMatch }),
    };
    const answer = await fetch(address + path, {
      method,
      headers,
      signal: stop.signal,
      ...(text !== undefined && method !== 'GET' && method !== 'HEAD' && { body: text }),
    });
    if (answer.headers.get('content-type')?.includes('event-stream')) await answer.body.cancel();
    else await answer.arrayBuffer();
    if (answer.status >= 500) {
      counts.faults += 1;
      worst.push(`${answer.status} ${method} ${path.slice(0, 120)} ${String(text ?? '').slice(0, 300)}`);
    } else if (answer.status >= 400) counts.refused += 1;
  } catch (error) {
    if (stop.signal.aborted) {
      counts.hangs += 1;
      worst.push(`hangs ${method} ${path.slice(0, 120)}`);
    } else if (state.ended !== null) throw error;
    // An address that no client would send is refused by the client itself.
  } finally {
    clearTimeout(timer);
  }
}

let failure = null;
try {
  let left = REQUESTS;
  await Promise.all(
    Array.from({ length: AT_ONCE }, async () => {
      while (left-- > 0 && state.ended === null) await one();
    }),
  );
  assert.equal(state.ended, null, `The server ended (${state.ended}): ${state.noise}`);
  const list = await fetch(`${address}/api/trips`);
  assert.equal(list.status, 200, 'The list of trips cannot be read any more.');
  await list.arrayBuffer();
  assert.equal(counts.faults + counts.hangs, 0, worst.slice(0, 10).join('\n'));
  assert.ok(!state.noise.includes('A fault in Knapsack, which goes on'), state.noise);
} catch (error) {
  failure = error;
}
const crashes = state.ended === null ? 0 : 1;
await server.end('SIGKILL');
rmSync(dataFolder, { recursive: true, force: true });
process.stdout.write(
  `${counts.requests} requests, ${counts.refused} refused, ${counts.faults} of 500 and more, ${counts.hangs} hang, ${crashes} crash\n`,
);
if (failure) {
  process.stderr.write(`${failure.message}\n`);
  process.exit(1);
}
