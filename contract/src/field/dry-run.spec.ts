import { readInstrumentLine } from '@knapsack/core';
import type { LogEntry } from '../documents/log.js';
import { hour, shelf, trip } from '../testing/outing.js';
import {
  dryRun,
  dryRunStartMs,
  dryRunStepMs,
  sayLookUp,
  sayLooks,
  sayTruth,
  truthAt,
  type DryRunSetup,
} from './dry-run.js';

const at = (of: number) => new Date(hour(of)).toISOString();
const SETUP: DryRunSetup = { seed: 5, sky: 'asForecast' };

function played(entries: readonly LogEntry[], setup = SETUP, given = trip()) {
  const run = dryRun(given, shelf, entries, setup);
  if (!run.ok) throw new Error(run.problems[0].sentence);
  return run.value;
}
const stop = (of: number): LogEntry => ({ id: 'stop', at: at(of), kind: 'work', do: 'stop' });
const MIDDLE = (Date.parse(trip().start) + Date.parse(trip().end)) / 2;
const middleHour = (MIDDLE - hour(0)) / 3_600_000;

describe('a dry run', () => {
  it('follows what was entered, and leaves what was before it as it was', () => {
    const whole = played([]);
    const stopped = played([stop(middleHour)]);
    const before = <Part extends { readonly timeMs: number }>(parts: readonly Part[]) =>
      parts.filter(({ timeMs }) => timeMs < MIDDLE);
    expect(before(stopped.lines)).toEqual(before(whole.lines));
    expect(before(stopped.truth)).toEqual(before(whole.truth));
    expect(stopped.truth.at(-1)!.soc).toBeGreaterThan(whole.truth.at(-1)!.soc);
  });

  it('takes a battery for full where somebody says so, and the readings know it', () => {
    const gear = trip().loadout.find(
      ({ gear: id }) => shelf.find((one) => one.id === id)?.kind === 'battery',
    )!;
    const filled = played([{ id: 'full', at: at(16), kind: 'battery', do: 'full', gear: gear.gear }]);
    const stepMs = dryRunStepMs(trip());
    const after = truthAt(filled.truth, hour(16) + 2 * stepMs)!;
    expect(after.soc).toBeGreaterThan(truthAt(played([]).truth, hour(16) + 2 * stepMs)!.soc + 0.05);
    expect(after.soc).toBeGreaterThan(0.95);
    const percents = filled.lines
      .filter(({ timeMs }) => timeMs > hour(16) && timeMs < hour(16) + 4 * stepMs)
      .map(({ line }) => readInstrumentLine(line))
      .flatMap((reading) => (reading?.source === 'monitor' ? [reading.percent] : []));
    expect(Math.min(...percents)).toBeGreaterThan(85);
  });

  it('sends each minute, in a long outing as often as there is time for', () => {
    expect(dryRunStepMs({ start: at(6), end: at(12) })).toBe(60_000);
    expect(dryRunStepMs({ start: at(0), end: at(24) })).toBe(120_000);
    expect(dryRunStepMs({ start: at(0), end: at(24 * 30) })).toBe(3_600_000);
  });

  it('begins shortly before the first block, not before the outing', () => {
    expect(dryRunStartMs(trip())).toBe(hour(7.75));
    expect(dryRunStartMs(trip({ start: at(8) }))).toBe(hour(8));
    expect(dryRunStartMs(trip({ blocks: [] }))).toBe(hour(6));
  });

  it('knows the truth of an instant from the sending before it', () => {
    const truth = [1, 2].map((of) => ({ timeMs: hour(of), soc: of / 10, sky: null }));
    expect(truthAt(truth, hour(0.5))).toBeNull();
    expect(truthAt(truth, hour(1.5))!.soc).toBe(0.1);
    expect(truthAt(truth, hour(2))!.soc).toBe(0.2);
  });

  it('tells the truth beside the estimate, and what somebody sees who looks up', () => {
    const told = { p10: 0.5, p50: 0.55, p90: 0.6 };
    expect(sayTruth({ soc: 0.58 }, told)).toBe('True: 58 %, within the estimate.');
    expect(sayTruth({ soc: 0.45 }, told)).toBe('True: 45 %, less than the estimate.');
    expect(sayTruth({ soc: 0.61 }, told)).toBe('True: 61 %, more than the estimate.');
    expect(sayLooks(17, 20)).toBe('Within it at 17 of 20 looks; about 16 would be usual.');
    expect(sayLookUp({ cloud: 1, rain: true })).toBe('You look up: rain.');
    expect(sayLookUp({ cloud: 1, rain: false })).toBe('You look up: an overcast sky.');
    expect(sayLookUp(null)).toBe('');
  });
});
