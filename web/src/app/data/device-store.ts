import type { IDBPDatabase } from 'idb';

/**
 * Values under names in a database of this browser's (IndexedDB): it holds far more than localStorage, and has a thing a moment
 * after it was told. One thing is done after the other, in the order in which it was asked.
 */
export class DeviceStore<Value> {
  private queue: Promise<unknown> = Promise.resolve();
  private opened: Promise<IDBPDatabase> | null = null;

  /** @param name of the database @param store of what stands in it */
  constructor(
    private readonly name: string,
    private readonly store: string,
  ) {}

  /** @returns whether it is kept */
  put(key: string, value: Value): Promise<boolean> {
    return this.next(async (database) => {
      const write = database.transaction(this.store, 'readwrite', { durability: 'strict' });
      await Promise.all([write.store.put(value, key), write.done]);
      return true;
    }, false);
  }

  drop(...keys: readonly string[]): Promise<void> {
    return this.next(
      async (database) => {
        const write = database.transaction(this.store, 'readwrite');
        await Promise.all([...keys.map((key) => write.store.delete(key)), write.done]);
      },
      undefined,
      true,
    );
  }

  get(key: string): Promise<Value | null> {
    return this.next<Value | null>(
      async (database) => ((await database.get(this.store, key)) as Value | undefined) ?? null,
      null,
      true,
    );
  }

  all(): Promise<readonly (readonly [key: string, value: Value])[]> {
    return this.next<readonly (readonly [string, Value])[]>(
      async (database) => {
        const read = database.transaction(this.store);
        const [keys, values] = await Promise.all([read.store.getAllKeys(), read.store.getAll()]);
        return keys.map((key, index) => [String(key), values[index] as Value]);
      },
      [],
      true,
    );
  }

  clear(): Promise<void> {
    return this.next((database) => database.clear(this.store), undefined, true);
  }

  /**
   * @param otherwise where the browser has no such storage, or it fails
   * @param onlyIfThere where nothing was ever kept here, neither the database nor its code is asked for
   */
  private next<Outcome>(
    work: (database: IDBPDatabase) => Promise<Outcome>,
    otherwise: Outcome,
    onlyIfThere = false,
  ): Promise<Outcome> {
    const turn = this.queue.then(async () => {
      try {
        if (onlyIfThere && !(await this.isThere())) return otherwise;
        return await work(await this.database());
      } catch {
        this.opened = null;
        return otherwise;
      }
    });
    this.queue = turn;
    return turn;
  }

  private async isThere(): Promise<boolean> {
    return this.opened !== null || (await indexedDB.databases()).some(({ name }) => name === this.name);
  }

  private database(): Promise<IDBPDatabase> {
    this.opened ??= import('idb').then(({ openDB }) =>
      openDB(this.name, 1, {
        upgrade: (database) => void database.createObjectStore(this.store),
        terminated: () => (this.opened = null),
        // Somebody takes the whole database away, as where a device is cleared.
        blocking: (_now, _wanted, event) => {
          (event.target as IDBDatabase).close();
          this.opened = null;
        },
      }),
    );
    return this.opened;
  }
}
