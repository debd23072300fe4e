import { hour, hoursOfBlocks, trip } from '../testing/outing.js';
import {
  giveToStation,
  repeatBlock,
  addBlock,
  changeBlock,
  freeStretch,
  moveBlock,
  removeBlock,
  resizeBlock,
  usualWork,
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

  it('leaves the other stations alone, and gives a block to one of them', () => {
    const both = addBlock(trip(), 'other', { startMs: hour(8.5), endMs: hour(11) }, usualWork(5), 2)!;
    expect(both.blocks.find(({ id }) => id === 'other')).toEqual(jasmine.objectContaining({ station: 2 }));
    // Station 1 works from 12 on and does not stand in the way.
    expect(hoursOfBlocks(resizeBlock(both, 'other', 'end', hour(14)))).toContain([8.5, 14]);
    expect(addBlock(both, 'x', { startMs: hour(9), endMs: hour(10) }, usualWork(5), 2)).toBeNull();
    const back = giveToStation(both, 'other', 1).blocks.find(({ id }) => id === 'other')!;
    expect('station' in back).toBeFalse();
  });

  it('has a block done again, or once', () => {
    const daily = repeatBlock(trip(), 'one', 'day');
    expect(daily.blocks[0].repeat).toBe('day');
    expect(repeatBlock(daily, 'one', null)).toEqual(trip());
  });
});
