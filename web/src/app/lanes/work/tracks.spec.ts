import { blockAt, hour, trip } from '@knapsack/contract/testing/outing';
import { shownBlocks, tracksOf } from './tracks';

describe('the tracks of the work lane', () => {
  it('are the radios of the bag, and those that blocks are planned for', () => {
    expect(tracksOf([], []).length).toBe(1);
    const tracks = tracksOf([{ ...blockAt('b', 8, 9), station: 3 }], ['Curlew', 'Dunlin']);
    expect(tracks.map(({ name }) => name)).toEqual(['Curlew', 'Dunlin', 'no radio']);
  });

  it('show what of a block is seen, at its station, and its repeats apart', () => {
    const blocks = [{ ...blockAt('one', 8, 9), repeat: 'hour' as const, station: 2 }, blockAt('two', 12, 15)];
    const whole = trip({ blocks });
    const tracks = tracksOf(blocks, ['Curlew', 'Dunlin']);
    const outing = { startMs: hour(6), endMs: hour(18) };
    const all = shownBlocks(whole, outing, tracks);
    expect(all.blocks.map(({ id }) => id)).toEqual(['one', 'two']);
    expect(all.blocks[0].spoken).toMatch(/every hour, Dunlin$/);
    // 9 to 17 o'clock
    expect(all.repeats.length).toBe(9);
    expect(all.repeats[0].topPx).toBeGreaterThan(all.blocks[1].topPx);
    const { blocks: seen } = shownBlocks(whole, { startMs: hour(13), endMs: hour(14) }, tracks);
    expect(seen.map(({ id, left, width }) => [id, left, width])).toEqual([['two', 0, 100]]);
  });
});
