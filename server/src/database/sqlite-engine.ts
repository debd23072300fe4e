import { createRequire } from 'node:module';

/** Either release of better-sqlite3; TypeORM calls it, this file only makes sure that it is there and runs. */
export type SqliteEngine = new (file: string) => { close(): void };

/** What a Node.js says about itself in `process.versions`. */
export type NodeVersions = Readonly<Record<'node', string> & Partial<Record<string, string>>>;

/** No engine runs here: why, and what would, in a sentence for the person at the terminal. */
export class EngineProblem extends Error {}

/** The Node-API that release 13 of better-sqlite3 is built on; Node.js has it from 22.14 and 23.6 on. */
const NODE_API_OF_PREBUILT = 10;

/**
 * The package with the database engine for a Node.js.
 *
 * Release 13 of better-sqlite3 carries its binaries for every common platform, and crashes on Node.js 20; release 12 is
 * compiled on the spot, and aborts on Node.js 24 at its first garbage collection. So each runs where it is sound.
 *
 * @param versions as in `process.versions`
 * @returns the name of the package, and whether it has to be compiled first
 * @throws EngineProblem for a Node.js on which neither is sound
 */
export function enginePackage(versions: NodeVersions): { readonly name: string; readonly compiled: boolean } {
  const [major, minor] = versions.node.split('.').map(Number);
  if (major === 20 && minor >= 19) return { name: 'better-sqlite3-node20', compiled: true };
  if (major >= 22 && Number(versions['napi'] ?? 0) >= NODE_API_OF_PREBUILT) {
    return { name: 'better-sqlite3', compiled: false };
  }
  throw new EngineProblem(
    `Knapsack runs on Node.js 20.19 or later in its line, 22.14 or later, 24 and 26; this is ${versions.node}.`,
  );
}

/**
 * The database engine for this Node.js, tried on a database in memory, so that what is missing is said here and nowhere
 * later. TypeORM takes it as its `driver`.
 *
 * @param load how a package is loaded; by itself, `require`
 * @throws EngineProblem if there is none for this Node.js, or it is not installed, not compiled, or not for this platform
 */
export function sqliteEngine(
  versions: NodeVersions = process.versions,
  load: (name: string) => unknown = createRequire(import.meta.url),
): SqliteEngine {
  const { name, compiled } = enginePackage(versions);
  try {
    const Engine = load(name) as SqliteEngine;
    new Engine(':memory:').close();
    return Engine;
  } catch (error) {
    const reason = (error instanceof Error ? error.message : String(error)).split('\n')[0];
    throw new EngineProblem(
      compiled
        ? `The database engine for Node.js 20 has to be compiled once and is not: run "npm rebuild ${name} --ignore-scripts=false" in Knapsack’s folder, or use Node.js 22 or later, which needs no compiler. (${reason})`
        : `The database engine does not load on this computer (${process.platform} ${process.arch}); Linux, macOS and Windows on x64 and arm64 are provided for. (${reason})`,
    );
  }
}
