import type { ActivityName, Mode, ReadingSource, ReadingState } from '@knapsack/core';

export const LOG_SCHEMA = 'knapsack.log';
export const LOG_VERSION = 2;

/** Most entries of one outing. */
export const MOST_LOG_ENTRIES = 20_000;

/** What all entries have. */
interface EntryHead {
  readonly id: string;
  /** When it was so, ISO 8601 with an offset or Z. */
  readonly at: string;
  /** Who read it; a person if absent. */
  readonly source?: ReadingSource;
  readonly note?: string;
  /** Id of the entry that this one stands in the place of. */
  readonly replaces?: string;
  /** It takes that entry back and says nothing itself. */
  readonly void?: boolean;
}

/** What was read, in SI: V at the battery and at the radio, A out, A and W of the panel, Ah out and in since the last reset. */
export interface ReadingEntry extends EntryHead {
  readonly kind: 'reading';
  /** What was on; unknown if absent. */
  readonly state?: ReadingState;
  readonly volts?: number;
  readonly radioVolts?: number;
  readonly amps?: number;
  readonly panelAmps?: number;
  readonly panelWatts?: number;
  readonly outAh?: number;
  readonly inAh?: number;
  /** 0 to 100, as a meter shows it. */
  readonly percent?: number;
  /** It counts though it does not fit. */
  readonly counts?: boolean;
}

/** A meter's counters were set to zero. */
export interface ResetEntry extends EntryHead {
  readonly kind: 'reset';
}

export interface SkyEntry extends EntryHead {
  readonly kind: 'sky';
  /** Cloud amount, 0 to 1. */
  readonly cloud: number;
  readonly rain?: boolean;
  readonly fog?: boolean;
}

/** What was worked: as a block of the plan, or otherwise. */
export interface WorkEntry extends EntryHead {
  readonly kind: 'work';
  readonly do: 'start' | 'stop' | 'change';
  /** Id of a block of the plan. */
  readonly block?: string;
  readonly activity?: ActivityName;
  readonly mode?: Mode;
  readonly powerW?: number;
  /** Transmit duty cycle, 0 to 1. */
  readonly share?: number;
  /** Operating position, 1 for the first; the first if absent. */
  readonly station?: number;
}

export interface BatteryEntry extends EntryHead {
  readonly kind: 'battery';
  readonly do: 'swapIn' | 'takeOut' | 'charge' | 'full';
  /** Id of the gear. */
  readonly gear: string;
}

/** How the panel lies from now on. */
export type PanelLaid =
  | { readonly how: 'flat' }
  | { readonly how: 'fixed'; readonly tiltDeg: number; readonly azimuthDeg: number }
  /** Turned to the sun, and left so. */
  | { readonly how: 'sun' };

export interface PanelEntry extends EntryHead {
  readonly kind: 'panel';
  readonly aim?: PanelLaid;
  /** Share of it that lies in shade for the next hour, 0 to 1. */
  readonly shade?: number;
}

/** Contacts of one mode on one band, from {@link EntryHead.at} on without a pause. */
export interface ContactsEntry extends EntryHead {
  readonly kind: 'contacts';
  /** When the last of them was over, ISO 8601 with an offset or Z. */
  readonly until: string;
  /** 0 where somebody was on the air and did not count. */
  readonly count: number;
  /** As the log has it where it is none of ours, in capitals; absent where nobody noted it. */
  readonly mode?: string;
  /** Like 40m; absent where nobody noted it. */
  readonly band?: string;
}

export interface NoteEntry extends EntryHead {
  readonly kind: 'note';
}

/** The outing is over. */
export interface EndEntry extends EntryHead {
  readonly kind: 'end';
}

export type LogEntry =
  | ReadingEntry
  | ResetEntry
  | SkyEntry
  | WorkEntry
  | BatteryEntry
  | PanelEntry
  | ContactsEntry
  | NoteEntry
  | EndEntry;

export type LogEntryKind = LogEntry['kind'];
export const LOG_ENTRY_KINDS = [
  'reading',
  'reset',
  'sky',
  'work',
  'battery',
  'panel',
  'contacts',
  'note',
  'end',
] as const satisfies readonly LogEntryKind[];

/** What was read, seen and done during an outing. Nothing is ever deleted: a correction is an entry too. */
export interface LogDocument {
  readonly schema: typeof LOG_SCHEMA;
  readonly version: typeof LOG_VERSION;
  /** The trip's id. */
  readonly trip: string;
  readonly entries: readonly LogEntry[];
}

export const emptyLog = (trip: string): LogDocument => ({
  ...{ schema: LOG_SCHEMA, version: LOG_VERSION, trip },
  entries: [],
});
