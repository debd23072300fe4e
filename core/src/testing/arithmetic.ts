import type { SumLine, Term } from '../explain/sum.js';

/**
 * What a line's terms come to, worked out as a person would with pencil and paper: a figure as it stands, ×, ÷ (or /), +, − and
 * brackets, words left out. NaN where they are no arithmetic.
 */
export function workedOut({ terms }: Pick<SumLine, 'terms'>): number {
  const tokens = terms.flatMap(tokensOf);
  let at = 0;
  const take = (...signs: string[]): string | null =>
    typeof tokens[at] === 'string' && signs.includes(tokens[at] as string) ? (tokens[at++] as string) : null;
  const value = (): number => {
    if (take('(')) {
      const inside = sum();
      return take(')') ? inside : NaN;
    }
    const token = tokens[at++];
    return typeof token === 'number' ? token : NaN;
  };
  const product = (): number => {
    let result = value();
    for (let sign = take('×', '÷'); sign; sign = take('×', '÷'))
      result = sign === '×' ? result * value() : result / value();
    return result;
  };
  const sum = (): number => {
    let result = product();
    for (let sign = take('+', '−'); sign; sign = take('+', '−'))
      result = sign === '+' ? result + product() : result - product();
    return result;
  };
  const result = sum();
  return at === tokens.length ? result : NaN;
}

function tokensOf(term: Term): (string | number)[] {
  if (typeof term !== 'string') return [term.value];
  return [...term.replace('/', '÷').matchAll(/(\d+) %|[()×÷+−=]/gu)].map(([sign, percent]) =>
    percent === undefined ? sign : Number(percent) / 100,
  );
}
