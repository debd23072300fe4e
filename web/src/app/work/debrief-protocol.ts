import type { Gear, LogDocument, Trip } from '@knapsack/contract';
import type { Band, Learned, LearnedName, Span, Waterfall } from '@knapsack/core';
import type { FieldTrack } from './field-protocol';

export interface DebriefQuestion {
  readonly trip: Trip;
  readonly log: LogDocument;
  readonly shelf: readonly Gear[];
}

/** A stretch of work, as a lane shows it. */
export interface DebriefWork extends Span {
  readonly words: string;
}

/** What really happened, as the room shows it. */
export interface DebriefView {
  readonly howItWent: string;
  readonly howFar: string;
  /** What cost or spared most; null where nothing did. */
  readonly reason: string | null;
  readonly mark: 'fine' | 'look' | 'stop';
  readonly soc: Band;
  readonly waterfall: Waterfall;
  /** Up to when something is known, and after it. */
  readonly past: FieldTrack;
  readonly next: FieldTrack;
  readonly readings: readonly { readonly timeMs: number; readonly fits: boolean }[];
  readonly reserveSoc: number;
  readonly planned: readonly DebriefWork[];
  readonly worked: readonly DebriefWork[];
  readonly learned: ReadonlyMap<LearnedName, Learned>;
  readonly weighed: string;
  readonly notes: readonly string[];
}

export type DebriefAnswer =
  | { readonly ok: true; readonly view: DebriefView }
  | { readonly ok: false; readonly problems: readonly string[] };
