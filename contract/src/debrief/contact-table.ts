import { HOUR_MS, MODE_NAMES, secondsSent, type MeanAndSpread, type Mode, type Span } from '@knapsack/core';
import type { SecondsSent } from '../documents/debrief-notes.js';
import type { Debrief } from './debrief.js';

/** What a contact log tells of a mode. */
export interface ContactsOfMode {
  readonly name: string;
  readonly contacts: number;
  /** Null where they tell no time. */
  readonly perHour: number | null;
  /** Seconds sent for each; null where the mode is none of ours. */
  readonly mode: Mode | null;
  readonly seconds: number | null;
  readonly duty: MeanAndSpread | null;
}

/** What a contact log tells, by mode and band. */
export interface ContactTable {
  readonly modes: readonly ContactsOfMode[];
  readonly bands: readonly {
    readonly name: string;
    readonly contacts: number;
    readonly perHour: number | null;
  }[];
  readonly pauses: readonly Span[];
  /** The sum of the pauses, h. */
  readonly pauseHours: number;
}

/** What the contacts of an outing tell; null where there are none, or nobody counted. */
export function contactTable(
  { onAir, duties }: Pick<Debrief, 'onAir' | 'duties'>,
  ownSeconds: readonly SecondsSent[],
): ContactTable | null {
  if (!onAir || onAir.contacts === 0) return null;
  return {
    modes: [...onAir.byMode].map(([name, { contacts, perHour }]): ContactsOfMode => {
      const mode = MODE_NAMES.find((one) => one === name) ?? null;
      const own = ownSeconds.find((one) => one.mode === mode)?.seconds;
      return {
        ...{ name, contacts, perHour, mode },
        seconds: mode && (own ?? secondsSent(mode)),
        duty: (mode && duties.get(mode)) ?? null,
      };
    }),
    bands: [...onAir.byBand].map(([name, { contacts, perHour }]) => ({ name, contacts, perHour })),
    pauses: onAir.pauses,
    pauseHours: onAir.pauses.reduce((sum, { startMs, endMs }) => sum + endMs - startMs, 0) / HOUR_MS,
  };
}
