// Which packages of the lock file some workspaces need when they run.

/**
 * Walks the dependencies of workspaces through a lock file of version 3, as Node.js would look them up: in the package's own
 * node_modules first, then in those of the folders above it. Development, optional and peer dependencies are not followed.
 *
 * @param lock the parsed lock file
 * @param workspaces their folders, such as "server"
 * @param leftOut names of packages to leave out, with all that only they need
 * @returns the packages' folders in the lock file, sorted; workspaces that are needed among them
 */
export function productionPackages({ packages }, workspaces, leftOut = []) {
  const found = new Set();
  const visit = (folder) => {
    if (found.has(folder)) return;
    found.add(folder);
    for (const name of Object.keys(packages[folder].dependencies ?? {})) {
      if (!leftOut.includes(name)) visit(resolved(packages, folder, name));
    }
  };
  workspaces.forEach(visit);
  return [...found].sort();
}

function resolved(packages, from, name) {
  for (let folder = from; ; folder = parent(folder)) {
    const place = [folder, 'node_modules', name].filter(Boolean).join('/');
    if (Object.hasOwn(packages, place)) return packages[place].link ? packages[place].resolved : place;
    if (!folder) throw new Error(`The lock file has no ${name} for ${from}.`);
  }
}

/** The folder above, node_modules left out: server/node_modules/a/node_modules/b, server/node_modules/a, server, "". */
function parent(folder) {
  const inModules = folder.lastIndexOf('node_modules/');
  return inModules > 0 ? folder.slice(0, inModules - 1) : '';
}
