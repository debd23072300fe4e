import type { Gear, LogDocument, Trip } from '@knapsack/contract';
import type { Standing } from '@knapsack/contract/field';
import type { Band, Learned, LearnedName, Odds, ReadingOutcome } from '@knapsack/core';

export interface FieldQuestion {
  readonly trip: Trip;
  readonly log: LogDocument;
  readonly shelf: readonly Gear[];
  readonly nowMs: number;
  /** A first look is enough. */
  readonly onlyRough?: boolean;
  /** One answer, the full one. */
  readonly onlyFull?: boolean;
}

/** What the state of charge was taken for at an instant, and will be in eight of ten. */
export interface FieldTrack {
  readonly timesMs: readonly number[];
  readonly soc: readonly Band[];
}

/** How the outing stands, as the room shows it. */
export interface FieldView extends Standing {
  readonly nowMs: number;
  readonly ah: Band;
  readonly loadA: number;
  readonly sunA: number;
  /** Share that the batteries should not fall under, 0 to 1. */
  readonly reserveSoc: number;
  readonly past: FieldTrack;
  /** Empty once the outing is over. */
  readonly next: FieldTrack;
  readonly readings: readonly ReadingOutcome[];
  readonly learned: ReadonlyMap<LearnedName, Learned>;
  /** How often it lasts if the sky stays as it was last noted; null where nobody noted one. */
  readonly oddsUnderNotedSky: Odds | null;
  /** How much of what was read is weighed, where it is not all of it. */
  readonly weighed: string;
  /** From fewer outings than the last answer will be. */
  readonly isRough: boolean;
}

export type FieldAnswer =
  | { readonly ok: true; readonly view: FieldView }
  | { readonly ok: false; readonly problems: readonly string[] };
