import {
  chmodSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs';
import { join } from 'node:path';
import type { DataCopies, DataCopy } from '@knapsack/contract';
import type { Database } from '../database/database.js';

/** The folder of copies in a data folder. */
export const COPIES_FOLDER = 'copies';
/** Copies of days that are kept; those before a restore are kept in the same number beside them. */
export const MOST_COPIES = 7;
const LOOKS_EVERY_MS = 3_600_000;

const DAILY = /^knapsack-\d{4}-\d{2}-\d{2}\.sqlite$/;
const BEFORE = /^before-restore-[\dTZ-]+\.sqlite$/;

/**
 * Copies of the data file beside it: one on each day on which something has changed, the last seven of them, and one before every
 * restore that replaces something. A copy that cannot be made disturbs nothing and is told.
 */
export class DailyCopies {
  readonly folder: string;
  private problem: string | null = null;
  private timer: ReturnType<typeof setInterval> | undefined;

  /** @param nowMs UTC epoch ms */
  constructor(
    private readonly database: Database,
    dataFolder: string,
    private readonly nowMs: () => number = Date.now,
  ) {
    this.folder = join(dataFolder, COPIES_FOLDER);
  }

  /** Makes today's copy where it is missing, now and then again as days pass. */
  async start(): Promise<void> {
    this.timer = setInterval(() => void this.makeToday(), LOOKS_EVERY_MS);
    this.timer.unref();
    await this.makeToday();
  }

  stop(): void {
    clearInterval(this.timer);
  }

  /** Today's copy, unless there is one, or nothing has changed since the last. */
  async makeToday(): Promise<void> {
    const name = `knapsack-${new Date(this.nowMs()).toISOString().slice(0, 10)}.sqlite`;
    try {
      if (!existsSync(join(this.folder, name))) await this.make(name, DAILY);
      this.problem = null;
    } catch (error) {
      this.problem = error instanceof Error ? error.message : String(error);
    }
  }

  /** A copy of everything before a restore. @returns its name @throws StorageProblem where there is no room */
  async beforeRestore(): Promise<string> {
    const name = `before-restore-${new Date(this.nowMs()).toISOString().replace(/[:.]/g, '-')}.sqlite`;
    await this.make(name, BEFORE);
    return name;
  }

  list(): DataCopies {
    return { folder: this.folder, copies: this.copies(() => true), problem: this.problem };
  }

  /** The file of a copy by its name; null where there is none of that name. */
  fileOf(name: string): string | null {
    return this.copies(() => true).some((copy) => copy.name === name) ? join(this.folder, name) : null;
  }

  private async make(name: string, kind: RegExp): Promise<void> {
    mkdirSync(this.folder, { recursive: true, mode: 0o700 });
    const file = join(this.folder, name);
    // Under another name until it is whole.
    const making = `${file}.part`;
    try {
      // What a server that was killed has left of one is no copy.
      rmSync(making, { force: true });
      await this.database.copyTo(making);
      chmodSync(making, 0o600);
      const [last] = this.copies((copy) => kind === DAILY && DAILY.test(copy.name));
      const isAsLarge = last?.bytes === statSync(making).size;
      if (last && isAsLarge && readFileSync(join(this.folder, last.name)).equals(readFileSync(making)))
        return;
      renameSync(making, file);
    } finally {
      rmSync(making, { force: true });
    }
    const old = this.copies((copy) => kind.test(copy.name)).slice(MOST_COPIES);
    for (const copy of old) rmSync(join(this.folder, copy.name), { force: true });
  }

  /** The newest first. */
  private copies(which: (copy: DataCopy) => boolean): readonly DataCopy[] {
    return namesIn(this.folder)
      .filter((name) => DAILY.test(name) || BEFORE.test(name))
      .map((name) => {
        const { mtimeMs, size } = statSync(join(this.folder, name));
        return { name, madeAt: new Date(mtimeMs).toISOString(), bytes: size };
      })
      .filter(which)
      .sort((a, b) => dateOf(b).localeCompare(dateOf(a)));
  }
}

/** The date that a copy's name ends with. */
const dateOf = ({ name }: DataCopy): string => name.replace(/^[a-z-]+-(?=\d)/, '');

/** The names in a folder; none where there is no such folder. */
function namesIn(folder: string): readonly string[] {
  try {
    return readdirSync(folder);
  } catch {
    return [];
  }
}
