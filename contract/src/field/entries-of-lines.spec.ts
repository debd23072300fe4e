import fc from 'fast-check';
import { instrumentLine, type InstrumentReading } from '@knapsack/core';
import { emptyLog, type LogEntry, type ReadingEntry } from '../documents/log.js';
import { readLog } from '../schemas/index.js';
import { entriesOfLines } from './entries-of-lines.js';

const NOW = Date.UTC(2027, 8, 4, 12);
const monitor = (s: number, amps = -0.8): string =>
  instrumentLine({
    ...{ source: 'monitor', ms: 1000 * s, volts: 13.1, amps },
    ...{ percent: 87, ampereHours: -2.3, minutesLeft: 640 },
  });
const controller = (s: number, inAh: number, batteryA = 1.5): string =>
  instrumentLine({
    ...{ source: 'controller', ms: 1000 * s, panelV: 18, panelA: 1.2, batteryV: 13.3, batteryA },
    ...{ inAh, peakW: 22, stage: 'bulk' },
  });
const readings = (entries: readonly LogEntry[]) =>
  entries.filter((entry): entry is ReadingEntry => entry.kind === 'reading');
const every = (seconds: number, count: number, line: (s: number) => string) =>
  Array.from({ length: count }, (_, index) => line(seconds * index));

describe('the entries that lines come to', () => {
  it('are a reading a minute of each instrument, the last line being of now', () => {
    const lines = every(1, 181, (s) => monitor(s)).flatMap((line, s) => [line, `M ${1000 * s} 13.1 0.8`]);
    const { entries, unread } = entriesOfLines(lines, NOW);
    const of = (source: string) => readings(entries).filter((entry) => entry.source === source);
    expect(unread).toBe(0);
    expect(of('monitor').map(({ at }) => at)).toEqual([
      '2027-09-04T11:57:00.000Z',
      '2027-09-04T11:58:00.000Z',
      '2027-09-04T11:59:00.000Z',
      '2027-09-04T12:00:00.000Z',
    ]);
    expect(of('meter').length).toBe(4);
    // A monitor tells what comes in, the log what goes out.
    expect(of('monitor')[0]).toEqual(jasmine.objectContaining({ amps: 0.8, volts: 13.1, percent: 87 }));
  });

  it('have one more where charging begins or stops', () => {
    const { entries } = entriesOfLines([monitor(0), monitor(5, 0.9), monitor(10, 0.9), monitor(15)], NOW);
    expect(readings(entries).map(({ state }) => state)).toEqual(['unknown', 'charging', 'unknown']);
  });

  it('tell what a controller counted from where its counter was seen to begin', () => {
    const late = entriesOfLines([controller(0, 4.1), controller(60, 4.2)], NOW);
    expect(late.entries.every((entry) => entry.kind === 'reading' && entry.inAh === undefined)).toBeTrue();
    const begun = entriesOfLines([controller(120, 0.01), controller(180, 0.05)], NOW + 120_000, late.soFar);
    expect(begun.entries.map(({ kind }) => kind)).toEqual(['reset', 'reading', 'reading']);
    expect(readings(begun.entries).map(({ inAh }) => inAh)).toEqual([0.01, 0.05]);
    // A little jitter is no new beginning.
    const after = entriesOfLines([controller(240, 0.04)], NOW + 180_000, begun.soFar);
    expect(after.entries.map(({ kind }) => kind)).toEqual(['reading']);
  });

  it('are the same when the same is sent again', () => {
    const lines = every(7, 60, (s) => monitor(s));
    const first = entriesOfLines(lines, NOW);
    expect(entriesOfLines(lines, NOW).entries).toEqual(first.entries);
    expect(entriesOfLines(lines.slice(-1), NOW, first.soFar).entries).toEqual([]);
    expect(new Set(first.entries.map(({ id }) => id)).size).toBe(first.entries.length);
  });

  it('count what is no line, and leave it', () => {
    expect(entriesOfLines(['hello', monitor(0), '# note'], NOW).unread).toBe(2);
  });

  it('may stand in a log, whatever an instrument says within its bounds', () => {
    const amps = fc.integer({ min: -4000, max: 4000 }).map((n) => n / 100);
    const lines = fc.array(
      fc.record({
        source: fc.constant('controller' as const),
        ms: fc.nat(90_000_000),
        panelV: fc.nat(60),
        panelA: fc.nat(15),
        batteryV: fc.nat(30),
        batteryA: amps,
        inAh: fc.nat(200),
        peakW: fc.nat(400),
        stage: fc.constantFrom('off', 'bulk', 'absorption', 'float'),
      } satisfies Record<keyof Extract<InstrumentReading, { source: 'controller' }>, unknown>),
      { maxLength: 60 },
    );
    fc.assert(
      fc.property(lines, (told) => {
        const sorted = [...told]
          .sort((a, b) => a.ms - b.ms)
          .map((reading) => instrumentLine(reading as InstrumentReading));
        const { entries } = entriesOfLines(sorted, NOW);
        expect(readLog({ ...emptyLog('islet'), entries }).ok).toBeTrue();
      }),
    );
  });
});
