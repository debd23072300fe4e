import type { Stored, Trip } from '@knapsack/contract';
import { isOurOwn, sameDraft, type LeftDraft } from './draft-box';
import { mergeTrips, type Merged } from '@knapsack/contract/edits';

/** What becomes of the unsaved versions of a trip as it is opened. */
export interface TakenUp {
  /** The version to go on with; null where nothing is unsaved. */
  readonly draft: LeftDraft | null;
  /** It grew from what the server has. */
  readonly isCurrent: boolean;
  /** Kept under these keys, and done with: saved already, or part of the draft now. */
  readonly done: readonly string[];
  /** What does not go together with it, and is offered. */
  readonly others: readonly LeftDraft[];
}

/** Brings several unsaved versions together, the oldest first; none is thrown away that does not go in. */
export function takeUpDrafts(left: readonly LeftDraft[], stored: Stored<Trip> | null): TakenUp {
  const done: string[] = [];
  const others: LeftDraft[] = [];
  let draft: LeftDraft | null = null;
  for (const one of left) {
    if (stored && sameDraft(one.document, stored.document)) {
      done.push(one.key);
      continue;
    }
    if (!draft) {
      draft = one;
      continue;
    }
    const base: Trip | undefined = one.base ?? draft.base ?? stored?.document;
    const merged: Merged | null =
      base && one.revision === draft.revision ? mergeTrips(base, draft.document, one.document) : null;
    if (merged && merged.mineStands.length === 0) {
      draft = { ...draft, document: merged.trip };
      done.push(one.key);
    } else others.push(one);
  }
  const isCurrent =
    draft !== null &&
    stored !== null &&
    (draft.revision === stored.revision || isOurOwn(draft, stored.document));
  return { draft, isCurrent, done, others };
}
