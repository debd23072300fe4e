import type { Lesson } from './debrief-notes.js';
import type { Trip } from './trip.js';

/** A line of the list of trips. */
export interface TripSummary {
  readonly id: string;
  readonly name: string;
  readonly placeName: string;
  readonly start: string;
  readonly end: string;
  readonly timeZone: string;
  /** Put away: not among the trips to come. */
  readonly archived: boolean;
  /** Counts up with each write; the ETag of the document. */
  readonly revision: number;
  /** Version of the format that it is stored in: an earlier one until it is written again. */
  readonly savedAs: number;
}

/** The line of a trip in the list. */
export const summaryOf = (
  { id, name, place, start, end, archived = false }: Trip,
  { revision, savedAs }: Pick<TripSummary, 'revision' | 'savedAs'>,
): TripSummary => ({
  ...{ id, name, placeName: place.name, start, end, timeZone: place.timeZone, archived },
  ...{ revision, savedAs },
});

/** A line of the logbook as the server knows it: an outing of which something is known, and what its figures stand on. */
export interface LogbookLine {
  readonly trip: TripSummary;
  /** Ids of the gear in its bag. */
  readonly gear: readonly string[];
  readonly logRevision: number;
  /** 0 where nobody has made anything of it yet. */
  readonly debriefRevision: number;
  readonly lessons: readonly Lesson[];
}

/** A stored document and the revision that If-Match asks for. */
export interface Stored<Document> {
  readonly revision: number;
  readonly document: Document;
}

/** A field that is wrong, and what would be right. */
export interface FieldError {
  /** JSON pointer (RFC 6901) into the document. */
  readonly pointer: string;
  readonly detail: string;
}

/** An error as the API answers it (RFC 9457, application/problem+json). */
export interface ProblemDocument {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail: string;
  readonly errors?: readonly FieldError[];
}

/** What came of reading a shelf file. */
export interface ShelfImport {
  readonly added: number;
  /** Sentences about what was left out. */
  readonly notes: readonly string[];
}

/** How Knapsack is reached from other devices, and which have logged in. */
export type ReachView =
  | { readonly on: false }
  | {
      readonly on: true;
      /** Where it is found, the likeliest first. */
      readonly addresses: readonly string[];
      /** Over plain http: others on the network can read along. */
      readonly isPlain: boolean;
      readonly devices: readonly ReachDevice[];
    };

/** A device that has logged in; times in UTC epoch ms. */
export interface ReachDevice {
  readonly id: string;
  readonly name: string;
  readonly sinceMs: number;
  readonly lastSeenMs: number;
  /** The one that asks. */
  readonly isThis: boolean;
}

/** An instrument that may send lines; times in UTC epoch ms. */
export interface InstrumentView {
  readonly id: string;
  readonly name: string;
  readonly sinceMs: number;
  /** When it last sent something; null where it never did. */
  readonly lastMs: number | null;
}

/** An instrument as it is made: its token is told this once. */
export interface NewInstrument extends InstrumentView {
  readonly token: string;
}

/** A dry run that was begun. */
export interface DryRunMade {
  readonly id: string;
}

/** What came of lines that were sent. */
export interface LinesTaken {
  /** Entries that stand in the log now and did not before. */
  readonly entries: number;
  /** Lines that were none of an instrument's. */
  readonly unread: number;
}
