import fc from 'fast-check';
import { explain, forecast, type Forecast } from '@knapsack/core';
import { fieldCard } from '../card/field-card.js';
import { billOf } from '../harness/bill.js';
import { applyRemedy } from '../harness/change-harness.js';
import { harnessDrawing } from '../harness/drawing.js';
import { harnessReport } from '../harness/harness-report.js';
import { packingOf } from '../packing/packing-of.js';
import { chargeUp } from '../rehearse/charge-up.js';
import { readGear, readTrip } from '../schemas/read.js';
import { bags } from '../testing/any-gear.js';
import { trips } from '../testing/any-trip.js';
import { whatIf } from '../what-if/what-if.js';
import { resolve } from './resolve.js';

function numbersOf({ march, verdict }: Forecast, sums: ReturnType<typeof explain>): number[] {
  const { consumers, sun, events, schools, availability: _up, ...figures } = verdict;
  return [
    ...events.map(({ timeMs }) => timeMs),
    ...schools.flatMap((school) => Object.values(school)).filter((value) => typeof value === 'number'),
    ...[march.soc, march.terminalV, march.radioV, march.loadA, march.offeredA, march.curtailedA].flatMap(
      (series) => [...series],
    ),
    ...Object.values(march.books),
    ...Object.values({ ...figures, ...sun, marginHours: 0 }).filter((value) => typeof value === 'number'),
    ...consumers.flatMap(({ ampereHours, wattHours }) => [ampereHours, wattHours]),
    ...Object.values(sums).flatMap(({ lines }) =>
      lines.flatMap(({ result }) =>
        typeof result === 'string' || result.unit === 'duration' ? [] : [result.value],
      ),
    ),
  ];
}

describe('any document that the schemas admit', () => {
  it('gives finite figures or a sentence', () => {
    let calculated = 0;
    fc.assert(
      fc.property(trips, bags, (trip, gear) => {
        for (const item of gear.filter(({ kind }) => kind !== 'panel')) {
          const read = readGear(item);
          if (!read.ok) throw new Error(`${item.kind}: ${read.problems[0].sentence}`);
        }
        // A label drawn at random is often no label; what the schema refuses need not be calculated.
        if (!gear.every((item) => readGear(item).ok)) return;
        const read = readTrip(trip);
        if (!read.ok) throw new Error(read.problems[0].sentence);
        const plan = resolve(trip, gear);
        if (!plan.ok) {
          expect(plan.problems[0].sentence).toMatch(/\.$/);
          return;
        }
        const run = forecast(plan.value);
        calculated += 1;
        const odd = numbersOf(run, explain(run, 'UTC')).findIndex((value) => !Number.isFinite(value));
        if (odd !== -1) throw new Error(`figure ${odd} is not finite`);
      }),
      { numRuns: Math.max(120, fc.readConfigureGlobal().numRuns ?? 0) },
    );
    expect(calculated).toBeGreaterThan(50);
  });

  it('says what is left if one thing fails, and how it goes on alone, in finite figures', () => {
    let calculated = 0;
    fc.assert(
      fc.property(trips, bags, (trip, gear) => {
        if (!gear.every((item) => readGear(item).ok)) return;
        const found = whatIf(trip, gear);
        if (!found) return;
        calculated += 1;
        for (const { hours, ofHours, endMs } of found.failures) {
          expect(hours).toBeGreaterThanOrEqual(0);
          expect(hours).toBeLessThanOrEqual(ofHours + 1e-9);
          if (endMs !== null) expect(Number.isFinite(endMs)).toBeTrue();
        }
        for (const { surplusAh, lowestSoc } of found.alone.months) {
          expect([surplusAh, lowestSoc].every(Number.isFinite)).toBeTrue();
        }
        for (const fix of found.fixes) {
          const read = readTrip(fix.trip);
          if (!read.ok) throw new Error(`${fix.words}: ${read.problems[0].sentence}`);
        }
      }),
      { numRuns: Math.max(20, (fc.readConfigureGlobal().numRuns ?? 0) / 10) },
    );
    expect(calculated).toBeGreaterThan(5);
  });

  it('is wired, drawn, packed and put on a card without a figure that is none, and every remedy is a valid trip', () => {
    let calculated = 0;
    fc.assert(
      fc.property(trips, bags, (trip, gear) => {
        if (!gear.every((item) => readGear(item).ok)) return;
        const report = harnessReport(trip, gear);
        if (report.uncalculated === null) calculated += 1;
        const words = JSON.stringify([
          report.checks.map(({ sentence, asks, has }) => [sentence, asks, has]),
          harnessDrawing(report, 'across').groups,
          billOf(report),
          fieldCard(trip, gear, null),
          chargeUp(trip, gear, report.expected.sunAhADay, Date.parse(trip.start) - 1e8).lines.map(
            ({ note }) => note,
          ),
        ]);
        expect(words).not.toMatch(/NaN|Infinity|undefined/);
        const list = packingOf(trip, gear);
        const carried = list.carriers.reduce((sum, { grams }) => sum + grams, 0);
        expect(carried).toBeLessThanOrEqual(list.grams + 1e-6);
        for (const { part, remedy } of report.checks) {
          if (!remedy || part === null) continue;
          const read = readTrip(applyRemedy(trip, gear, part, remedy, 'new'));
          if (!read.ok) throw new Error(read.problems[0].sentence);
        }
      }),
      { numRuns: Math.max(30, (fc.readConfigureGlobal().numRuns ?? 0) / 5) },
    );
    expect(calculated).toBeGreaterThan(10);
  });
});
