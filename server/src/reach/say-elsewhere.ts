import { renderANSI, renderUnicodeCompact } from 'uqr';

/**
 * Where other devices find Knapsack, with a code for a camera to read.
 *
 * @param isTerminal whether colours are shown: with them the code reads well on a dark ground too
 */
export function sayElsewhere(addresses: readonly string[], isTerminal: boolean): string {
  const [first] = addresses;
  if (first === undefined) return '';
  const code = isTerminal ? renderANSI(first, { border: 2 }) : renderUnicodeCompact(first, { border: 2 });
  return `From other devices: ${addresses.join(', ')}\n${code}\n`;
}
