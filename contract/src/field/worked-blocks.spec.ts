import type { LogEntry, WorkEntry } from '../documents/log.js';
import type { Block } from '../documents/trip.js';
import { blockAt, hour, trip } from '../testing/outing.js';
import { workedBlocks } from './worked-blocks.js';

const at = (of: number) => new Date(hour(of)).toISOString();
const work = (of: number, change: Partial<WorkEntry>): LogEntry => ({
  ...{ id: `at-${of}`, at: at(of), kind: 'work', do: 'start' },
  ...change,
});
const hoursOf = (blocks: readonly Block[]) =>
  blocks.map(({ start, end, mode, powerW }) => [
    (Date.parse(start) - hour(0)) / 3.6e6,
    (Date.parse(end) - hour(0)) / 3.6e6,
    `${mode} ${powerW}`,
  ]);
/** Planned: CW at 10 W from 8 to 10 and from 12 to 15, in an outing from 6 to 18. */
const worked = (...entries: readonly LogEntry[]) => hoursOf(workedBlocks(trip(), entries));

describe('what was worked', () => {
  it('is the plan where the log is silent', () => {
    expect(worked()).toEqual([
      [8, 10, 'CW 10'],
      [12, 15, 'CW 10'],
    ]);
  });

  it('begins when it was started, in a planned block not before', () => {
    expect(worked(work(8.5, {}))).toEqual([
      [8.5, 10, 'CW 10'],
      [12, 15, 'CW 10'],
    ]);
  });

  it('outside the plan goes on until the next planned block, as the words of the entry say', () => {
    expect(worked(work(10.5, { mode: 'SSB', powerW: 5 }))).toEqual([
      [8, 10, 'CW 10'],
      [10.5, 12, 'SSB 5'],
      [12, 15, 'CW 10'],
    ]);
    expect(worked(work(16, {}))[2]).toEqual([16, 18, 'CW 10']);
  });

  it('ends when it was stopped, and a stop outside of it ends nothing', () => {
    expect(worked(work(9, { do: 'stop' }), work(11, { do: 'stop' }))).toEqual([
      [8, 9, 'CW 10'],
      [12, 15, 'CW 10'],
    ]);
    expect(worked(work(12, { do: 'stop' }))).toEqual([[8, 10, 'CW 10']]);
  });

  it('goes on otherwise from a change on', () => {
    expect(worked(work(13, { do: 'change', powerW: 5 }))).toEqual([
      [8, 10, 'CW 10'],
      [12, 13, 'CW 10'],
      [13, 15, 'CW 5'],
    ]);
  });

  it('keeps what was started before another start', () => {
    expect(worked(work(8.5, {}), work(9, { mode: 'FT8', powerW: 5 }))).toEqual([
      [8.5, 9, 'CW 10'],
      [9, 10, 'FT8 5'],
      [12, 15, 'CW 10'],
    ]);
  });

  it('is started, stopped and started again', () => {
    expect(worked(work(8.25, {}), work(9, { do: 'stop' }), work(9.5, { powerW: 2 }))).toEqual([
      [8.25, 9, 'CW 10'],
      [9.5, 12, 'CW 2'],
      [12, 15, 'CW 10'],
    ]);
  });

  it('is a block of the plan by its id, with its own words', () => {
    const [, , again] = workedBlocks(trip(), [work(16, { block: 'two', share: 0.2 })]);
    expect([again.mode, again.powerW, again.share]).toEqual(['CW', 10, 0.2]);
  });

  it('leaves what belongs to another mode behind', () => {
    const planned = trip({ blocks: [{ ...blockAt('one', 8, 10), modeFactor: 0.5, processed: true }] });
    const [, other] = workedBlocks(planned, [work(9, { do: 'change', mode: 'FT8' })]);
    const [, same] = workedBlocks(planned, [work(9, { do: 'change', powerW: 5 })]);
    expect([other.modeFactor, other.processed]).toEqual([undefined, undefined]);
    expect([same.modeFactor, same.processed]).toEqual([0.5, true]);
  });

  it('of one position leaves the other alone', () => {
    const two = trip({ blocks: [blockAt('one', 8, 10), { ...blockAt('two', 8, 10), station: 2 }] });
    const blocks = workedBlocks(two, [work(9, { do: 'stop', station: 2 })]);
    expect(blocks.map(({ end, station = 1 }) => [station, (Date.parse(end) - hour(0)) / 3.6e6])).toEqual([
      [1, 10],
      [2, 9],
    ]);
  });

  it('has each repeat on its own', () => {
    const repeated = trip({ blocks: [{ ...blockAt('one', 8, 9), repeat: 'hour' }] });
    const blocks = workedBlocks(repeated, [work(9.5, { do: 'stop' })]);
    expect(hoursOf(blocks).slice(0, 3)).toEqual([
      [8, 9, 'CW 10'],
      [9, 9.5, 'CW 10'],
      [10, 11, 'CW 10'],
    ]);
    expect(blocks.every(({ repeat }) => repeat === undefined)).toBeTrue();
    expect(new Set(blocks.map(({ id }) => id)).size).toBe(blocks.length);
  });

  it('hears nothing from outside the outing', () => {
    expect(worked(work(5, {}), work(18, {}))).toEqual(worked());
  });
});
