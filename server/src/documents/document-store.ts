import { upToDate, type Stored } from '@knapsack/contract';
import type { Result } from '@knapsack/core';
import type { EntityManager, EntitySchema } from 'typeorm';
import type { Database } from '../database/database.js';
import type { DocumentRow } from '../database/entities.js';

/** What every stored document has. */
export interface Named {
  readonly id: string;
}

/** A stored document and the version of the format that it was stored in. */
export interface Listed<Document> extends Stored<Document> {
  readonly savedAs: number;
}

/** A row that cannot be handed out: what is wrong with it. It hides nothing else, and is never written over. */
export interface SetAside {
  readonly id: string;
  readonly name: string;
  readonly revision: number;
  /** A later release wrote it, which can read it; else it is damaged. */
  readonly isLater: boolean;
  readonly sentence: string;
}

/** What documents of a table are. */
export interface DocumentKind<Document> {
  readonly table: EntitySchema<DocumentRow>;
  readonly schema: string;
  /** The newest version that this release reads. */
  readonly version: number;
  /** A document out of anything that came from outside, or why it is none. */
  readonly read: (data: unknown) => Result<Document>;
  /** What it is kept under. */
  readonly idOf: (document: Document) => string;
  /** What a list or a backup calls it. */
  readonly nameOf: (document: Document) => string;
  /** Puts parts of it in other tables, in the same transaction. @returns what stays */
  readonly put?: (manager: EntityManager, document: Document) => Promise<Document>;
  /** Deletes those parts with it. */
  readonly removed?: (manager: EntityManager, id: string) => Promise<void>;
}

/** A document as the text that is stored of it. */
export type KeptText = Pick<DocumentRow, 'id' | 'name' | 'revision' | 'text'>;

/** Why a write was not done. */
export type Refusal = 'missing' | 'exists' | 'changed' | 'locked' | 'unfit';

export type Written<Document> =
  | { readonly ok: true; readonly stored: Stored<Document> }
  | { readonly ok: false; readonly refusal: Refusal };

/** Documents of one kind in one table. */
export class DocumentStore<Document> {
  constructor(
    private readonly database: Database,
    private readonly kind: DocumentKind<Document>,
  ) {}

  private get table(): EntitySchema<DocumentRow> {
    return this.kind.table;
  }

  /** A document out of anything that came from outside, or why it is none. */
  get validate(): DocumentKind<Document>['read'] {
    return this.kind.read;
  }

  /** What a list or a backup calls a document. */
  nameOf(document: Document): string {
    return this.kind.nameOf(document);
  }

  /** What a document is kept under. */
  idOf(document: Document): string {
    return this.kind.idOf(document);
  }

  async list(): Promise<readonly Listed<Document>[]> {
    const rows = await this.rows();
    return rows.flatMap((row) => (this.wrongWith(row) ? [] : [asListed<Document>(row)]));
  }

  /** The rows that cannot be handed out. */
  async setAside(): Promise<readonly SetAside[]> {
    const rows = await this.rows();
    return rows.flatMap((row) => this.wrongWith(row) ?? []);
  }

  /** The text of a row as it is stored; null where there is none. */
  async text(id: string): Promise<string | null> {
    return (await this.row(id))?.text ?? null;
  }

  async read(id: string): Promise<Stored<Document> | null> {
    const row = await this.row(id);
    return row && !this.wrongWith(row) ? asStored<Document>(row) : null;
  }

  /** What is stored, readable or not, as a part of a longer turn. */
  rowsIn(manager: EntityManager): Promise<DocumentRow[]> {
    return manager.find(this.table, { order: { id: 'ASC' } });
  }

  rowIn(manager: EntityManager, id: string): Promise<DocumentRow | null> {
    return manager.findOneBy(this.table, { id });
  }

  /** The document of a row; null where it cannot be handed out. */
  documentOf(row: DocumentRow): Document | null {
    return this.wrongWith(row) ? null : asStored<Document>(row).document;
  }

  /** The document of an id; null where there is none that can be handed out. */
  async documentIn(manager: EntityManager, id: string): Promise<Document | null> {
    const row = await this.rowIn(manager, id);
    return row && this.documentOf(row);
  }

  /** Puts a document in, as a part of a longer turn; over anything but what a later release has saved. */
  async putIn(manager: EntityManager, document: Document): Promise<void> {
    const row = await this.rowIn(manager, this.kind.idOf(document));
    if (row && this.wrongWith(row)?.isLater) return;
    await this.put(manager, document, (row?.revision ?? 0) + 1);
  }

  async removeIn(manager: EntityManager, id: string): Promise<void> {
    await manager.delete(this.table, { id });
  }

  /** Puts texts in as they are, whatever they replace, as a part of a longer turn. */
  async keepIn(manager: EntityManager, texts: readonly KeptText[]): Promise<void> {
    const updatedMs = Date.now();
    for (let from = 0; from < texts.length; from += ROWS_AT_ONCE) {
      const rows = texts.slice(from, from + ROWS_AT_ONCE).map((text) => ({ ...text, updatedMs }));
      await manager.upsert(this.table, rows, ['id']);
    }
  }

  create(document: Document): Promise<Written<Document>> {
    return this.database.write(async (manager) => {
      if (await manager.existsBy(this.table, { id: this.kind.idOf(document) })) return refuse('exists');
      return this.put(manager, document, 1);
    });
  }

  /** Creates those of which there is none of their id, in one transaction. @returns the others, which stay as they are here */
  createMissing(documents: readonly Document[]): Promise<readonly Document[]> {
    return this.database.write(async (manager) => {
      const here = new Set((await this.rowsIn(manager)).map(({ id }) => id));
      const left: Document[] = [];
      const fresh = documents.filter((document) => {
        if (!here.has(this.kind.idOf(document))) return here.add(this.kind.idOf(document));
        left.push(document);
        return false;
      });
      const texts = fresh.map((document) => ({
        id: this.kind.idOf(document),
        name: this.kind.nameOf(document),
        revision: 1,
        text: JSON.stringify(document),
      }));
      await this.keepIn(manager, texts);
      return left;
    });
  }

  /** Replaces a document if its revision is still the one that the writer has seen. */
  replace(document: Document, revision: number): Promise<Written<Document>> {
    return this.database.write(async (manager) => {
      const row = await manager.findOneBy(this.table, { id: this.kind.idOf(document) });
      if (!row) return refuse('missing');
      if (row.revision !== revision) return refuse('changed');
      if (this.wrongWith(row)) return refuse('locked');
      return this.put(manager, document, revision + 1);
    });
  }

  /**
   * Makes another document of the one that is stored, or a first one (of null), in one turn.
   *
   * @param change returns null where it would not do: nothing is written then, and the refusal is "unfit"
   */
  change(id: string, change: (document: Document | null) => Document | null): Promise<Written<Document>> {
    return this.database.write(async (manager) => {
      const row = await this.rowIn(manager, id);
      if (row && this.wrongWith(row)) return refuse('locked');
      const changed = change(row && this.documentOf(row));
      return changed ? this.put(manager, changed, (row?.revision ?? 0) + 1) : refuse('unfit');
    });
  }

  /** Deletes a document, damaged or not, if its revision is still the one that the writer has seen. */
  remove(id: string, revision: number): Promise<{ ok: true } | { ok: false; refusal: Refusal }> {
    return this.database.write(async (manager) => {
      const row = await manager.findOneBy(this.table, { id });
      if (!row) return refuse('missing');
      if (row.revision !== revision) return refuse('changed');
      await manager.delete(this.table, { id });
      await this.kind.removed?.(manager, id);
      return { ok: true as const };
    });
  }

  private rows(): Promise<DocumentRow[]> {
    return this.database.read((manager) => manager.find(this.table, { order: { name: 'ASC', id: 'ASC' } }));
  }

  private row(id: string): Promise<DocumentRow | null> {
    return this.database.read((manager) => this.rowIn(manager, id));
  }

  /** Why a row is no document of this kind that can be read here; null where it is one. */
  wrongWith({ id, name, revision, text }: KeptText): SetAside | null {
    const { schema, version: newest } = this.kind;
    const aside = (isLater: boolean, sentence: string): SetAside => ({
      id,
      name,
      revision,
      isLater,
      sentence,
    });
    let data: unknown;
    try {
      data = JSON.parse(text);
    } catch {
      return aside(false, 'Its text in the data file is damaged.');
    }
    const head = (typeof data === 'object' && data !== null ? data : {}) as Record<string, unknown>;
    const { version = 1 } = head;
    if (head['schema'] !== schema || !Number.isInteger(version)) {
      return aside(false, 'What is stored under its name is something else.');
    }
    return (version as number) > newest
      ? aside(true, 'A later release of Knapsack has saved it; that one can open it.')
      : null;
  }

  private async put(manager: EntityManager, whole: Document, revision: number): Promise<Written<Document>> {
    const document = (await this.kind.put?.(manager, whole)) ?? whole;
    await manager.save(this.table, {
      id: this.kind.idOf(document),
      name: this.kind.nameOf(document),
      revision,
      text: JSON.stringify(document),
      updatedMs: Date.now(),
    });
    return { ok: true, stored: { revision, document } };
  }
}

/** Rows in one statement; SQLite takes 32,766 values in one. */
const ROWS_AT_ONCE = 500;

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
