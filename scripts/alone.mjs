// Keeps two commands from installing or building the same in one folder at once: they would take each other's files away.
import { createHash } from 'node:crypto';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { at, say } from './process.mjs';

/** Beside the system's other passing files, by this clone's folder. */
const lockOf = (folder, what) =>
  join(tmpdir(), `knapsack-${createHash('sha256').update(folder).digest('hex').slice(0, 16)}-${what}.lock`);

/**
 * Does something while no other command of this clone does the same. Whoever comes meanwhile waits; what a command that was killed has left
 * behind holds nobody up.
 */
export async function alone(what, work, { lock = lockOf(at('.'), what), pauseMs = 1000 } = {}) {
  for (let told = false; !taken(lock);) {
    const holder = holderOf(lock);
    if (holder !== null && !isRunning(holder)) {
      rmSync(lock, { force: true });
      continue;
    }
    if (!told) say(`Another command is at it here (${what}): waiting for it ...`);
    told = true;
    await new Promise((done) => setTimeout(done, pauseMs));
  }
  try {
    return await work();
  } finally {
    rmSync(lock, { force: true });
  }
}

function taken(lock) {
  try {
    writeFileSync(lock, String(process.pid), { flag: 'wx' });
    return true;
  } catch (error) {
    if (error.code === 'EEXIST') return false;
    // Where nothing can be written there, there is nothing to wait for.
    return true;
  }
}

/** The process that has it; null where it was just let go, or is being taken. */
function holderOf(lock) {
  try {
    return Number(readFileSync(lock, 'utf8')) || null;
  } catch {
    return null;
  }
}

function isRunning(pid) {
  try {
    process.kill(pid, 0);
    return true;
  } catch (error) {
    return error.code === 'EPERM';
  }
}
