import type { DebriefNotes, Gear, LogDocument, Trip } from '@knapsack/contract';
import { outingRow, type OutingRow } from '@knapsack/contract/logbook';
import type { Work } from './work';

export interface OutingQuestion {
  readonly trip: Trip;
  readonly log: LogDocument;
  readonly notes: DebriefNotes;
  readonly shelf: readonly Gear[];
}

export type OutingAnswer =
  { readonly ok: true; readonly row: OutingRow } | { readonly ok: false; readonly why: string };

/** An outing as a line of the logbook. */
export const outingWork: Work<OutingQuestion, OutingAnswer> = ({ trip, log, notes, shelf }, { say }) => {
  const row = outingRow(trip, log, notes, shelf);
  say(row.ok ? { ok: true, row: row.value } : { ok: false, why: row.problems[0].sentence });
};
