import { familyOf, slotTiming, type Mode } from './mode.js';

/** Longest a key is held by hand, s: a syllable, a dash. */
const SHORT_KEY_S = 2;

/** Whether a block holds the key down for longer than a time, s. */
export function heldLonger(
  { mode, share }: { readonly mode?: Mode; readonly share: number },
  seconds: number | undefined,
): boolean {
  if (seconds === undefined || !mode || share === 0) return false;
  const { factor, piece } = familyOf(mode);
  return (slotTiming(mode)?.onAirS ?? (factor >= 0.8 ? piece.seconds : SHORT_KEY_S)) > seconds;
}
