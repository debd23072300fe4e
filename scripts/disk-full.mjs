// A server on a disk that is full: some writes are refused, room is made, fifty more are written, the server ends by TERM or by
// KILL, and starts again. Everything acknowledged has to be there. `node scripts/disk-full.mjs [runs]`; wants a right to mount.
import assert from 'node:assert/strict';
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ownServer } from './own-server.mjs';

const RUNS = Number(process.argv[2] ?? 200);
const DISK_MB = 3;
const AFTER = 50;

const disk = mkdtempSync(join(tmpdir(), 'knapsack-disk-'));
try {
  execFileSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK_MB}m`, 'tmpfs', disk], { stdio: 'ignore' });
} catch {
  rmSync(disk, { recursive: true, force: true });
  process.stdout.write(
    'No right to mount a small disk here: not run. The server\u2019s own tests put the fault under the driver.\n',
  );
  process.exit(0);
}

const item = (id, letters) => ({
  schema: 'knapsack.gear',
  version: 4,
  id,
  kind: 'other',
  name: id,
  note: 'x'.repeat(letters),
});
const lost = { runs: 0, writes: 0 };
let acknowledgedInAll = 0;
let server;
try {
  for (let index = 0; index < RUNS; index++) {
    const folder = join(disk, 'data');
    mkdirSync(folder);
    const filler = join(disk, 'filler');
    const refusals = 1 + (index % 6);
    const acknowledged = new Map();
    server = await ownServer(folder);
    const put = async (id, letters = 200) => {
      const answer = await fetch(`${server.address}/api/gear`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(item(id, letters)),
      });
      if (answer.status === 201) acknowledged.set(id, (await answer.json()).note.length);
      else assert.ok([503, 507].includes(answer.status), `${answer.status}: ${await answer.text()}`);
      return answer.status;
    };
    for (let before = 0; before < 5; before++) await put(`before-${before}`);
    // To the last block.
    const { bavail, bsize } = statfsSync(disk);
    writeFileSync(filler, Buffer.alloc(Math.max(0, bavail) * bsize));
    let refused = 0;
    for (let attempt = 0; refused < refusals && attempt < 200; attempt++) {
      if ((await put(`full-${attempt}`, 1500)) !== 201) refused += 1;
    }
    assert.equal(refused, refusals, 'The disk did not fill up.');
    rmSync(filler);
    for (let after = 0; after < AFTER; after++) {
      assert.equal(await put(`after-${after}`), 201, 'A write was refused although there is room again.');
    }
    acknowledgedInAll += acknowledged.size;
    await server.end(index % 2 === 0 ? 'SIGTERM' : 'SIGKILL');
    server = await ownServer(folder);
    const there = new Map(
      (await (await fetch(`${server.address}/api/gear`)).json()).map(({ document }) => [
        document.id,
        document.note.length,
      ]),
    );
    const gone = [...acknowledged].filter(([id, letters]) => there.get(id) !== letters);
    if (gone.length > 0) {
      lost.runs += 1;
      lost.writes += gone.length;
    }
    await server.end('SIGKILL');
    rmSync(folder, { recursive: true, force: true });
  }
} finally {
  if (server?.state.ended === null) await server.end('SIGKILL');
  execFileSync('umount', ['-l', disk], { stdio: 'ignore' });
  if (existsSync(disk)) rmSync(disk, { recursive: true, force: true });
}
process.stdout.write(
  `${RUNS} runs on a full disk, ${acknowledgedInAll} acknowledged writes, ${lost.writes} lost in ${lost.runs} runs\n`,
);
process.exit(lost.writes > 0 ? 1 : 0);
