/** A short text that no other document of this browser is likely to have. */
export const newKey = (): string =>
  Array.from(crypto.getRandomValues(new Uint8Array(6)), (byte) => (byte % 36).toString(36)).join('');
