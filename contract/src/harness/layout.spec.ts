import type { HarnessPart } from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import { lookUp } from '../resolve/look-up.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { harnessOf } from './harness-of.js';
import { flowsIn, layOut, type Box, type Direction, type HarnessLayout } from './layout.js';

describe('where the parts of a harness are drawn', () => {
  const DIRECTIONS: readonly Direction[] = ['across', 'down'];
  const partsOf = (trip: Trip) => harnessOf(trip, lookUp(trip, kitShelf).carried);
  const kit = partsOf(kitTrip());
  const twoLoads = partsOf(
    kitTrip({
      loadout: ['relay', 'shale', 'cobble', 'frond', 'rill', 'curlew'].map((gear) => ({ gear, count: 1 })),
    }),
  );
  const laid = (parts: readonly HarnessPart[], direction: Direction, small = new Map<string, string>()) =>
    layOut(parts, direction, small);
  /** A box as an interval along the way of the current, and across it. */
  const sides = ({ x, y, width, height }: Box, direction: Direction) =>
    direction === 'across'
      ? { from: x - width / 2, to: x + width / 2, low: y - height / 2, high: y + height / 2 }
      : { from: y - height / 2, to: y + height / 2, low: x - width / 2, high: x + width / 2 };
  const gaps = (layout: HarnessLayout, direction: Direction) => {
    const boxes = [...layout.parts.values()].map((box) => sides(box, direction));
    return boxes.flatMap((a) =>
      boxes
        .filter((b) => b !== a && b.low >= a.high && b.from < a.to && a.from < b.to)
        .map((b) => b.low - a.high),
    );
  };

  for (const direction of DIRECTIONS) {
    it(`each run goes ${direction} with the current, from an edge to an edge`, () => {
      for (const parts of [kit, twoLoads]) {
        const layout = laid(parts, direction);
        for (const part of parts.filter(({ from }) => from !== null)) {
          const { start, end, flowsIn: isIn } = layout.runs.get(part.id)!;
          expect(isIn).toBe(flowsIn(part));
          const [first, second] = isIn ? [part.id, part.from!] : [part.from!, part.id];
          const [a, b] = [first, second].map((id) => sides(layout.parts.get(id)!, direction));
          const along = (point: { x: number; y: number }) => (direction === 'across' ? point.x : point.y);
          expect(along(start)).toBeCloseTo(a.to, 6);
          expect(along(end)).toBeCloseTo(b.from, 6);
          expect(along(start)).toBeLessThan(along(end));
        }
      }
    });

    it(`the radio stands in the first half, ${direction}`, () => {
      for (const parts of [kit, twoLoads]) {
        const layout = laid(parts, direction);
        const radio = layout.parts.get('curlew')!;
        expect(direction === 'across' ? radio.y : radio.x).toBeLessThanOrEqual(
          (direction === 'across' ? layout.height : layout.width) / 2 + 1e-9,
        );
      }
    });

    it(`runs that meet at a part lie beside each other within it, ${direction}`, () => {
      const layout = laid(twoLoads, direction);
      const starts = twoLoads
        .filter((part) => part.from !== null && !flowsIn(part))
        .map(({ id, from }) => ({ from, start: layout.runs.get(id)!.start }));
      for (const { from, start } of starts) {
        const { low, high } = sides(layout.parts.get(from!)!, direction);
        const at = direction === 'across' ? start.y : start.x;
        expect(at).toBeGreaterThan(low);
        expect(at).toBeLessThan(high);
        const same = starts
          .filter((other) => other.from === from)
          .map((other) => (direction === 'across' ? other.start.y : other.start.x));
        expect(new Set(same).size).toBe(same.length);
      }
    });
  }

  it('is wider than high across, and higher than wide downward', () => {
    const [across, down] = DIRECTIONS.map((direction) => laid(kit, direction));
    expect(across.width).toBeGreaterThan(across.height);
    expect(down.height).toBeGreaterThan(down.width);
  });

  it('keeps neighbours 12 px apart across, and 10 downward', () => {
    expect(Math.min(...gaps(laid(twoLoads, 'across'), 'across'))).toBeGreaterThanOrEqual(12 - 1e-9);
    expect(Math.min(...gaps(laid(twoLoads, 'down'), 'down'))).toBeGreaterThanOrEqual(10 - 1e-9);
  });

  it('has room for the words of each run between its parts', () => {
    for (const direction of DIRECTIONS) {
      const layout = laid(kit, direction);
      for (const { start, end, words } of layout.runs.values()) {
        if (!words) continue;
        const between = direction === 'across' ? end.x - start.x : end.y - start.y;
        expect(between).toBeGreaterThan(direction === 'across' ? words.width : words.height);
        expect([words.width, words.height]).toEqual(direction === 'across' ? [164, 68] : [122, 74]);
      }
    }
  });

  it('makes a box as wide as its name or what stands above it, and 104 px at the least', () => {
    const width = (small: string) =>
      laid(kit, 'across', new Map([['curlew', small]])).parts.get('curlew')!.width;
    expect(width('')).toBe(104);
    expect(width('a line of thirty letters, or so')).toBeCloseTo(31 * 6.3 + 26, 9);
    const named = kit.map((part) =>
      part.id === 'curlew' ? { ...part, name: 'a radio of a long name' } : part,
    );
    expect(laid(named, 'across').parts.get('curlew')!.width).toBeCloseTo(22 * 8.1 + 26, 9);
  });

  it('leaves a part alone whose feed is not there', () => {
    const lost = kit.map((part) => (part.id === 'relay' ? { ...part, from: 'nothing' } : part));
    const layout = laid(lost, 'across');
    expect(layout.parts.has('relay')).toBeTrue();
    expect(layout.runs.has('relay')).toBeFalse();
  });
});
