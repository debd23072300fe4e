import type { DebriefNotes, LogDocument, Trip } from '@knapsack/contract';

/** All that is stored of an outing. */
export interface StoredOuting {
  readonly trip: Trip;
  readonly log: LogDocument;
  readonly notes: DebriefNotes;
}
