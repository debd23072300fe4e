import fc from 'fast-check';
import type { Trip } from '../documents/trip.js';
import { blockAt, hour, trip } from '../testing/outing.js';
import { changeBlock, moveBlock, removeBlock } from './blocks.js';
import { mergeTrips } from './merge-trips.js';

const base = trip();

describe('two tabs brought together', () => {
  it('keep what each has changed', () => {
    const mine = { ...moveBlock(base, 'one', hour(7)), name: 'Mine' };
    const theirs = changeBlock({ ...base, temperatureC: 3 }, 'one', { powerW: 5 });
    const merged = mergeTrips(base, mine, theirs)!;
    expect(merged.trip.name).toBe('Mine');
    expect(merged.trip.temperatureC).toBe(3);
    expect(merged.trip.blocks[0]).toEqual(
      jasmine.objectContaining({ powerW: 5, start: new Date(hour(7)).toISOString() }),
    );
    expect(merged.mineStands).toEqual([]);
  });

  it('let mine stand where both changed the same, and say so', () => {
    const merged = mergeTrips(base, { ...base, name: 'Mine' }, { ...base, name: 'Theirs' })!;
    expect(merged.trip.name).toBe('Mine');
    expect(merged.mineStands).toEqual(['the name']);
    const taken = mergeTrips(base, removeBlock(base, 'one'), changeBlock(base, 'one', { share: 0.1 }))!;
    expect(taken.trip.blocks.map(({ id }) => id)).toEqual(['one', 'two']);
    expect(taken.mineStands).toEqual(['a block']);
  });

  it('take in what is new on both sides and leave out what one has taken out', () => {
    const mine = { ...base, blocks: [...base.blocks, blockAt('mine', 16, 17)] };
    const theirs = { ...removeBlock(base, 'one'), loadout: [...base.loadout, { gear: 'lamp', count: 1 }] };
    const merged = mergeTrips(base, mine, theirs)!.trip;
    expect(merged.blocks.map(({ id }) => id)).toEqual(['two', 'mine']);
    expect(merged.loadout.map(({ gear }) => gear)).toEqual(['curlew', 'shale', 'lamp']);
  });

  it('are refused where they do not go together', () => {
    const mine = { ...base, blocks: [...base.blocks, blockAt('mine', 16, 17)] };
    const theirs = { ...base, blocks: [...base.blocks, blockAt('theirs', 16, 18)] };
    expect(mergeTrips(base, mine, theirs)).toBeNull();
  });

  it('give the other side’s version where only one has changed anything', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 6, max: 17 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (at, share) => {
          const other = changeBlock(moveBlock(base, 'two', hour(at)), 'two', { share });
          expect(mergeTrips(base, base, other)!.trip).toEqual(other);
          expect(mergeTrips(base, other, base)!.trip).toEqual(other);
        },
      ),
    );
  });

  it('takes what each has said of the wiring', () => {
    const base = trip();
    const mine: Trip = {
      ...base,
      harness: { runs: [{ to: 'curlew', fuseA: 5 }] },
    };
    const theirs: Trip = {
      ...base,
      harness: { runs: [{ to: 'relay', fuseA: 2 }] },
    };
    const merged = mergeTrips(base, mine, theirs)!;
    expect(merged.mineStands).toEqual([]);
    expect(merged.trip.harness!.runs!.map(({ to }) => to)).toEqual(['curlew', 'relay']);
  });
});

describe('what both have added', () => {
  const extra = { ...blockAt('new', 16, 17) };

  it('stands once where it is the same, and as mine where it is not, which is said', () => {
    const both = mergeTrips(
      base,
      { ...base, blocks: [...base.blocks, extra] },
      { ...base, blocks: [...base.blocks, extra], name: 'Theirs' },
    )!;
    expect(both.trip.blocks.map(({ id }) => id)).toEqual(['one', 'two', 'new']);
    expect(both.mineStands).toEqual([]);
    const theirs = { ...base, blocks: [...base.blocks, { ...extra, powerW: 3 }] };
    const differ = mergeTrips(base, { ...base, blocks: [...base.blocks, { ...extra, powerW: 7 }] }, theirs)!;
    expect(differ.trip.blocks.at(-1)?.powerW).toBe(7);
    expect(differ.mineStands).toEqual(['a block']);
  });

  it('is mine where the other has thrown the whole list away', () => {
    const withGear = { ...base, gear: [] as never[] };
    const mine = { ...withGear, gear: [{ id: 'a' }] as never };
    const { gear: _gone, ...theirs } = withGear;
    const merged = mergeTrips(withGear, mine, theirs)!;
    expect(merged.trip.gear).toEqual([{ id: 'a' }] as never);
    expect(merged.mineStands).toHaveSize(1);
  });
});
