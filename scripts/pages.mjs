// The pages of the application and the scripts that they need, read out of its tables and out of what the build tool says.

/** The address of a trip, below which its rooms are. */
export const TRIP = 'trips/:id';

/** Addresses and their pages out of the text of a table of routes or rooms: what stands between a path and the import after it. */
export const pagesIn = (table) =>
  [...table.matchAll(/\bpath: '([^']*)'[^]*?\bimport\('\.{1,2}\/([^']+)'\)/g)]
    .filter(([, path]) => path !== '**')
    .map(([, path, page]) => ({ path, source: `src/app/${page}.ts` }));

/** All scripts that some need before they run, with what those need. @param stats what the build tool says of its outputs */
export function neededBy(stats, ...scripts) {
  const found = new Set();
  const add = (name) => {
    if (found.has(name) || !stats.outputs[name]) return;
    found.add(name);
    for (const { path, kind } of stats.outputs[name].imports) if (kind === 'import-statement') add(path);
  };
  scripts.forEach(add);
  return found;
}

/** The script that a source stands in. */
export function scriptWith(stats, source) {
  const found = Object.keys(stats.outputs).find(
    (name) => name.endsWith('.js') && source in stats.outputs[name].inputs,
  );
  if (!found) throw new Error(`No script that was built has ${source}.`);
  return found;
}
