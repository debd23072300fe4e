import type { Signal } from '@angular/core';
import type { LogDocument, LogEntry } from '@knapsack/contract';

/** Where the entries are: all of them on the server, or some in this browser alone, tried again; or refused, with the reason; or of a dry run. */
export type LogState =
  | { readonly is: 'server' }
  | { readonly is: 'here'; readonly count: number }
  | { readonly is: 'refused'; readonly count: number; readonly why: string }
  | { readonly is: 'dryRun' };

/** The log that a room reads and adds to: the trip's, or that of a dry run. */
export abstract class OutingLog {
  /** Null until it is open. */
  abstract readonly log: Signal<LogDocument | null>;
  /** The entries that stand, in the order of time. */
  abstract readonly standing: Signal<readonly LogEntry[]>;
  /** Those that only this browser has. */
  abstract readonly pendingIds: Signal<ReadonlySet<string>>;
  abstract readonly state: Signal<LogState>;
  abstract add(...entries: readonly LogEntry[]): void;
  /** Takes in what stands in a file of another device. @returns why not, in a sentence, or null */
  abstract takeIn(text: string): Promise<string | null>;
  /** Takes up what another device has written. */
  abstract refresh(): Promise<void>;
}
