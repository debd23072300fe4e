// The page's first scripts, named in its index: the browser asks for all of them at once rather than for what each finds it needs.
import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** What a script imports before it runs; what it may import later is left out. */
export const importsOf = (script) =>
  [...script.matchAll(/\b(?:import|from)\s*"\.\/([^"]+\.js)"/g)].map(([, name]) => name);

/** All scripts that one needs before it runs, with what those need. @param scriptOf text of a script by its name */
export function neededBy(name, scriptOf, found = new Set()) {
  for (const imported of importsOf(scriptOf(name))) {
    if (found.has(imported)) continue;
    found.add(imported);
    neededBy(imported, scriptOf, found);
  }
  return found;
}

const LINK = /<link rel="modulepreload" href="[^"]+">/g;
/** Angular names the first ten of them. */
export function withPreloads(index, scriptOf) {
  const main = /<script src="(main[^"]*\.js)"/.exec(index)?.[1];
  if (!main) throw new Error('The page that was built has no main script.');
  const links = [...neededBy(main, scriptOf)].map((name) => `<link rel="modulepreload" href="${name}">`);
  return index.replace(LINK, '').replace('</head>', `${links.join('')}</head>`);
}

/** Rewrites the index of a page that was built, and its sum where the service worker keeps it. */
export function preloadScripts(folder) {
  const path = (name) => join(folder, name);
  const index = withPreloads(readFileSync(path('index.html'), 'utf8'), (name) =>
    readFileSync(path(name), 'utf8'),
  );
  writeFileSync(path('index.html'), index);
  const worker = JSON.parse(readFileSync(path('ngsw.json'), 'utf8'));
  worker.hashTable['/index.html'] = createHash('sha1').update(index).digest('hex');
  writeFileSync(path('ngsw.json'), JSON.stringify(worker, null, 2));
}
