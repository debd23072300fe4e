import { HOUR_MS, type Span } from '../span.js';
import { modeNameOf, PAUSE_MS, type ContactStretch } from './stretches.js';

/** What was worked in a mode, or on a band. */
export interface WorkedIn {
  readonly contacts: number;
  /** Between contacts that are no pause apart: from the one before up to each of these. */
  readonly hours: number;
  /** Contacts an hour; null where they tell no time, or nobody counted them. */
  readonly perHour: number | null;
}

/** What contacts tell of the hours on the air. */
export interface OnAir {
  readonly contacts: number;
  readonly hours: number;
  /** From the first to the last contact between pauses, in the order of time. */
  readonly runs: readonly Span[];
  readonly pauses: readonly Span[];
  /** By our name of the mode, else by the log's. */
  readonly byMode: ReadonlyMap<string, WorkedIn>;
  readonly byBand: ReadonlyMap<string, WorkedIn>;
}

/**
 * Hours really on the air, pauses, and contacts an hour by mode and band. Source: convention of this project, docs/model.md.
 *
 * @param stretches in the order of time
 */
export function onAir(stretches: readonly ContactStretch[]): OnAir {
  const runs: { startMs: number; endMs: number }[] = [];
  for (const { startMs, endMs } of stretches) {
    const run = runs.at(-1);
    if (run && startMs - run.endMs <= PAUSE_MS) run.endMs = Math.max(run.endMs, endMs);
    else runs.push({ startMs, endMs });
  }
  return {
    contacts: stretches.reduce((sum, { contacts }) => sum + contacts, 0),
    hours: runs.reduce((sum, { startMs, endMs }) => sum + endMs - startMs, 0) / HOUR_MS,
    runs,
    pauses: runs.slice(1).map(({ startMs }, index) => ({ startMs: runs[index].endMs, endMs: startMs })),
    byMode: workedBy(stretches, modeNameOf),
    byBand: workedBy(stretches, ({ band }) => band),
  };
}

function workedBy(
  stretches: readonly ContactStretch[],
  name: (stretch: ContactStretch) => string,
): ReadonlyMap<string, WorkedIn> {
  const counted = new Map<string, { contacts: number; ms: number }>();
  for (const stretch of stretches) {
    const before = counted.get(name(stretch)) ?? { contacts: 0, ms: 0 };
    counted.set(name(stretch), {
      contacts: before.contacts + stretch.contacts,
      ms: before.ms + stretch.endMs - stretch.startMs,
    });
  }
  return new Map(
    [...counted].map(([of, { contacts, ms }]) => {
      const hours = ms / HOUR_MS;
      return [of, { contacts, hours, perHour: hours > 0 && contacts > 0 ? contacts / hours : null }];
    }),
  );
}
