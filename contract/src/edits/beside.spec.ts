import fc from 'fast-check';
import { noResults, noTicks } from '../documents/beside.js';
import { isPacked, tick, untickAll, withResult } from './beside.js';
import { mergeBeside } from './merge-trips.js';

const at = '2027-09-01T18:00:00Z';
const gears = fc.array(fc.constantFrom('curlew', 'shale', 'frond', 'rill', 'wire'), { maxLength: 12 });
const ticked = (...names: readonly string[]) => names.reduce(tick, noTicks('t'));

describe('ticks', () => {
  it('come and go with the gear that is ticked, and all at once', () => {
    const two = ticked('curlew', 'shale');
    expect(isPacked(two, 'shale')).toBeTrue();
    expect(isPacked(two, 'rill')).toBeFalse();
    expect(tick(two, 'curlew').packed).toEqual([{ gear: 'shale' }]);
    expect(untickAll(two)).toEqual(noTicks('t'));
  });

  it('of two tabs are brought together: what either has ticked or taken back since is so', () => {
    fc.assert(
      fc.property(gears, gears, gears, (before, mine, theirs) => {
        const base = ticked(...before);
        const [a, b] = [mine.reduce(tick, base), theirs.reduce(tick, base)];
        const merged = mergeBeside(base, a, b);
        for (const gear of ['curlew', 'shale', 'frond', 'rill', 'wire']) {
          const [was, my, their] = [base, a, b].map((one) => isPacked(one, gear));
          expect(isPacked(merged, gear)).toBe(my === was ? their : my);
        }
        expect(new Set(merged.packed.map(({ gear }) => gear)).size).toBe(merged.packed.length);
      }),
    );
  });
});

describe('results of the home test', () => {
  it('are one a step, and can be taken back', () => {
    const once = withResult(noResults('t'), 'load', { outcome: 'ok', value: 0.4, at });
    const twice = withResult(once, 'load', { outcome: 'bad', value: 0.9, at });
    expect(twice.results.map(({ value }) => value)).toEqual([0.9]);
    expect(withResult(twice, 'load', null).results).toEqual([]);
  });

  it('of two tabs are brought together, mine where both have tried the same', () => {
    const base = withResult(noResults('t'), 'a', { outcome: 'ok', at });
    const mine = withResult(withResult(base, 'b', { outcome: 'ok', at }), 'a', { outcome: 'bad', at });
    const theirs = withResult(withResult(base, 'c', { outcome: 'ok', at }), 'a', {
      outcome: 'ok',
      value: 2,
      at,
    });
    const found = mergeBeside(base, mine, theirs).results;
    expect(new Map(found.map(({ step, outcome }) => [step, outcome]))).toEqual(
      new Map([
        ['b', 'ok'],
        ['a', 'bad'],
        ['c', 'ok'],
      ]),
    );
  });
});
