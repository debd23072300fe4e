// Under whichever Node.js runs it: the server with the demo data, many writes and reads while memory is short, stopped and
// started again; everything acknowledged is there. Ends with 1 and a sentence when something is not.
import assert from 'node:assert/strict';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { at, load } from './process.mjs';

const WRITES = 500;
const { start } = await load('server/dist/index.js');
const dataFolder = mkdtempSync(join(tmpdir(), 'knapsack-soak-'));
const options = { dataFolder, port: 0, webFolder: at('web/dist/browser'), demoFolder: at('demo') };

const served = async (withDemo, work) => {
  const running = await start({ ...options, withDemo });
  try {
    await work(`${running.address}/api/trips`);
  } finally {
    await running.close();
  }
};
const idOf = (index) => `soak-${index % 50}`;
const revisions = new Map();
let ofTheDemo = 0;

try {
  await served(true, async (trips) => {
    ofTheDemo = (await (await fetch(trips)).json()).length;
    const model = await (await fetch(`${trips}/winter-bothy`)).json();
    for (let index = 0; index < WRITES; index++) {
      const id = idOf(index);
      const known = revisions.get(id);
      const answer = await fetch(known ? `${trips}/${id}` : trips, {
        method: known ? 'PUT' : 'POST',
        headers: { 'Content-Type': 'application/json', ...(known && { 'If-Match': known }) },
        body: JSON.stringify({ ...model, id, name: `Soak ${index}` }),
      });
      assert.equal(answer.status, known ? 200 : 201, await answer.clone().text());
      revisions.set(id, answer.headers.get('etag'));
      const back = await fetch(`${trips}/${id}`);
      assert.equal((await back.json()).name, `Soak ${index}`);
      litter();
    }
  });
  await served(false, async (trips) => {
    const list = await (await fetch(trips)).json();
    assert.equal(list.length, ofTheDemo + revisions.size);
    for (let index = WRITES - revisions.size; index < WRITES; index++) {
      const answer = await fetch(`${trips}/${idOf(index)}`);
      assert.equal(answer.headers.get('etag'), revisions.get(idOf(index)));
      assert.equal((await answer.json()).name, `Soak ${index}`);
    }
  });
  process.stdout.write(`${WRITES} writes and reads, all there after a restart\n`);
} finally {
  rmSync(dataFolder, { recursive: true, force: true });
}

/** Garbage, some of which lives long enough to be moved, so that collections of both kinds come by themselves. */
function litter() {
  litter.kept = (litter.kept ?? []).slice(-20);
  litter.kept.push(Array.from({ length: 20_000 }, (_, index) => ({ index })));
}
