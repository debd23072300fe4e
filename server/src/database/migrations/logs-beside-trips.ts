import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was read, seen and done during an outing gets a table of its own, under the id of its trip. */
export class LogsBesideTrips1796200000000 implements MigrationInterface {
  name = 'LogsBesideTrips1796200000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      `CREATE TABLE logs (
        id TEXT PRIMARY KEY NOT NULL,
        revision INTEGER NOT NULL CHECK (revision >= 1),
        name TEXT NOT NULL,
        text TEXT NOT NULL,
        updated_ms INTEGER NOT NULL
      )`,
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query(`DROP TABLE logs`);
  }
}
