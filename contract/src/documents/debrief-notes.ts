import type { Mode, ReadingSource } from '@knapsack/core';

export const DEBRIEF_SCHEMA = 'knapsack.debrief';
export const DEBRIEF_VERSION = 1;

/** What a lesson asks for. */
export const LESSON_KINDS = {
  keep: 'keep',
  change: 'change',
  buy: 'buy',
  repair: 'repair',
} as const;

export type LessonKind = keyof typeof LESSON_KINDS;

/** What somebody takes along from an outing, in a line. */
export interface Lesson {
  readonly id: string;
  readonly kind: LessonKind;
  readonly text: string;
  /** Id of the gear that it is about; about the kit as a whole if absent. */
  readonly gear?: string;
  /** Day on which it was done, or needs no doing any more; open if absent. */
  readonly done?: string;
}

/** A correction that was looked at and left. */
export interface LeftCorrection {
  readonly correction: string;
}

/** Who says something of an outing besides: readings by who read them, contacts, and the work that was noted. */
export type ToldBy = ReadingSource | 'contacts' | 'work';

/** A source that is not weighed: it disagrees with another, which was chosen. */
export interface SourceAside {
  readonly source: ToldBy;
}

/** How long somebody sends for a contact in a mode, s, where it is not as usual. */
export interface SecondsSent {
  readonly mode: Mode;
  readonly seconds: number;
}

/** What somebody makes of an outing; what was accepted stands with the gear. */
export interface DebriefNotes {
  readonly schema: typeof DEBRIEF_SCHEMA;
  readonly version: typeof DEBRIEF_VERSION;
  /** The trip's id. */
  readonly id: string;
  readonly left: readonly LeftCorrection[];
  readonly aside: readonly SourceAside[];
  readonly lessons: readonly Lesson[];
  readonly seconds?: readonly SecondsSent[];
}

export const noNotes = (id: string): DebriefNotes => ({
  ...{ schema: DEBRIEF_SCHEMA, version: DEBRIEF_VERSION, id },
  ...{ left: [], aside: [], lessons: [] },
});
