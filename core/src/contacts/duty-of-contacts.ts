import { slotTiming, type Mode } from '../load/mode.js';

/** Slots that are sent for a contact. */
const SLOTS_SENT = 2.5;
/** Who calls between contacts sends so much of the time that is left. */
export const CALLING_SHARE = 0.35;
/** Spread of the estimate, as a share of it: evidence, not truth. */
export const CONTACTS_SPREAD = 0.2;

const SECONDS: Partial<Record<Mode, number>> = { CW: 18, SSB: 12, FM: 12 };

/**
 * Seconds that are sent for a contact; null where no rule says so. Source: convention of this project, docs/model.md.
 */
export function secondsSent(mode: Mode): number | null {
  if (mode !== 'FT8' && mode !== 'FT4') return SECONDS[mode] ?? null;
  return SLOTS_SENT * slotTiming(mode)!.onAirS;
}

/**
 * The transmit duty cycle that a rate of contacts tells, 0 to 1, and its standard deviation.
 *
 * @param perHour contacts an hour
 * @param seconds sent for each
 * @param callingShare of the time between contacts that is sent, 0 to 1; 0 for who only answers
 */
export function dutyOfContacts(
  perHour: number,
  seconds: number,
  callingShare = 0,
): { readonly mean: number; readonly sd: number } {
  const sent = Math.min(1, (perHour * seconds) / 3600);
  const mean = sent + callingShare * (1 - sent);
  return { mean, sd: CONTACTS_SPREAD * mean };
}
