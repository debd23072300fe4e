import fc from 'fast-check';
import { loopIn, type Check } from '@knapsack/core';
import type { Trip } from '../documents/trip.js';
import { bags } from '../testing/any-gear.js';
import { trips } from '../testing/any-trip.js';
import { applyRemedy } from './change-harness.js';
import { harnessReport } from './harness-report.js';

const key = ({ rule, part }: Check) => `${rule} ${part}`;
const isStop = ({ severity }: Check) => severity === 'stop';

describe('the remedy of any rule in any kit', () => {
  it('leaves its rule content and stops nothing that was not stopped', () => {
    let tried = 0;
    fc.assert(
      fc.property(trips, bags, (trip: Trip, gear) => {
        const { checks: before, parts } = harnessReport(trip, gear);
        // What feeds itself cannot be typed in (see tryRun).
        fc.pre(loopIn(parts).length === 0);
        const stopped = new Set(before.filter(isStop).map(key));
        for (const check of before) {
          if (!check.remedy || check.part === null) continue;
          tried += 1;
          const mended = applyRemedy(trip, gear, check.part, check.remedy, 'a-new-part');
          const after = harnessReport(mended, gear).checks;
          const words = `${key(check)}: ${JSON.stringify(check.remedy)}`;
          expect(after.map(key)).withContext(words).not.toContain(key(check));
          for (const stop of after.filter(isStop)) {
            expect(stopped.has(key(stop)))
              .withContext(`${key(stop)} after ${words}`)
              .toBeTrue();
          }
        }
      }),
    );
    // The matrix tries fewer cases than the gate.
    expect(tried).toBeGreaterThan(4);
  });
});
