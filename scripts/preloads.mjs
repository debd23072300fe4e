// What each address of the page needs beyond the first scripts, so that the server can name it in the page itself and the browser
// need not find it out script by script.
import { readFileSync, rmSync, writeFileSync } from 'node:fs';

/** Sources behind an address, as routes and rooms name them; a star stands for a trip. */
const ADDRESSES = {
  '/': ['trips/trips.page'],
  '/sum': ['quick/quick.page'],
  '/gear': ['gear/gear.page'],
  '/bench': ['bench/bench.page'],
  '/backup': ['backup/backup.page'],
  '/trips/*': ['trip/trip.page', 'plan/plan.page'],
  ...Object.fromEntries(
    ['size', 'wire', 'pack', 'rehearse', 'card'].map((room) => [
      `/trips/*/${room}`,
      ['trip/trip.page', `${room}/${room}.page`],
    ]),
  ),
};
/** Every room of a trip begins with a forecast. */
const FORECASTER = 'src/app/work/forecast.worker.ts';

/**
 * Writes preloads.json beside the page.
 *
 * @param stats what the build says of its outputs (esbuild's metafile); taken away, since it is no part of the page
 */
export function writePreloads(stats, folder) {
  const { outputs } = JSON.parse(readFileSync(stats, 'utf8'));
  const fileOf = new Map(Object.entries(outputs).map(([file, { entryPoint }]) => [entryPoint, file]));
  const named = (source) => {
    const file = fileOf.get(source);
    if (!file) throw new Error(`The build has no ${source}: scripts/preloads.mjs names what is not there.`);
    return file;
  };
  /** A file and all that it imports at once. */
  const withImports = (file, found = new Set()) => {
    if (found.has(file)) return found;
    found.add(file);
    for (const { path, kind } of outputs[file].imports)
      if (kind === 'import-statement') withImports(path, found);
    return found;
  };
  const first = withImports(named('src/main.ts'));
  const preloads = Object.entries(ADDRESSES).map(([address, sources]) => {
    const scripts = new Set(sources.flatMap((source) => [...withImports(named(`src/app/${source}.ts`))]));
    return [
      address,
      {
        scripts: [...scripts].filter((file) => !first.has(file)),
        worker: address.startsWith('/trips/') ? named(FORECASTER) : null,
      },
    ];
  });
  writeFileSync(`${folder}/preloads.json`, JSON.stringify(Object.fromEntries(preloads)));
  rmSync(stats);
}
