import { MINUTE_MS } from '../span.js';
import { asOne, chooseReadings, thinned } from './choose-readings.js';
import type { FieldReading } from './reading.js';

const reading = (id: string, minute: number, change: Partial<FieldReading> = {}): FieldReading => ({
  ...{ id, timeMs: minute * MINUTE_MS, state: 'listening', source: 'typed', values: { volts: 13 } },
  ...change,
});

describe('readings that are taken', () => {
  it('stand in the order of time, those within a minute as one with the latest values', () => {
    const taken = asOne([
      reading('b', 10.5, { values: { volts: 13.1, percent: 60 } }),
      reading('c', 11.2),
      reading('a', 10, { values: { volts: 13, amps: 0.3 }, counts: true }),
    ]);
    expect(taken.map(({ ids }) => ids)).toEqual([['a', 'b'], ['c']]);
    expect(taken[0].values).toEqual({ volts: 13.1, percent: 60, amps: 0.3 });
    expect(taken[0].id).toBe('b');
    expect(taken[0].counts).toBeTrue();
    expect(taken[1].counts).toBeUndefined();
  });

  it('count as one where either of them does, and not where none does', () => {
    const both = (first: boolean, second: boolean) =>
      asOne([
        reading('a', 10, first ? { counts: true } : {}),
        reading('b', 10.5, second ? { counts: true } : {}),
      ])[0];
    expect([both(true, false), both(false, true), both(true, true)].map(({ counts }) => counts)).toEqual([
      true,
      true,
      true,
    ]);
    expect('counts' in both(false, false)).toBeFalse();
  });

  it('are not one where the state or the source is another', () => {
    expect(asOne([reading('a', 0), reading('b', 0.5, { state: 'keyDown' })]).length).toBe(2);
    expect(asOne([reading('a', 0), reading('b', 0.5, { source: 'monitor' })]).length).toBe(2);
  });

  const many = Array.from({ length: 10 }, (_, minute) => ({ timeMs: minute * MINUTE_MS }));

  it('are all weighed where they are few', () => {
    expect(chooseReadings(many, new Array(10).fill(0), [], 10).length).toBe(10);
  });

  it('are else the first, the last, the last before each reset, and those where the spread changes most', () => {
    const spreads = [0, 0, 0.01, 0.01, 0.05, 0.05, 0.05, 0.045, 0.045, 0.045];
    expect(chooseReadings(many, spreads, [6.5 * MINUTE_MS], 5)).toEqual([0, 2, 4, 6, 9]);
  });
});

describe('readings that instruments send by the minute', () => {
  const sent = (minutes: number, sources: readonly FieldReading['source'][] = ['monitor', 'controller']) =>
    asOne(
      Array.from({ length: minutes }, (_, minute) =>
        sources.map((source) => reading(`${source} ${minute}`, minute, { source })),
      ).flat(),
    );
  const ids = (taken: ReturnType<typeof asOne>) => taken.map(({ id }) => id);

  it('are all looked at where they are few', () => {
    expect(thinned(sent(10), [], 20).length).toBe(20);
  });

  it('are thinned by time: of each its first and last, and the last before each reset', () => {
    const kept = ids(thinned(sent(600), [300.5 * MINUTE_MS], 20));
    expect(kept.length).toBeLessThanOrEqual(20);
    expect(kept.length).toBeGreaterThan(10);
    for (const source of ['monitor', 'controller']) {
      for (const minute of [0, 300, 599]) expect(kept).toContain(`${source} ${minute}`);
    }
    expect(kept).toEqual(ids(thinned(sent(600), [300.5 * MINUTE_MS], 20)));
  });

  it('keep the last before each reset, not the one read as it was reset after it', () => {
    const kept = ids(thinned(sent(600, ['monitor']), [100 * MINUTE_MS, 333 * MINUTE_MS], 12));
    // Read in the very minute of a reset it was read before it.
    for (const minute of [0, 100, 333, 599]) expect(kept).toContain(`monitor ${minute}`);
    expect(kept).not.toContain('monitor 99');
    expect(kept).not.toContain('monitor 332');
  });

  it('stay kept while time goes on: only the last one of the present slot makes room', () => {
    const before = ids(thinned(sent(401), [], 30));
    const after = new Set(ids(thinned(sent(402), [], 30)));
    expect(before.filter((id) => !after.has(id)).length).toBeLessThanOrEqual(2);
  });

  it('never push out what a person read, or said counts, unless that alone is too much', () => {
    const typed = [7, 61, 123, 124, 125, 200, 345].map((minute) => reading(`typed ${minute}`, minute));
    const sure = reading('sure', 201.5, { source: 'monitor', state: 'charging', counts: true });
    const all = asOne([...sent(600), ...typed, sure]);
    const kept = ids(thinned(all, [], 20));
    for (const { id } of [...typed, sure]) expect(kept).toContain(id);
    expect(kept.length).toBeLessThanOrEqual(20);
    expect(thinned(sent(600, ['typed']), [], 20).length).toBeLessThanOrEqual(20);
  });
});
