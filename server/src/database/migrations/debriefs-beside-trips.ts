import type { MigrationInterface, QueryRunner } from 'typeorm';

const TABLES = ['debriefs', 'requirements'];

/** What somebody makes of an outing gets a table of its own, under the id of its trip; so does what the next build must do. */
export class DebriefsBesideTrips1796300000000 implements MigrationInterface {
  name = 'DebriefsBesideTrips1796300000000';

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
