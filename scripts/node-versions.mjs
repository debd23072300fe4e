// Other versions of Node.js, from the package registry: a package a version holds the binary.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { npm } from './process.mjs';

/** The lines of Node.js that people have, besides 20. */
export const LINES = ['22', '24', '26'];
/** The newest line with long-term support, by what its binary says of itself (`process.release.lts`). */
export const NEWEST_LONG_TERM = '24';

/**
 * The binary of the newest Node.js of a line, in a temporary folder, fetched unless it is there already.
 *
 * @param line the major version, such as "24"
 * @returns the binary's path and its version
 */
export async function nodeOf(line) {
  const { platform, arch } = process;
  const name = `node-${platform === 'win32' ? 'win' : platform}-${arch}`;
  const folder = join(tmpdir(), 'knapsack-nodes', `${line}-${platform}-${arch}`);
  const binary = join(folder, 'node_modules', name, 'bin', platform === 'win32' ? 'node.exe' : 'node');
  if (!existsSync(binary)) {
    mkdirSync(folder, { recursive: true });
    writeFileSync(join(folder, 'package.json'), '{ "private": true }');
    await npm(
      ['install', `${name}@${line}`, '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'],
      {
        folder,
        shown: 'failed',
        during: `Fetching Node.js ${line}`,
      },
    );
  }
  return { binary, version: spawnSync(binary, ['--version'], { encoding: 'utf8' }).stdout.trim() };
}
