/** Digits that a reading has at the most. */
const MOST = 7;

/** Keys of the pad, in rows. */
export const PAD_KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0', 'back'] as const;
export type PadKey = (typeof PAD_KEYS)[number];

/** What stands in the field after a key of the pad. */
export function pressed(text: string, key: PadKey): string {
  if (key === 'back') return text.slice(0, -1);
  if (key === '.') return text.includes('.') ? text : text === '' ? '0.' : `${text}.`;
  if (text.replace('.', '').length >= MOST) return text;
  return text === '0' ? key : text + key;
}

/** A reading as people type it: "12.71", "12,71"; null where it is no number. */
export function readTyped(text: string): number | null {
  const plain = text.trim().replace(',', '.');
  return /^\d+(\.\d*)?$|^\.\d+$/.test(plain) ? Number(plain) : null;
}
