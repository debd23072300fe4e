// Fewer scripts for the page. The build tool makes one of whatever the same pages want, a hundred and more, most of them tiny; each costs
// a phone's processor milliseconds to ask for. Those that the same kinds of pages want become one.
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { rollup } from 'rollup';
import { neededBy, pagesIn, scriptWith, TRIP } from './pages.mjs';

/**
 * Tells the browser, where it knows the word, to compile a script's functions beside the page while it comes, rather than each one
 * in the page at its first call: a quarter of what opening a trip took.
 */
const COMPILED_AT_ONCE = '//# allFunctionsCalledOnLoad';

export const MAIN = 'src/main.ts';
/** Pages that want little of the rest. */
const LIGHT = ['settings', 'guide', 'guide/:chapter', 'backup'];
/** What is larger than this comes only where it is wanted, bytes. */
const LARGE = 12_000;

/** Kinds of pages, each with the scripts that its pages need before they run. */
export function kindsOf(stats, { routes, rooms }) {
  const needed = (pages) => pages.map(({ source }) => neededBy(stats, scriptWith(stats, source)));
  const pages = pagesIn(routes);
  const ofPaths = (fits) => needed(pages.filter(({ path }) => fits(path)));
  const isList = ({ path }) => path === '';
  // The first page is to be light, with what it asks for by itself a moment later.
  const later = pages
    .filter(isList)
    .flatMap(({ source }) => stats.outputs[scriptWith(stats, source)].imports)
    .filter(({ kind }) => kind === 'dynamic-import');
  return {
    list: needed(pages.filter(isList)),
    soon: later.map(({ path }) => neededBy(stats, path)),
    light: ofPaths((path) => LIGHT.includes(path)),
    other: ofPaths((path) => path !== '' && path !== TRIP && !LIGHT.includes(path)),
    trip: ofPaths((path) => path === TRIP),
    room: needed(pagesIn(rooms)),
  };
}

/** Into which script one goes: by the kinds of pages that want it; null where it stays for itself. */
export function groupOf(name, stats, first, kinds) {
  const { bytes, entryPoint } = stats.outputs[name];
  if (entryPoint === MAIN) return null;
  if (first.has(name)) return 'first';
  const wantedBy = Object.keys(kinds).filter((kind) => kinds[kind].some((scripts) => scripts.has(name)));
  const isEverywhere = kinds.trip.some((scripts) => scripts.has(name));
  return entryPoint || wantedBy.length === 0 || (bytes > LARGE && !isEverywhere) ? null : wantedBy.join('-');
}

/**
 * Makes the scripts of a page that was built fewer, in place.
 *
 * @param web folder of the page's sources
 * @returns the names that are gone, and what the build tool would say of those that stand in their place
 */
export async function mergeScripts(web, stats, tables) {
  const browser = (name) => join(web, 'dist/browser', name);
  const main = scriptWith(stats, MAIN);
  const first = neededBy(stats, main);
  const kinds = kindsOf(stats, tables);
  const bundle = await rollup({
    input: main,
    treeshake: false,
    plugins: [
      {
        name: 'what was built',
        resolveId: (address) => address.replace(/^\.\//, ''),
        load: (name) => readFileSync(browser(name), 'utf8'),
      },
    ],
  });
  const { output } = await bundle.generate({
    format: 'es',
    compact: true,
    banner: COMPILED_AT_ONCE,
    manualChunks: (name) => groupOf(name, stats, first, kinds) ?? undefined,
    onlyExplicitManualChunks: true,
    entryFileNames: 'main-[hash].js',
    chunkFileNames: 'chunk-[hash].js',
    hashCharacters: 'base36',
  });
  await bundle.close();
  const gone = [...new Set(output.flatMap(({ moduleIds }) => moduleIds))];
  for (const name of gone) rmSync(browser(name));
  for (const { fileName, code } of output) writeFileSync(browser(fileName), code);
  const inputsOf = (names) => Object.assign({}, ...names.map((name) => stats.outputs[name].inputs));
  const outputs = output.map(({ fileName, imports, moduleIds }) => [
    fileName,
    {
      imports: imports.map((path) => ({ path, kind: 'import-statement' })),
      inputs: inputsOf(moduleIds),
    },
  ]);
  return { gone, stats: { outputs: Object.fromEntries(outputs) } };
}
