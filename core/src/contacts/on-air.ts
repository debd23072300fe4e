import type { Mode } from '../load/mode.js';
import { HOUR_MS, MINUTE_MS, type Span } from '../span.js';
import type { Contact } from './contact.js';

/** A longer gap between contacts is a pause. Source: convention of this project, docs/model.md. */
export const PAUSE_MS = 20 * MINUTE_MS;

/** What was worked in a mode, or on a band. */
export interface WorkedIn {
  readonly contacts: number;
  /** Between contacts that are no pause apart: from the one before up to each of these. */
  readonly hours: number;
  /** Contacts an hour; null where they tell no time. */
  readonly perHour: number | null;
}

/** What contacts tell of the hours on the air. */
export interface OnAir {
  readonly contacts: number;
  readonly hours: number;
  /** From the first to the last contact between pauses, in the order of time. */
  readonly runs: readonly Span[];
  readonly pauses: readonly Span[];
  readonly byMode: ReadonlyMap<Mode | string, WorkedIn>;
  readonly byBand: ReadonlyMap<string, WorkedIn>;
}

/**
 * Hours really on the air, pauses, and contacts an hour by mode and band. A contact ends where the log says so, else where it began.
 * Source: convention of this project, docs/model.md.
 */
export function onAir(contacts: readonly Contact[]): OnAir {
  const inOrder = contacts.toSorted((a, b) => a.timeMs - b.timeMs);
  const byMode = new Map<string, { contacts: number; ms: number }>();
  const byBand = new Map<string, { contacts: number; ms: number }>();
  const count = (of: typeof byMode, name: string, ms: number) => {
    const before = of.get(name) ?? { contacts: 0, ms: 0 };
    of.set(name, { contacts: before.contacts + 1, ms: before.ms + ms });
  };
  const runs: { startMs: number; endMs: number }[] = [];
  for (const { timeMs, endMs = timeMs, mode, modeName, band } of inOrder) {
    const run = runs.at(-1);
    const goesOn = run !== undefined && timeMs - run.endMs <= PAUSE_MS;
    const untilMs = Math.max(timeMs, endMs, goesOn ? run.endMs : 0);
    const ms = untilMs - (goesOn ? run.endMs : timeMs);
    if (goesOn) run.endMs = untilMs;
    else runs.push({ startMs: timeMs, endMs: untilMs });
    count(byMode, mode ?? modeName, ms);
    count(byBand, band, ms);
  }
  return {
    contacts: inOrder.length,
    hours: runs.reduce((sum, { startMs, endMs }) => sum + endMs - startMs, 0) / HOUR_MS,
    runs,
    pauses: runs.slice(1).map(({ startMs }, index) => ({ startMs: runs[index].endMs, endMs: startMs })),
    byMode: workedIn(byMode),
    byBand: workedIn(byBand),
  };
}

function workedIn(
  counted: ReadonlyMap<string, { readonly contacts: number; readonly ms: number }>,
): ReadonlyMap<string, WorkedIn> {
  return new Map(
    [...counted].map(([name, { contacts, ms }]) => {
      const hours = ms / HOUR_MS;
      return [name, { contacts, hours, perHour: hours > 0 ? contacts / hours : null }];
    }),
  );
}
