import type { MigrationInterface, QueryRunner } from 'typeorm';

type Data = Record<string, unknown>;

interface Row {
  readonly id: string;
  readonly text: string;
  readonly updated_ms: number;
}

/**
 * What is ticked and read of a trip gets documents of its own: trips up to version 5 held the ticks in their bags and the
 * results of the home test in their rehearsal. A trip keeps its revision; one that cannot be read stays as it is.
 */
export class TicksBesideTrips1796000000000 implements MigrationInterface {
  name = 'TicksBesideTrips1796000000000';

  async up(runner: QueryRunner): Promise<void> {
    for (const table of ['packings', 'rehearsals']) {
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
    const rows = (await runner.query(`SELECT id, text, updated_ms FROM trips`)) as readonly Row[];
    for (const { id, text, updated_ms: at } of rows) {
      const found = takenOut(text);
      if (!found) continue;
      const { trip, packed, results } = found;
      const put = (table: string, document: Data) =>
        runner.query(`INSERT INTO ${table} (id, revision, name, text, updated_ms) VALUES (?, 1, ?, ?, ?)`, [
          ...[id, id, JSON.stringify({ ...document, id }), at],
        ]);
      if (packed.length > 0) await put('packings', { schema: 'knapsack.packing', version: 1, packed });
      if (results.length > 0) await put('rehearsals', { schema: 'knapsack.rehearsal', version: 1, results });
      await runner.query(`UPDATE trips SET text = ? WHERE id = ?`, [JSON.stringify(trip), id]);
    }
  }

  down(): Promise<void> {
    return Promise.reject(new Error('Ticks are not put back into trips.'));
  }
}

/** The ticks and results of a trip's text, and the trip without them; null where there is nothing to take out. */
function takenOut(text: string): { trip: Data; packed: { gear: unknown }[]; results: unknown[] } | null {
  let trip: unknown;
  try {
    trip = JSON.parse(text);
  } catch {
    return null;
  }
  if (!isData(trip) || trip['schema'] !== 'knapsack.trip') return null;
  const version = trip['version'];
  if (typeof version !== 'number' || version < 1 || version > 5) return null;
  const gear = new Set<unknown>();
  for (const bag of [trip, ...listOf(trip['variants'])]) {
    for (const line of listOf(bag['loadout'])) {
      if (line['packed'] === true) gear.add(line['gear']);
      delete line['packed'];
    }
  }
  const rehearsal = trip['rehearsal'];
  const results = isData(rehearsal) ? listOf(rehearsal['results']) : [];
  if (isData(rehearsal)) delete rehearsal['results'];
  if (gear.size === 0 && results.length === 0) return null;
  return { trip, packed: [...gear].map((id) => ({ gear: id })), results };
}

const isData = (value: unknown): value is Data =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const listOf = (value: unknown): Data[] => (Array.isArray(value) ? value.filter(isData) : []);
