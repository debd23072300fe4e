import { sayTerm, type SumLine } from '@knapsack/core';

/** A line of arithmetic as the terminal prints it: "key down: 1.92 A × 16.3 mΩ = 0.03 V". */
export function sayLine({ label, terms, result }: SumLine): string {
  const sum = terms.map(sayTerm).join('');
  const equals = typeof result === 'string' ? ': ' : ' = ';
  return `${label}: ${sum ? `${sum}${equals}` : ''}${sayTerm(result)}`;
}
