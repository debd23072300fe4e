import type { DataSource, EntityManager } from 'typeorm';
import { holdFolder, type FolderHold } from './folder-hold.js';
import { openDatabase, prepareFolder } from './open-database.js';
import { storageProblem, StorageProblem } from './storage-problem.js';

/**
 * The data file of a folder, on one connection. Whatever reads or writes takes its turn, so that nothing reads what is not
 * committed. A write is acknowledged after its COMMIT only. After a write that failed in the engine the connection is in a
 * state that nobody knows (SQLite may have rolled back by itself, and what follows would be savepoints inside a transaction
 * that is never committed): it is closed, and the next turn opens a new one and has the file looked at.
 */
export class Database {
  private turns: Promise<unknown> = Promise.resolve();

  private constructor(
    private readonly folder: string,
    private readonly hold: FolderHold,
    private source: DataSource | null,
  ) {}

  /**
   * Opens the file of a folder for this program alone.
   *
   * @throws StartProblem with a sentence if that cannot be
   */
  static async open(folder: string): Promise<Database> {
    prepareFolder(folder);
    const hold = holdFolder(folder);
    try {
      return new Database(folder, hold, await openDatabase(folder));
    } catch (error) {
      hold.release();
      throw error;
    }
  }

  /** @throws StorageProblem where the file fails */
  read<Outcome>(work: (manager: EntityManager) => Promise<Outcome>): Promise<Outcome> {
    return this.turn(async () => {
      const source = await this.connected();
      try {
        return await work(source.manager);
      } catch (error) {
        throw await this.after(error);
      }
    });
  }

  /** One transaction. @throws StorageProblem where the file fails; then nothing of it is kept */
  write<Outcome>(work: (manager: EntityManager) => Promise<Outcome>): Promise<Outcome> {
    return this.turn(async () => {
      const source = await this.connected();
      try {
        const outcome = await source.transaction(work);
        // What is open still was not committed, whatever the calls before have said.
        if (inTransaction(source)) throw new StorageProblem('failed');
        return outcome;
      } catch (error) {
        throw await this.after(error);
      }
    });
  }

  /**
   * Copies the data file as it is committed, by SQLite's own online backup.
   *
   * @throws StorageProblem where there is no room, or the file fails
   */
  copyTo(file: string): Promise<void> {
    return this.turn(async () => {
      const source = await this.connected();
      try {
        await engineOf(source).backup(file);
      } catch (error) {
        // The copy failed, not what it was made from.
        throw storageProblem(error) ?? new StorageProblem('failed', { cause: error });
      }
    });
  }

  /** Has SQLite look at the whole file (integrity_check). @returns what it found wrong, in its words; nothing where it is whole */
  check(): Promise<readonly string[]> {
    return this.read(async (manager) => {
      const found = await manager.query<{ integrity_check: string }[]>(
        `PRAGMA integrity_check(${MOST_FAULTS})`,
      );
      return found.map((row) => row.integrity_check).filter((words) => words !== 'ok');
    });
  }

  /** Waits for what is under way and closes the file. */
  close(): Promise<void> {
    return this.turn(async () => {
      await this.drop();
      this.hold.release();
    });
  }

  private turn<Outcome>(work: () => Promise<Outcome>): Promise<Outcome> {
    const turn = this.turns.then(work);
    this.turns = turn.catch(() => undefined);
    return turn;
  }

  private async connected(): Promise<DataSource> {
    if (this.source) return this.source;
    try {
      this.source = await openDatabase(this.folder);
    } catch (error) {
      throw (
        storageProblem(error instanceof Error ? (error.cause ?? error) : error) ??
        new StorageProblem('failed', { cause: error })
      );
    }
    return this.source;
  }

  /** What an error is for the caller; a connection that it leaves in doubt is dropped. */
  private async after(error: unknown): Promise<unknown> {
    const problem = storageProblem(error);
    if (problem || !this.source || inTransaction(this.source)) await this.drop();
    return problem ?? error;
  }

  private async drop(): Promise<void> {
    const { source } = this;
    this.source = null;
    // Closing rolls back what is open; where even that fails the handle is given up.
    await source?.destroy().catch(() => undefined);
  }
}

/** Faults that a check tells; more say nothing new. */
const MOST_FAULTS = 20;

/** The engine's own handle, behind TypeORM's. */
const engineOf = (source: DataSource) =>
  (
    source.driver as unknown as {
      databaseConnection: { inTransaction?: boolean; backup(file: string): Promise<unknown> };
    }
  ).databaseConnection;

/** Whether the engine itself has a transaction open. */
const inTransaction = (source: DataSource): boolean => engineOf(source)?.inTransaction === true;
