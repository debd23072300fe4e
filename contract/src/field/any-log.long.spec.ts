import fc from 'fast-check';
import { readGear, readLog, readTrip } from '../schemas/read.js';
import { bags } from '../testing/any-gear.js';
import { logs } from '../testing/any-log.js';
import { trips } from '../testing/any-trip.js';
import { whatNow } from './what-now.js';

const HOUR_MS = 3_600_000;
const AT_LEAST = 60;

describe('any log of any trip', () => {
  it('tells where the outing stands in finite figures, or says why not in a sentence', () => {
    let told = 0;
    const drawn = trips.chain((trip) =>
      fc.tuple(fc.constant(trip), bags, logs(trip.id), fc.integer({ min: 0, max: 12 })),
    );
    fc.assert(
      fc.property(drawn, ([trip, gear, log, hour]) => {
        if (!gear.every((item) => readGear(item).ok) || !readTrip(trip).ok) return;
        const read = readLog(log);
        if (!read.ok) throw new Error(read.problems[0].sentence);
        const now = whatNow(trip, log, gear, Date.parse(trip.start) + hour * HOUR_MS, { particles: 40 });
        if (!now.ok) {
          expect(now.problems[0].sentence).toMatch(/\.$/);
          return;
        }
        told += 1;
        const { soc, ah, netA, loadA, sunA, readings, learned, ahead } = now.value;
        const figures = [
          ...[soc, ah, netA].flatMap((band) => Object.values<number>({ ...band })),
          ...[loadA, sunA, ...readings.map(({ p }) => p)],
          ...[...learned.values()].flatMap(({ before, after }) => [
            before.mean,
            before.sd,
            after.mean,
            after.sd,
          ]),
          ...(ahead ? [ahead.chance.chance, ...ahead.chance.p10, ...ahead.chance.p90] : []),
        ];
        const odd = figures.findIndex((value) => !Number.isFinite(value));
        if (odd !== -1) throw new Error(`figure ${odd} is not finite`);
        for (const share of [soc.p10, soc.p50, soc.p90]) expect(share >= 0 && share <= 1).toBeTrue();
      }),
      { numRuns: Math.max(AT_LEAST, fc.readConfigureGlobal().numRuns ?? 0) },
    );
    expect(told).toBeGreaterThan(20);
  });
});
