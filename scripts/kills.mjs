// A server that is killed in the middle of its writes, again and again, on one data folder: everything acknowledged has to be there.
// `node scripts/kills.mjs [kills]`
import assert from 'node:assert/strict';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ownServer } from './own-server.mjs';

const KILLS = Number(process.argv[2] ?? 40);
const WRITERS = 4;

const folder = mkdtempSync(join(tmpdir(), 'knapsack-kills-'));
const acknowledged = new Map();
const item = (id, note) => ({ schema: 'knapsack.gear', version: 4, id, kind: 'other', name: id, note });
let [count, lost, ahead] = [0, 0, 0];
try {
  for (let kill = 0; kill < KILLS; kill++) {
    const server = await ownServer(folder);
    const there = new Map(
      (await (await fetch(`${server.address}/api/gear`)).json()).map(({ document, revision }) => [
        document.id,
        { note: document.note, revision },
      ]),
    );
    for (const [id, { note, revision }] of acknowledged) {
      const found = there.get(id);
      // What was under way as the server died may be there or not; never less than what was acknowledged.
      if (!found || found.revision < revision || (found.revision === revision && found.note !== note))
        lost += 1;
      else if (found.revision > revision) ahead += 1;
      if (found) acknowledged.set(id, found);
    }
    let over = false;
    const writers = Array.from({ length: WRITERS }, async (_, writer) => {
      for (let index = 0; !over; index++) {
        const id = `w${writer}-${index % 25}`;
        const known = acknowledged.get(id) ?? there.get(id);
        const note = `${kill} ${index} ${'x'.repeat(300)}`;
        try {
          const answer = await fetch(`${server.address}/api/gear${known ? `/${id}` : ''}`, {
            method: known ? 'PUT' : 'POST',
            headers: {
              'Content-Type': 'application/json',
              ...(known && { 'If-Match': `"${known.revision}"` }),
            },
            body: JSON.stringify(item(id, note)),
          });
          if (answer.ok) {
            acknowledged.set(id, { note, revision: (known?.revision ?? 0) + 1 });
            count += 1;
          }
          await answer.arrayBuffer();
        } catch {
          return;
        }
      }
    });
    await new Promise((done) => setTimeout(done, 150 + (kill % 7) * 40));
    await server.end('SIGKILL');
    over = true;
    await Promise.all(writers);
  }
} finally {
  rmSync(folder, { recursive: true, force: true });
}
process.stdout.write(
  `${KILLS} kills, ${count} acknowledged writes, ${lost} lost (${ahead} documents were further on than acknowledged)\n`,
);
assert.equal(lost, 0);
