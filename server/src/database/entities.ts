import { EntitySchema } from 'typeorm';

/** A stored document: its text as it came, and what lists and locks need to know of it. */
export interface DocumentRow {
  id: string;
  /** Counts up with each write, from 1. */
  revision: number;
  name: string;
  /** The document as JSON text. */
  text: string;
  /** UTC epoch ms of the last write. */
  updatedMs: number;
}

const documentTable = (name: string) =>
  new EntitySchema<DocumentRow>({
    name,
    tableName: name,
    columns: {
      id: { type: 'text', primary: true },
      revision: { type: 'integer' },
      name: { type: 'text' },
      text: { type: 'text' },
      updatedMs: { type: 'integer', name: 'updated_ms' },
    },
  });

/** Every table of documents, by its name. */
export const TABLES = {
  trips: documentTable('trips'),
  gear: documentTable('gear'),
  packings: documentTable('packings'),
  rehearsals: documentTable('rehearsals'),
  logs: documentTable('logs'),
  debriefs: documentTable('debriefs'),
  requirements: documentTable('requirements'),
} as const;
