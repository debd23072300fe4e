import { HOUR_MS } from '@knapsack/core';
import { emptyLog, type ContactsEntry, type LogEntry } from '../documents/log.js';
import { withEntries } from '../field/merge-logs.js';
import { standingEntries } from '../field/standing.js';
import { readLog } from '../schemas/read.js';
import { hour, shelf, trip } from '../testing/outing.js';
import { debriefOf } from './debrief.js';
import { entriesOfFigures, type TypedOuting } from './entries-of-figures.js';

let key = 0;
const NOTHING: TypedOuting = { usedAh: null, hours: null, contacts: null };
function typed(change: Partial<TypedOuting>, standing: readonly LogEntry[] = [], nowMs = hour(20)) {
  return entriesOfFigures(trip(), { ...NOTHING, ...change }, standing, nowMs, () => `${++key}`);
}
function entries(change: Partial<TypedOuting>, standing: readonly LogEntry[] = []) {
  const found = typed(change, standing);
  if (!found.ok) throw new Error(found.problems[0].sentence);
  return found.value;
}
const sentence = (found: ReturnType<typeof typed>) => (found.ok ? '' : found.problems[0].sentence);
const stretches = (all: readonly LogEntry[]) =>
  all
    .filter((entry): entry is ContactsEntry => entry.kind === 'contacts')
    .map(({ at, until, count }) => [
      (Date.parse(at) - hour(0)) / HOUR_MS,
      (Date.parse(until) - hour(0)) / HOUR_MS,
      count,
    ]);

describe('an outing in three figures', () => {
  it('is a count at its end, and contacts over the hours of the plan, none lost', () => {
    const all = entries({ usedAh: 3.4, hours: 4, contacts: 41 });
    expect(readLog({ ...emptyLog('islet'), entries: all }).ok).toBeTrue();
    expect(all[0]).toEqual(jasmine.objectContaining({ kind: 'reading', outAh: 3.4, at: trip().end }));
    // Blocks from 8 to 10 and from 12 to 15.
    expect(stretches(all)).toEqual([
      [8, 10, 21],
      [12, 14, 20],
    ]);
  });

  it('goes on after the last block where more was worked, and ends with the outing where that is too late', () => {
    expect(stretches(entries({ hours: 6 }))).toEqual([
      [8, 10, 0],
      [12, 16, 0],
    ]);
    expect(stretches(entries({ hours: 11 }))).toEqual([[7, 18, 0]]);
  });

  it('tells the hours, and the duty cycle only where contacts were counted', () => {
    const found = (change: Partial<TypedOuting>) => {
      const debrief = debriefOf(trip(), { ...emptyLog('islet'), entries: entries(change) }, shelf);
      if (!debrief.ok) throw new Error(debrief.problems[0].sentence);
      return debrief.value;
    };
    expect(found({ hours: 3 }).onAir!.hours).toBeCloseTo(3, 9);
    expect(found({ hours: 3 }).duties.size).toBe(0);
    expect(found({ hours: 3, contacts: 60 }).duties.get('CW')!.mean).toBeCloseTo(0.1 + 0.35 * 0.9, 9);
    expect(found({ hours: 3 }).waterfall.steps[0].ah).toBeLessThan(-0.5);
  });

  it('takes the place of what was typed before', () => {
    const first = entries({ usedAh: 3.4, hours: 4, contacts: 41 });
    const second = entries({ usedAh: 3.6, hours: 2 }, first);
    const log = withEntries({ ...emptyLog('islet'), entries: first }, ...second);
    const standing = standingEntries(log);
    expect(stretches(standing)).toEqual([[8, 10, 0]]);
    expect(standing.filter(({ kind }) => kind === 'reading').length).toBe(1);
    expect(readLog(log).ok).toBeTrue();
  });

  it('is refused in a sentence where it says nothing, or what cannot be', () => {
    expect(sentence(typed({}))).toBe('Type the charge that was used, or the hours on the air.');
    expect(sentence(typed({ contacts: 4, usedAh: 3 }))).toContain('Type the hours on the air too');
    expect(sentence(typed({ usedAh: 3 }, [], hour(5)))).toBe(
      'Islet has not happened yet: it begins later than today.',
    );
    expect(sentence(typed({ hours: 13 }))).toBe(
      'Islet lasts 12 h 00: 13 h 00 on the air do not fit into it.',
    );
    const reset: LogEntry = { id: 'z', at: trip().start, kind: 'reset' };
    expect(sentence(typed({ usedAh: 3 }, [reset]))).toContain('a meter was reset');
    expect(typed({ hours: 3 }, [reset]).ok).toBeTrue();
  });
});

describe('figures that are typed', () => {
  it('are wanted: the charge or the hours; contacts need their hours', () => {
    expect(sentence(typed({}))).toMatch(/^Type the charge that was used, or the hours/);
    expect(sentence(typed({ contacts: 41 }))).toMatch(/^Type the hours on the air too/);
  });

  it('are the charge alone, or the hours alone', () => {
    expect(entries({ usedAh: 3.4 }).map(({ kind }) => kind)).toEqual(['reading']);
    expect(entries({ hours: 2 }).map(({ kind }) => kind)).toEqual(['contacts']);
  });

  it('can be of an outing that begins this moment, not of one that has not begun', () => {
    expect(typed({ usedAh: 1 }, [], hour(6)).ok).toBeTrue();
    expect(sentence(typed({ usedAh: 1 }, [], hour(6) - 1))).toMatch(/has not happened yet/);
  });
});
