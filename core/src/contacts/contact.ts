import type { Mode } from '../load/mode.js';

/** A contact of a log. */
export interface Contact {
  /** When it began, UTC epoch ms. */
  readonly timeMs: number;
  /** When it ended, UTC epoch ms, where the log says so. */
  readonly endMs?: number;
  /** Null for a mode that is none of ours. */
  readonly mode: Mode | null;
  /** The mode as the log has it. */
  readonly modeName: string;
  /** As the log has it, like 40m; empty where it does not say. */
  readonly band: string;
}
