// Words and values that are none, and documents with some of them in, for who asks the server what nobody would ask.

const WORDS = [
  'constructor',
  '__proto__',
  'toString',
  'hasOwnProperty',
  'prototype',
  '',
  ' ',
  '\u0000',
  '‮',
  '../../etc',
  '%2e%2e',
  '=1+1',
  'null',
  'undefined',
  'NaN',
  '1e400',
  '-1',
  '9'.repeat(40),
  'x'.repeat(5000),
  '<b>',
  '{}',
  "'",
  '"',
  '🜂',
  '2027-13-45',
  '+275760-09-13T00:00:00Z',
  '0000-01-01T00:00:00Z',
  'Europe/Nowhere',
];
const NUMBERS = [0, -0, -1, 1, 0.5, 1e-300, 1e300, 2 ** 53, -(2 ** 53), 1e9, 99_999_999];
const deep = (levels) => '['.repeat(levels) + ']'.repeat(levels);

/** @param draws one run's `random` from 0 to below 1, `below` a number and `oneOf` a list */
export function nonsense({ random, below, oneOf }) {
  const nested = (levels) => JSON.parse(deep(levels));
  const value = () =>
    oneOf([
      () => oneOf(WORDS),
      () => oneOf(NUMBERS),
      () => null,
      () => true,
      () => [],
      () => ({}),
      () => nested(1 + below(400)),
      () => JSON.parse('{"__proto__":{"a":1}}'),
      () => Array.from({ length: below(300) }, () => oneOf(WORDS)),
    ])();

  /** A copy with a few things otherwise, anywhere in it. */
  function mutated(document, changes = 1 + below(4)) {
    const copy = structuredClone(document);
    for (; changes > 0; changes--) {
      let place = copy;
      for (let depth = below(6); depth > 0; depth--) {
        const inside = Object.values(place).filter((one) => typeof one === 'object' && one !== null);
        if (inside.length === 0) break;
        place = oneOf(inside);
      }
      const keys = Object.keys(place);
      const key = keys.length > 0 && random() < 0.8 ? oneOf(keys) : oneOf(WORDS);
      const act = random();
      if (act < 0.2) delete place[key];
      else if (act < 0.3 && Array.isArray(place)) place.push(...place);
      else if (key !== '__proto__') place[key] = value();
    }
    return copy;
  }
  return { WORDS, NUMBERS, deep, mutated };
}
