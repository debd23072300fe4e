import { forecast } from '@knapsack/core';
import type { ControllerGear } from '../documents/charging-gear.js';
import type { Gear, Panel } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { harnessReport } from '../harness/harness-report.js';
import { frond, kitShelf, kitTrip } from '../testing/kit.js';
import { resolve } from './resolve.js';

const sheet = (value: number) => ({ value, source: 'datasheet' as const });
/** A second panel, of as many volts unless others are said. */
const fern = (change: Partial<Panel> = {}): Panel => ({
  ...{ ...frond, id: 'fern', name: 'Fern', watts: sheet(20), truth: sheet(0.6) },
  ...change,
});
const both = (counts: readonly [number, number] = [1, 1]): Trip =>
  kitTrip({
    loadout: kitTrip().loadout.flatMap((item) =>
      item.gear === 'frond'
        ? [
            { ...item, count: counts[0] },
            { gear: 'fern', count: counts[1] },
          ]
        : [item],
    ),
  });
const shelfWith = (second: Panel, controller: Partial<ControllerGear> = {}): readonly Gear[] => [
  ...kitShelf.map((gear) => (gear.id === 'rill' ? ({ ...gear, ...controller } as ControllerGear) : gear)),
  second,
];
const planOf = (trip: Trip, shelf: readonly Gear[]) => {
  const plan = resolve(trip, shelf);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return plan.value;
};
const differ = (trip: Trip, shelf: readonly Gear[]) =>
  planOf(trip, shelf).remarks!.filter((sentence) => sentence.includes('differ'));

describe('panels that differ, on one controller', () => {
  it('give what both give where their volts are alike, by what each really gives', () => {
    const { sun } = planOf(both(), shelfWith(fern()));
    expect(sun!.panel.watts).toBeCloseTo(62, 0);
    expect(sun!.truth).toBeCloseTo((42 * 0.9 + 20 * 0.6) / 62, 9);
    expect(differ(both(), shelfWith(fern()))).toEqual([]);
    const offered = (trip: Trip) => forecast(planOf(trip, shelfWith(fern()))).verdict.sun!.offeredAh;
    expect(offered(both())).toBeGreaterThan(1.2 * offered(kitTrip()));
  });

  it('say what they lose to each other where they are not, and are refused where they are too far apart', () => {
    const other = fern({ vmpV: sheet(21.5), vocV: sheet(25.5), watts: sheet(40) });
    expect(differ(both(), shelfWith(other))).toEqual([
      jasmine.stringMatching(
        /^Frond and Fern differ: in parallel they give \d\d W of \d\d W\. .* bring \d W back\.$/,
      ),
    ]);
    const far = resolve(both(), shelfWith(fern({ vmpV: sheet(36), vocV: sheet(43) })));
    expect(far.ok ? '' : far.problems[0].sentence).toContain('Frond at 18 V and Fern at 36 V');
  });

  it('are both held against the controller in the cold, and together against what it carries', () => {
    const high = resolve(both(), shelfWith(fern({ vocV: sheet(24) }), { maxInputV: sheet(24.5) }));
    expect(high.ok ? '' : high.problems[0].sentence).toContain('Fern rises to');
    const rules = (of: Trip, shelf: readonly Gear[]) =>
      harnessReport(of, shelf).checks.map(({ severity, rule }) => `${severity} ${rule}`);
    // 2.5 A and 1.2 A short-circuited, on a switch for 3 A.
    const pwm: Partial<ControllerGear> = { type: 'pwm', limitsCurrent: false, maxA: sheet(3) };
    expect(rules(both(), shelfWith(fern(), pwm))).toContain('stop current');
    expect(rules(kitTrip(), shelfWith(fern(), pwm))).not.toContain('stop current');
  });

  it('bring each its part by its watts, and the controller all of it; three strings want fuses', () => {
    const run = (part: string, trip = both()) =>
      harnessReport(trip, shelfWith(fern())).runs.find((one) => one.part === part)!;
    expect(run('fern').mostChargeA / run('frond').mostChargeA).toBeCloseTo(20 / 42, 6);
    expect(run('rill').safeForA).toBeGreaterThan(run('rill', kitTrip()).safeForA * 1.4);
    const rules = harnessReport(both([2, 1]), shelfWith(fern())).checks.map(({ rule }) => rule);
    expect(rules).toContain('strings');
    expect(harnessReport(both(), shelfWith(fern())).checks.map(({ rule }) => rule)).not.toContain('strings');
  });
});
