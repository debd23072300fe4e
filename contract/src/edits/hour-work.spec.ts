import fc from 'fast-check';
import { tripProblems } from '../documents/trip-rules.js';
import type { Trip } from '../documents/trip.js';
import { expandBlocks } from '../resolve/expand-blocks.js';
import { hour, hoursOfBlocks, trip } from '../testing/outing.js';
import { giveToPosition, repeatBlock, usualWork } from './blocks.js';
import { setWork, type WholeWork } from './hour-work.js';

describe('the work of an hour', () => {
  const voice: WholeWork = { activity: 'roundTable', mode: 'SSB', powerW: 5, share: 0.2 };
  const ids = () => {
    let next = 0;
    return () => `new-${++next}`;
  };
  const set = (before: Trip, from: number, to: number, work: WholeWork | null, position = 1) =>
    setWork(before, { startMs: hour(from), endMs: hour(to) }, work, ids(), position);
  /** The sample: one from 8 to 10, two from 12 to 15, the outing from 6 to 18. */
  const sample = trip();
  const [one] = sample.blocks;

  it('takes an edge off a block, or its middle, or all of it', () => {
    expect(hoursOfBlocks(set(sample, 8, 9, null))).toEqual([
      [9, 10],
      [12, 15],
    ]);
    expect(hoursOfBlocks(set(sample, 13, 14, null))).toEqual([
      [8, 10],
      [12, 13],
      [14, 15],
    ]);
    expect(hoursOfBlocks(set(sample, 7, 11, null))).toEqual([[12, 15]]);
    const ids = set(sample, 13, 14, null).blocks.map(({ id }) => id);
    expect(new Set(ids).size).toBe(3);
  });

  it('puts another work in, and joins the same on both sides', () => {
    const within = set(sample, 9, 10, voice);
    expect(hoursOfBlocks(within)).toEqual([
      [8, 9],
      [9, 10],
      [12, 15],
    ]);
    expect(within.blocks[1]).toEqual(jasmine.objectContaining({ mode: 'SSB', powerW: 5, share: 0.2 }));
    expect(hoursOfBlocks(set(within, 8, 9, voice))).toEqual([
      [8, 10],
      [12, 15],
    ]);
    const { activity, mode, powerW, share } = one;
    expect(hoursOfBlocks(set(sample, 10, 11, { activity, mode, powerW, share }))[0]).toEqual([8, 11]);
  });

  it('leaves what is done again, and what is worked at another position', () => {
    const daily = repeatBlock(sample, 'one', 'day');
    expect(set(daily, 8, 9, null)).toBe(daily);
    // Nor where one of its repeats is worked.
    const hourly = repeatBlock(
      { ...sample, blocks: [{ ...one, end: new Date(hour(8.5)).toISOString() }] },
      'one',
      'hour',
    );
    expect(set(hourly, 15, 16, voice)).toBe(hourly);
    const other = giveToPosition(sample, 'one', 2);
    expect(hoursOfBlocks(set(other, 8, 9, voice))).toEqual([
      [8, 10],
      [8, 9],
      [12, 15],
    ]);
    expect(hoursOfBlocks(set(other, 8, 9, null, 2))).toEqual([
      [9, 10],
      [12, 15],
    ]);
  });

  it('works the position that is meant, beside what the other works at the same hour', () => {
    const added = set(sample, 12, 13, voice, 2).blocks.filter(({ mode }) => mode === 'SSB');
    expect(added.map(({ station }) => station)).toEqual([2]);
    expect(Object.keys(set(sample, 16, 17, voice).blocks.at(-1)!)).not.toContain('station');
    // Two that meet and do the same are one at one position, not across two.
    const here = set(set(sample, 15, 16, voice), 16, 17, voice, 2);
    expect(hoursOfBlocks(here).slice(2)).toEqual([
      [15, 16],
      [16, 17],
    ]);
  });

  it('takes all that a block says of its work along, and nothing of its hours', () => {
    const processed = { ...one, mode: 'SSB' as const, processed: true, rating: 'cautious' as const };
    const before = { ...sample, blocks: [processed, sample.blocks[1]] };
    expect(hoursOfBlocks(set(before, 10, 11, processed))[0]).toEqual([8, 11]);
    const [apart] = set({ ...sample, blocks: [] }, 16, 17, { ...processed, repeat: 'day' } as never).blocks;
    expect(apart).toEqual(
      jasmine.objectContaining({ id: 'new-1', mode: 'SSB', processed: true, rating: 'cautious' }),
    );
    expect(apart.repeat).toBeUndefined();
  });

  it('stays within the outing, and does nothing outside of it', () => {
    expect(hoursOfBlocks(set(sample, 17, 20, voice)).at(-1)).toEqual([17, 18]);
    expect(set(sample, 19, 20, voice)).toBe(sample);
  });

  it('changes nothing outside the stretch, and all of it inside, whatever the row of changes', () => {
    const change = fc.record({
      from: fc.integer({ min: 5, max: 18 }),
      hours: fc.integer({ min: 1, max: 3 }),
      work: fc.constantFrom(null, voice, usualWork(10)),
    });
    const workedAt = (of: Trip, at: number) =>
      expandBlocks(of)
        .filter(({ startMs, endMs }) => startMs <= hour(at) && hour(at) < endMs)
        .map(({ block: { mode, powerW } }) => `${mode} ${powerW}`)
        .join();
    fc.assert(
      fc.property(fc.array(change, { maxLength: 8 }), (changes) => {
        let now = sample;
        const makeId = ids();
        for (const { from, hours, work } of changes) {
          const span = { startMs: hour(from), endMs: hour(from + hours) };
          const next = setWork(now, span, work, makeId);
          expect(tripProblems(next)).toEqual([]);
          for (let at = 6.5; at < 18; at++) {
            const inside = at > from && at < from + hours;
            const wanted = inside ? (work ? `${work.mode} ${work.powerW}` : '') : workedAt(now, at);
            expect(workedAt(next, at)).toBe(wanted);
          }
          now = next;
        }
      }),
    );
  });
});
