import { upToDate, type Stored } from '@knapsack/contract';
import type { DataSource, EntityManager, EntitySchema } from 'typeorm';
import type { DocumentRow } from '../database/entities.js';

/** What every stored document has. */
export interface Named {
  readonly id: string;
  readonly name: string;
}

/** A stored document and the version of the format that it was stored in. */
export interface Listed<Document> extends Stored<Document> {
  readonly savedAs: number;
}

/** Why a write was not done. */
export type Refusal = 'missing' | 'exists' | 'changed';

export type Written<Document> =
  | { readonly ok: true; readonly stored: Stored<Document> }
  | { readonly ok: false; readonly refusal: Refusal };

/**
 * Documents of one kind in one table. Writes run one after the other, each in a transaction: SQLite
 * has one writer and the connection is shared.
 */
export class DocumentStore<Document extends Named> {
  private static queue: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly source: DataSource,
    private readonly table: EntitySchema<DocumentRow>,
  ) {}

  async list(): Promise<readonly Listed<Document>[]> {
    const rows = await this.source.getRepository(this.table).find({ order: { name: 'ASC', id: 'ASC' } });
    return rows.map(asListed<Document>);
  }

  async read(id: string): Promise<Stored<Document> | null> {
    const row = await this.source.getRepository(this.table).findOneBy({ id });
    return row && asStored<Document>(row);
  }

  create(document: Document): Promise<Written<Document>> {
    return this.write(async (manager) => {
      if (await manager.existsBy(this.table, { id: document.id })) return refuse('exists');
      return this.put(manager, document, 1);
    });
  }

  /** Replaces a document if its revision is still the one that the writer has seen. */
  replace(document: Document, revision: number): Promise<Written<Document>> {
    return this.write(async (manager) => {
      const row = await manager.findOneBy(this.table, { id: document.id });
      if (!row) return refuse('missing');
      if (row.revision !== revision) return refuse('changed');
      return this.put(manager, document, revision + 1);
    });
  }

  /** Deletes a document if its revision is still the one that the writer has seen; gives back what was deleted. */
  remove(id: string, revision: number): Promise<Written<Document>> {
    return this.write(async (manager) => {
      const row = await manager.findOneBy(this.table, { id });
      if (!row) return refuse('missing');
      if (row.revision !== revision) return refuse('changed');
      await manager.delete(this.table, { id });
      return { ok: true, stored: asStored<Document>(row) };
    });
  }

  private async put(
    manager: EntityManager,
    document: Document,
    revision: number,
  ): Promise<Written<Document>> {
    const { id, name } = document;
    await manager.save(this.table, {
      id,
      name,
      revision,
      text: JSON.stringify(document),
      updatedMs: Date.now(),
    });
    return { ok: true, stored: { revision, document } };
  }

  private write<Outcome>(work: (manager: EntityManager) => Promise<Outcome>): Promise<Outcome> {
    const turn = DocumentStore.queue.then(() => this.source.transaction(work));
    DocumentStore.queue = turn.catch(() => undefined);
    return turn;
  }
}

const refuse = (refusal: Refusal): { ok: false; refusal: Refusal } => ({ ok: false, refusal });

const asListed = <Document>(row: DocumentRow): Listed<Document> => {
  const { version } = JSON.parse(row.text) as { readonly version?: number };
  return { ...asStored<Document>(row), savedAs: version ?? 1 };
};

/** A row as its document; one that an earlier release wrote is brought up to date. */
const asStored = <Document>({ revision, text }: DocumentRow): Stored<Document> => ({
  revision,
  document: upToDate(JSON.parse(text)) as Document,
});
