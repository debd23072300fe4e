import type { MigrationInterface, QueryRunner } from 'typeorm';

const TABLES = ['trips', 'gear'] as const;

/** The first file format: a table of documents for trips and one for gear. */
export class CreateDocuments1790000000000 implements MigrationInterface {
  name = 'CreateDocuments1790000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const table of TABLES) {
      await runner.query(
        `CREATE TABLE ${table} (
          id TEXT PRIMARY KEY NOT NULL,
          revision INTEGER NOT NULL CHECK (revision >= 1),
          name TEXT NOT NULL,
          text TEXT NOT NULL,
          updated_ms INTEGER NOT NULL
        )`,
      );
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of TABLES) await runner.query(`DROP TABLE ${table}`);
  }
}
