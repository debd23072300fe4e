import type { Gear, LogDocument, SecondsSent, SourceAside, Trip } from '@knapsack/contract';
import type { ContactTable, Correction, Disagreement } from '@knapsack/contract/debrief';
import type { Band, Span, Waterfall } from '@knapsack/core';
import type { FieldTrack } from './field-protocol';

export interface DebriefQuestion {
  readonly trip: Trip;
  readonly log: LogDocument;
  readonly shelf: readonly Gear[];
  /** Sources that are not weighed. */
  readonly aside: readonly SourceAside[];
  /** Seconds sent for a contact where they are not as usual. */
  readonly seconds: readonly SecondsSent[];
}

/** A figure that the outing has taught, as a row shows it. */
export interface CorrectionView {
  readonly id: string;
  readonly correction: Correction;
  readonly sentence: string;
  /** "fairly sure, 0.16 to 0.18 A" */
  readonly sure: string;
  /** What it does to this plan; empty where that is nothing. */
  readonly effect: string;
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
  /** The gear as it was known before the outing. */
  readonly known: readonly Gear[];
  readonly corrections: readonly CorrectionView[];
  readonly disagreements: readonly Disagreement[];
  readonly contacts: ContactTable | null;
  readonly weighed: string;
  readonly notes: readonly string[];
}

export type DebriefAnswer =
  | { readonly ok: true; readonly view: DebriefView }
  | { readonly ok: false; readonly problems: readonly string[] };
