const SIGNS = 'abcdefghijklmnopqrstuvwxyz012345';

/**
 * A short text that no other document of this browser is likely to have. It does without `randomUUID`, which browsers keep from
 * pages that come over plain http from another machine.
 *
 * @param length letters and digits, 5 bits each
 */
export const newKey = (length = 6): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(length)), (byte) => SIGNS[byte % SIGNS.length]).join('');
