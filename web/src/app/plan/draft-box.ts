import type { Trip } from '@knapsack/contract';

/** A trip as it was typed, not yet taken by the server, and the revision it grew from. */
export interface Draft {
  readonly revision: number;
  readonly trip: Trip;
  /** The version of that revision, which both this one and another tab's grew from. */
  readonly base?: Trip;
  /** A version that was sent and whose answer has not come: the server may have it. */
  readonly sent?: Trip;
}

/** Whether two trips are the same document. */
export const sameTrip = (a: Trip, b: Trip): boolean => JSON.stringify(a) === JSON.stringify(b);

/**
 * Whether what the server has is what this browser sent last: the answer was lost, as by a reload, and
 * nobody else has written.
 */
export const isOurOwn = ({ trip, sent }: Omit<Draft, 'revision'>, stored: Trip): boolean =>
  sameTrip(stored, trip) || (sent !== undefined && sameTrip(stored, sent));

const keyOf = (id: string): string => `knapsack.draft.${id}`;

/** Keeps unsaved trips in this browser, so that a reload or a stopped server loses nothing. */
export const draftBox = {
  keep(draft: Draft): void {
    try {
      localStorage.setItem(keyOf(draft.trip.id), JSON.stringify(draft));
    } catch {
      // A full or forbidden storage: the server still gets the trip.
    }
  },

  find(id: string): Draft | null {
    const text = localStorage.getItem(keyOf(id));
    if (text === null) return null;
    try {
      return JSON.parse(text) as Draft;
    } catch {
      return null;
    }
  },

  drop(id: string): void {
    localStorage.removeItem(keyOf(id));
  },
};
