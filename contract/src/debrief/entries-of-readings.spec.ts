import { HOUR_MS, type Readings } from '@knapsack/core';
import { emptyLog, type LogEntry, type ReadingEntry } from '../documents/log.js';
import { withEntries } from '../field/merge-logs.js';
import { readLog } from '../schemas/read.js';
import { hour, shelf, trip } from '../testing/outing.js';
import { debriefOf } from './debrief.js';
import { entriesOfReadings } from './entries-of-readings.js';

/** A steady current every so many minutes, from one hour to another; times as they are, or from a start of their own. */
function readings(from: number, to: number, amps = 0.5, minutes = 1, zeroMs = hour(0)): Readings {
  const count = Math.round(((to - from) * 60) / minutes) + 1;
  const times = Float64Array.from(
    { length: count },
    (_, index) => zeroMs + from * HOUR_MS + index * minutes * 60_000,
  );
  return {
    timesMs: times,
    amps: new Float64Array(count).fill(amps),
    volts: new Float64Array(count).fill(13),
  };
}
function taken(of: Readings) {
  const found = entriesOfReadings(trip(), of);
  if (!found.ok) throw new Error(found.problems[0].sentence);
  return found.value;
}
const counts = (entries: readonly LogEntry[]) =>
  entries.filter((entry): entry is ReadingEntry => entry.kind === 'reading').map(({ outAh }) => outAh!);

describe('a meter’s table in the log of an outing', () => {
  it('is what it has counted, a few dozen times, from a reset at its start', () => {
    const { entries, notes } = taken(readings(6, 18));
    expect(entries[0].kind).toBe('reset');
    expect(entries.length).toBeLessThan(44);
    expect(counts(entries).at(-1)).toBeCloseTo(6, 3);
    expect(counts(entries)[0]).toBeCloseTo(0.15, 2);
    expect(notes).toEqual([]);
    const log = { ...emptyLog('islet'), entries };
    expect(readLog(log).ok).toBeTrue();
    // Once more it is the same.
    expect(withEntries(log, ...taken(readings(6, 18)).entries).entries.length).toBe(entries.length);
  });

  it('tells the debrief what was used', () => {
    const all = readings(6, 18);
    // In the blocks of the plan, from eight to ten and from twelve to fifteen.
    const isOn = (index: number) => (index >= 120 && index < 240) || (index >= 360 && index < 540);
    const amps = all.amps.map((_, index) => (isOn(index) ? 0.6 : 0));
    const { entries } = taken({ ...all, amps });
    const found = debriefOf(trip(), { ...emptyLog('islet'), entries }, shelf);
    expect(found.ok && found.value.now.readings.every(({ fits }) => fits)).toBeTrue();
    expect(found.ok && Math.abs(found.value.waterfall.actualAh - 3)).toBeLessThan(0.15);
  });

  it('begins with the outing where its times count from a start of their own', () => {
    const { entries, notes } = taken(readings(0, 3, 1, 1, 0));
    expect(entries[0].at).toBe(trip().start);
    expect(counts(entries).at(-1)).toBeCloseTo(3, 3);
    expect(notes[0]).toContain('count from its own start');
  });

  it('leaves out what is before and after, and counts nothing over a gap', () => {
    const early = taken(readings(4, 8));
    expect(counts(early.entries).at(-1)).toBeCloseTo(1, 3);
    expect(early.notes[0]).toContain('readings before or after the outing were left out');
    const { timesMs, amps, volts } = readings(6, 12);
    const gap = (values: Float64Array) => values.filter((_, index) => index < 60 || index > 180);
    const gappy = taken({ timesMs: gap(timesMs), amps: gap(amps), volts: gap(volts) });
    expect(counts(gappy.entries).at(-1)).toBeCloseTo(2, 1);
    expect(gappy.notes[0]).toMatch(/^The meter was silent for 2 h 0\d in all/);
  });

  it('is refused where it is of another day, or counts nothing', () => {
    const other = entriesOfReadings(trip(), readings(30, 34));
    expect(!other.ok && other.problems[0].sentence).toMatch(
      /^These readings are from .* which is not this outing/,
    );
    const one = entriesOfReadings(trip(), readings(8, 8));
    expect(!one.ok && one.problems[0].sentence).toContain('less than two readings');
  });
});
