// What is done to the page after its build: fewer scripts, all that an address needs asked for at once, the service worker told.
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { MAIN, mergeScripts } from './merge.mjs';
import { neededBy, scriptWith } from './pages.mjs';
import { nameOf, openingScript, scriptsByAddress, withPreloads } from './preload.mjs';

/** @param web folder of the page's sources, with what was built of them in dist */
export async function finishPage(web) {
  const text = (name) => readFileSync(join(web, name), 'utf8');
  const built = (name) => `dist/browser/${name}`;
  const tables = { routes: text('src/app/app.routes.ts'), rooms: text('src/app/trip/rooms.ts') };
  const before = JSON.parse(text('dist/stats.json'));
  const { gone, stats } = await mergeScripts(web, before, tables);
  const main = scriptWith(stats, MAIN);
  const first = neededBy(stats, main);
  const script = openingScript(scriptsByAddress(stats, first, tables));
  const index = text(built('index.html')).replace(scriptWith(before, MAIN), main);
  const preloaded = [...first].filter((name) => name !== main);
  writeFileSync(join(web, built(nameOf(script))), script);
  writeFileSync(join(web, built('index.html')), withPreloads(index, preloaded, script));

  const worker = JSON.parse(text(built('ngsw.json')));
  const made = [...Object.keys(stats.outputs), nameOf(script)];
  keepInstead(worker, gone, made, (name) => readFileSync(join(web, built(name))));
  writeFileSync(join(web, built('ngsw.json')), JSON.stringify(worker, null, 2));
}

/** Tells a service worker's list which files are gone, which were made, and that the index is another. */
export function keepInstead({ assetGroups: [group], hashTable }, gone, made, contentOf) {
  const left = new Set(gone.map((name) => `/${name}`));
  for (const address of left) delete hashTable[address];
  group.urls = [...group.urls.filter((address) => !left.has(address)), ...made.map((name) => `/${name}`)];
  for (const name of [...made, 'index.html'])
    hashTable[`/${name}`] = createHash('sha1').update(contentOf(name)).digest('hex');
}
