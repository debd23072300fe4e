import { beats, SOURCES } from '@knapsack/core';
import fc from 'fast-check';
import { pinEntry, trustOf, withEntry, type Figure, type FigureEntry } from './figure.js';

const sheet: FigureEntry = { value: 2.3, source: 'datasheet' };
const meter: FigureEntry = { value: 1.92, source: 'measured', date: '2027-05-02', spread: 0.03 };

describe('a figure and its history', () => {
  it('lets the better-founded entry stand and keeps the other', () => {
    expect(withEntry(null, sheet)).toEqual(sheet);
    expect(withEntry(sheet, meter)).toEqual({ ...meter, others: [sheet] });
    expect(withEntry(meter, sheet)).toEqual({ ...meter, others: [sheet] });
    const again: FigureEntry = { ...meter, value: 1.95, date: '2027-06-01' };
    expect(withEntry(withEntry(sheet, meter), again)).toEqual({ ...again, others: [meter, sheet] });
  });

  it('keeps a pinned entry in front, whatever comes', () => {
    const pinned: Figure = { ...sheet, pinned: true };
    expect(withEntry(pinned, meter)).toEqual({ ...pinned, others: [meter] });
  });

  it('is pinned to one of its history, and let go to the best-founded', () => {
    const figure = withEntry(sheet, meter);
    const pinned = pinEntry(figure, 0);
    expect(pinned).toEqual({ ...sheet, pinned: true, others: [meter] });
    expect(pinEntry(pinned, null)).toEqual({ ...meter, others: [sheet] });
    expect(pinEntry(figure, 7)).toEqual(figure);
  });

  it('loses nothing that was said, and lets the best-founded stand unless one is pinned', () => {
    const entry: fc.Arbitrary<FigureEntry> = fc.record({
      value: fc.integer({ min: 0, max: 1000 }),
      source: fc.constantFrom(...SOURCES),
    });
    const step = fc.oneof(
      entry.map((added) => ({ added })),
      fc.option(fc.nat({ max: 20 }), { nil: null }).map((pin) => ({ pin })),
    );
    const all = ({ value, source, others = [] }: Figure) => [{ value, source }, ...others];
    const sorted = (entries: readonly FigureEntry[]) =>
      entries.map(({ value, source }) => `${source} ${value}`).sort();
    fc.assert(
      fc.property(entry, fc.array(step, { maxLength: 20 }), (first, steps) => {
        let figure: Figure = first;
        const said = [first];
        for (const one of steps) {
          if ('added' in one) {
            figure = withEntry(figure, one.added);
            said.push(one.added);
          } else figure = pinEntry(figure, one.pin);
          expect(sorted(all(figure))).toEqual(sorted(said));
          // What is measured later than it was learned stands before it.
          const better = ({ source }: FigureEntry) =>
            beats(source, figure.source) && !(source === 'learned' && figure.source === 'measured');
          if (!figure.pinned) expect(said.some(better)).toBe(false);
        }
      }),
    );
  });

  it('is believed by its source, and by its spread as a share of it where that says anything', () => {
    expect(trustOf({ value: 2, source: 'measured', spread: 0.1 })).toEqual({
      source: 'measured',
      spread: 0.05,
    });
    expect(trustOf({ value: 2, source: 'datasheet' })).toEqual({ source: 'datasheet' });
    expect(trustOf({ value: 0, source: 'measured', spread: 0.1 })).toEqual({ source: 'measured' });
  });
});
