import { ChanceRun } from '../chance/chance.js';
import { lowestSum } from '../explain/lowest-sum.js';
import { marginSum } from '../explain/margin-sum.js';
import { forecast } from '../forecast/forecast.js';
import { HOUR_MS } from '../span.js';
import { whiteboardPlan, type WhiteboardChange } from '../testing/plans.js';
import { fedAh, fedAmps, type PlannedFeed } from './feed.js';

const feed = (from: number, to: number, amps: number): PlannedFeed => ({
  ...{ name: 'charger', startMs: from * HOUR_MS, endMs: to * HOUR_MS, amps },
});
const run = (change: WhiteboardChange) => forecast(whiteboardPlan(change));

describe('a charger that is on during an outing', () => {
  it('gives its current in its hours, several together', () => {
    const edgesMs = Float64Array.of(0, 1, 2, 3, 4).map((hour) => hour * HOUR_MS);
    expect([...fedAmps([feed(1, 3, 5), feed(2, 9, 2)], edgesMs)!]).toEqual([0, 5, 7, 2]);
    expect(fedAh(fedAmps([feed(1, 3, 5), feed(2, 9, 2)], edgesMs)!, edgesMs)).toBe(14);
    expect([...fedAmps([feed(-5, 1, 3)], edgesMs)!]).toEqual([3, 0, 0, 0]);
    expect(fedAmps([], edgesMs)).toBeNull();
  });

  it('carries the load first, and charges with the rest', () => {
    // 1 A from 20 Ah for 10 h; 4 A from 2 to 4 h: 2 Ah to the load, 6 Ah to the battery.
    const { verdict, march, packs } = run({ pack: { startSoc: 0.6 }, feeds: [feed(2, 4, 4)] });
    expect(verdict.fedAh).toBeCloseTo(8, 9);
    expect(march.books.servedAh).toBeCloseTo(2, 9);
    expect(march.books.storedAh).toBeCloseTo(6 * packs[0].charge!.efficiency, 9);
    expect(verdict.endSoc).toBeCloseTo(0.6 + (6 * packs[0].charge!.efficiency - 8) / 20, 6);
    // It is no sun.
    expect(verdict.sun).toBeNull();
    expect(march.books.offeredAh).toBe(0);
  });

  it('only fills what is empty: nothing more is taken from it', () => {
    const { verdict, march } = run({ feeds: [feed(0, 1, 30)] });
    expect(verdict.fedAh).toBeLessThan(1.3);
    expect(Math.max(...march.fedA)).toBe(30);
  });

  it('leaves the sun what is still wanted, so that the sun is what is not taken', () => {
    const plan = { pack: { startSoc: 0.5 }, feeds: [feed(0, 10, 1)], offeredA: () => 1 };
    const { march } = run({ ...plan, temperatureC: -5 });
    // Too cold to charge: the charger carries the load, and nothing of the sun is used.
    expect(march.books.fedAh).toBeCloseTo(10, 6);
    expect(march.books.curtailedAh).toBeCloseTo(10, 6);
  });

  it('is in the sums that are told, which add up', () => {
    const lowest = lowestSum(run({ pack: { startSoc: 0.6 }, feeds: [feed(0, 1, 4)] }));
    const given = lowest.lines.find(({ label }) => label === 'given by chargers until then');
    expect(given?.result).toEqual(jasmine.objectContaining({ value: 4 }));
    const short = run({ pack: { startSoc: 0.3 }, feeds: [feed(8, 9, 0.5)] });
    const margin = marginSum(short);
    const less = margin.lines.find(({ label }) => label === 'less what chargers give');
    expect(less?.result).toEqual(jasmine.objectContaining({ value: -0.5 }));
    // From 4 h on 6 Ah are wanted.
    expect(short.verdict.marginAh).toBeCloseTo(-5.5, 1);
  });

  it('is in the chance as in the march', () => {
    const chanceOf = (feeds: readonly PlannedFeed[]) => {
      const samples = new ChanceRun(whiteboardPlan({ pack: { startSoc: 0.55 }, feeds }));
      while (samples.more(100));
      return samples.odds().chance;
    };
    expect(chanceOf([])).toBeLessThan(0.5);
    expect(chanceOf([feed(4, 6, 4)])).toBeGreaterThan(0.99);
  });
});
