import { MINUTE_MS, type Span } from '../span.js';
import type { Mode } from '../load/mode.js';
import type { Contact } from './contact.js';

/** A longer gap between contacts is a pause. Source: convention of this project, docs/model.md. */
export const PAUSE_MS = 20 * MINUTE_MS;

/** Contacts of one mode on one band without a pause: from the contact before them, or the first of them, to the last. */
export interface ContactStretch extends Span, Pick<Contact, 'mode' | 'modeName' | 'band'> {
  readonly contacts: number;
}

/**
 * Contacts as stretches, in the order of time. A contact ends where the log says so, else where it began; what lies between two modes or
 * bands belongs to the later one.
 */
export function stretchesOf(contacts: readonly Contact[]): readonly ContactStretch[] {
  const stretches: { -readonly [Key in keyof ContactStretch]: ContactStretch[Key] }[] = [];
  let lastMs = -Infinity;
  for (const contact of contacts.toSorted((a, b) => a.timeMs - b.timeMs)) {
    const { timeMs, endMs = timeMs, mode, modeName, band } = contact;
    const goesOn = timeMs - lastMs <= PAUSE_MS;
    const untilMs = Math.max(timeMs, endMs, goesOn ? lastMs : timeMs);
    const last = stretches.at(-1);
    if (goesOn && last && isSame(last, contact)) {
      last.endMs = untilMs;
      last.contacts += 1;
    } else {
      stretches.push({
        ...{ startMs: goesOn ? lastMs : timeMs, endMs: untilMs },
        ...{ mode, modeName, band, contacts: 1 },
      });
    }
    lastMs = untilMs;
  }
  return stretches;
}

const isSame = (
  one: Pick<Contact, 'mode' | 'modeName' | 'band'>,
  other: Pick<Contact, 'mode' | 'modeName' | 'band'>,
): boolean => modeNameOf(one) === modeNameOf(other) && one.band === other.band;

/** A mode by our name, else by that of the log. */
export const modeNameOf = ({ mode, modeName }: Pick<Contact, 'mode' | 'modeName'>): Mode | string =>
  mode ?? modeName;
