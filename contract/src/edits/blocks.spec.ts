import fc from 'fast-check';
import { tripProblems } from '../documents/trip-rules.js';
import type { Trip } from '../documents/trip.js';
import { positionOf } from '../resolve/expand-blocks.js';
import { hour, hoursOfBlocks, trip } from '../testing/outing.js';
import {
  giveToPosition,
  repeatBlock,
  addBlock,
  changeBlock,
  freeStretch,
  moveBlock,
  removeBlock,
  QUARTER_MS,
  resizeBlock,
  spanOf,
  usualWork,
  withDutyCycle,
} from './blocks.js';

describe('editing blocks', () => {
  it('moves a block and keeps its length, stopping at its neighbours and at the outing’s ends', () => {
    expect(hoursOfBlocks(moveBlock(trip(), 'one', hour(9)))[0]).toEqual([9, 11]);
    expect(hoursOfBlocks(moveBlock(trip(), 'one', hour(11)))[0]).toEqual([10, 12]);
    expect(hoursOfBlocks(moveBlock(trip(), 'one', hour(0)))[0]).toEqual([6, 8]);
    expect(hoursOfBlocks(moveBlock(trip(), 'two', hour(17)))[1]).toEqual([15, 18]);
  });

  it('stretches an edge, stopping at a neighbour and a quarter of an hour from the other edge', () => {
    expect(hoursOfBlocks(resizeBlock(trip(), 'one', 'end', hour(11)))[0]).toEqual([8, 11]);
    expect(hoursOfBlocks(resizeBlock(trip(), 'one', 'end', hour(14)))[0]).toEqual([8, 12]);
    expect(hoursOfBlocks(resizeBlock(trip(), 'one', 'end', hour(3)))[0]).toEqual([8, 8.25]);
    expect(hoursOfBlocks(resizeBlock(trip(), 'two', 'start', hour(7)))[1]).toEqual([10, 15]);
  });

  it('gives the very same trip back where nothing changes, so that undo gets no empty step', () => {
    const before = trip();
    expect(moveBlock(before, 'one', hour(8))).toBe(before);
    expect(resizeBlock(before, 'one', 'end', hour(10))).toBe(before);
    expect(changeBlock(before, 'nobody', { powerW: 5 })).toBe(before);
  });

  it('adds a block where there is room, cut to it, in order of time', () => {
    const added = addBlock(trip(), 'new', { startMs: hour(10), endMs: hour(14) }, usualWork(5));
    expect(hoursOfBlocks(added!)).toEqual([
      [8, 10],
      [10, 12],
      [12, 15],
    ]);
    expect(addBlock(trip(), 'new', { startMs: hour(13), endMs: hour(14) }, usualWork(5))).toBeNull();
    expect(addBlock(trip(), 'new', { startMs: hour(18), endMs: hour(19) }, usualWork(5))).toBeNull();
  });

  it('finds free time after an instant, else before', () => {
    const stretch = (from: number, length: number) => {
      const span = freeStretch(trip(), hour(from), length * 3_600_000);
      return span && [(span.startMs - hour(0)) / 3_600_000, (span.endMs - hour(0)) / 3_600_000];
    };
    expect(stretch(8.5, 2)).toEqual([10, 12]);
    expect(stretch(6.5, 1)).toEqual([6.5, 7.5]);
    expect(stretch(15, 9)).toEqual([15, 18]);
    expect(
      freeStretch(trip({ blocks: [{ ...trip().blocks[0], start: trip().start, end: trip().end }] }), 0, 1),
    ).toBeNull();
  });

  it('takes a block out', () => {
    expect(removeBlock(trip(), 'one').blocks.map(({ id }) => id)).toEqual(['two']);
  });

  it('leaves the other operating positions alone, and gives a block to one of them', () => {
    const both = addBlock(trip(), 'other', { startMs: hour(8.5), endMs: hour(11) }, usualWork(5), 2)!;
    expect(both.blocks.find(({ id }) => id === 'other')).toEqual(jasmine.objectContaining({ station: 2 }));
    // Station 1 works from 12 on and does not stand in the way.
    expect(hoursOfBlocks(resizeBlock(both, 'other', 'end', hour(14)))).toContain([8.5, 14]);
    expect(addBlock(both, 'x', { startMs: hour(9), endMs: hour(10) }, usualWork(5), 2)).toBeNull();
    const back = giveToPosition(both, 'other', 1).blocks.find(({ id }) => id === 'other')!;
    expect('station' in back).toBeFalse();
  });

  it('has a block done again, or once', () => {
    const daily = repeatBlock(trip(), 'one', 'day');
    expect(daily.blocks[0].repeat).toBe('day');
    expect(repeatBlock(daily, 'one', null)).toEqual(trip());
  });
});

describe('a duty cycle that was found', () => {
  it('goes to every block of its mode and to no other; a trip that it changes nothing in stays the same', () => {
    const [first] = trip().blocks;
    const blocks = [
      { ...first, id: 'a', mode: 'SSB', share: 0.5 },
      { ...first, id: 'b', mode: 'CW', share: 0.5 },
      { ...first, id: 'c', mode: 'SSB', share: 0.3 },
    ] as const;
    const mixed = { ...trip(), blocks: blocks };
    expect(withDutyCycle(mixed, 'SSB', 0.3).blocks.map(({ share }) => share)).toEqual([0.3, 0.5, 0.3]);
    expect(withDutyCycle(mixed, 'SSB', 0.3).blocks[1]).toBe(mixed.blocks[1]);
    expect(withDutyCycle(mixed, 'FT8', 0.3)).toBe(mixed);
    expect(withDutyCycle(withDutyCycle(mixed, 'SSB', 0.3), 'SSB', 0.3).blocks[0].share).toBe(0.3);
  });
});

describe('blocks under any hands', () => {
  const when = fc.integer({ min: 4 * 4, max: 20 * 4 }).map((quarters) => hour(quarters / 4));
  const which = fc.constantFrom('one', 'two', 'b0', 'b1', 'b2');
  const position = fc.constantFrom(1, 2);
  const edits = fc.array(
    fc.oneof(
      fc.record({ is: fc.constant('move' as const), which, when }),
      fc.record({ is: fc.constant('stretch' as const), which, edge: fc.constantFrom('start', 'end'), when }),
      fc.record({ is: fc.constant('add' as const), when, to: when, station: position }),
      fc.record({ is: fc.constant('remove' as const), which }),
    ),
    { maxLength: 12 },
  );
  const lengthOf = (one: { start: string; end: string }) => spanOf(one).endMs - spanOf(one).startMs;

  it('never overlap at an operating position nor leave the outing, keep their length when moved, and stay in order when added', () => {
    fc.assert(
      fc.property(edits, (hands) => {
        let now: Trip = trip();
        hands.forEach((hand, index) => {
          const before = now;
          if (hand.is === 'move') now = moveBlock(now, hand.which, hand.when);
          else if (hand.is === 'stretch')
            now = resizeBlock(now, hand.which, hand.edge as 'start' | 'end', hand.when);
          else if (hand.is === 'remove') now = removeBlock(now, hand.which);
          else {
            const span = { startMs: hand.when, endMs: hand.to };
            now = addBlock(now, `b${index}`, span, usualWork(5), hand.station) ?? now;
            const starts = now.blocks.map(({ start }) => Date.parse(start));
            if (now !== before) expect(starts).toEqual([...starts].sort((a, b) => a - b));
          }
          expect(tripProblems(now)).toEqual([]);
          for (const block of now.blocks) {
            expect(lengthOf(block)).toBeGreaterThanOrEqual(QUARTER_MS);
            const was = before.blocks.find(({ id }) => id === block.id);
            if (hand.is === 'move' && was) expect(lengthOf(block)).toBe(lengthOf(was));
          }
        });
      }),
    );
  });

  it('find a free stretch that a block fills entirely, at the first such hour, and none only where none is', () => {
    fc.assert(
      fc.property(edits, when, fc.integer({ min: 1, max: 40 }), position, (hands, from, quarters, at) => {
        let now: Trip = trip();
        hands.forEach((hand, index) => {
          if (hand.is !== 'add') return;
          now =
            addBlock(now, `b${index}`, { startMs: hand.when, endMs: hand.to }, usualWork(5), hand.station) ??
            now;
        });
        const isFree = (startMs: number) =>
          addBlock(now, 'new', { startMs, endMs: startMs + QUARTER_MS }, usualWork(5), at) !== null;
        const { startMs, endMs } = spanOf(now);
        const free: number[] = [];
        for (let timeMs = startMs; timeMs < endMs; timeMs += QUARTER_MS)
          if (isFree(timeMs)) free.push(timeMs);
        const found = freeStretch(now, from, quarters * QUARTER_MS, at);
        expect(found === null).toBe(free.length === 0);
        if (!found) return;
        const filled = addBlock(now, 'new', found, usualWork(5), at)!;
        const block = filled.blocks.find(({ id }) => id === 'new')!;
        expect(spanOf(block)).toEqual(found);
        expect(positionOf(block)).toBe(at);
        expect(found.endMs - found.startMs).toBeLessThanOrEqual(quarters * QUARTER_MS);
        // Either as long as was asked for, or up to what stands after it.
        if (found.endMs - found.startMs < quarters * QUARTER_MS) expect(free).not.toContain(found.endMs);
        const next = free.find((timeMs) => timeMs >= from);
        if (next !== undefined) expect(found.startMs).toBe(next);
        else expect(free).toContain(found.startMs);
      }),
    );
  });
});
