import { emptyLog, type LogDocument, type LogEntry } from '../documents/log.js';
import type { Trip } from '../documents/trip.js';
import { rationOf, USUAL_RATION_OPTIONS } from '../size/ration-trip.js';
import { hour, shelf, trip } from '../testing/outing.js';
import { rationFromHere } from './ration-here.js';
import { whatNow } from './what-now.js';

const at = (of: number) => new Date(hour(of)).toISOString();
const OPTIONS = { ...USUAL_RATION_OPTIONS, hours: [] };
/** Calling all through on a battery that it would empty. */
const day = (change: Partial<Trip> = {}): Trip =>
  trip({
    start: at(6),
    end: at(18),
    blocks: [{ ...trip().blocks[0], start: at(6), end: at(18), share: 0.5 }],
    ...change,
  });
const read = (of: number, percent: number): LogEntry => ({
  ...{ id: `r${of}`, at: at(of), kind: 'reading', source: 'monitor', state: 'listening' },
  percent,
});

function here(of: number, entries: readonly LogEntry[], given = day()) {
  const log: LogDocument = { ...emptyLog('islet'), entries };
  const now = whatNow(given, log, shelf, hour(of), { particles: 600 });
  if (!now.ok) throw new Error(now.problems[0].sentence);
  const found = rationFromHere(given, now.value, OPTIONS);
  if (!found.ok) throw new Error(found.problems[0].sentence);
  return { now: now.value, ration: found.value };
}
/** Mean of power times duty cycle over the hours, as proposed, W. */
const spends = ({ hours }: ReturnType<typeof here>['ration']) =>
  hours.reduce((sum, { proposed }) => sum + (proposed ? proposed.powerW * proposed.share : 0), 0) /
  hours.length;

describe('the ration from here', () => {
  it('shares out the hours that are left, from the charge that there is', () => {
    const { now, ration } = here(10, [read(9.9, 55)]);
    expect(ration.hours[0].startMs).toBe(now.nowMs);
    expect(ration.hours.at(-1)!.endMs).toBe(hour(18));
    expect(ration.socs[0]).toBeCloseTo(now.soc.p50, 1);
  });

  it('spends less the less there is, and holds its target over samples that it was not made from', () => {
    const spent = [0.32, 0.4, 1].map((startSoc) => here(10, [], day({ startSoc })));
    const watts = spent.map(({ ration }) => spends(ration));
    expect(watts[0]).toBeLessThan(watts[1]);
    expect(watts[1]).toBeLessThan(watts[2]);
    for (const { ration } of spent) {
      if (ration.binds !== 'nothing') expect(ration.odds.chance).toBeGreaterThan(OPTIONS.chance - 0.03);
    }
  });

  it('is the plan’s own where nothing was entered and nothing has happened', () => {
    const planned = rationOf(day(), shelf, OPTIONS);
    if (!planned.ok) throw new Error(planned.problems[0].sentence);
    const { ration } = here(6, []);
    expect(Math.abs(spends(ration) - spends(planned.value))).toBeLessThan(0.15);
    expect(Math.abs(ration.plannedOdds.chance - planned.value.plannedOdds.chance)).toBeLessThan(0.05);
  });

  it('has a sentence where there is nothing to share out, or nobody to do it', () => {
    const log = { ...emptyLog('islet'), entries: [] };
    for (const [given, of, words] of [
      [day(), 18, 'No hours of work are left'],
      [day({ blocks: [] }), 10, 'No hours of work are left'],
      [day({ unattended: true }), 10, 'Nobody is there'],
    ] as const) {
      const now = whatNow(given, log, shelf, hour(of), { particles: 50 });
      if (!now.ok) throw new Error(now.problems[0].sentence);
      const found = rationFromHere(given, now.value, OPTIONS);
      expect(found.ok ? '' : found.problems[0].sentence).toContain(words);
    }
  });
});
