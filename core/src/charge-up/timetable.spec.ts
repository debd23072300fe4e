import fc from 'fast-check';
import { HOUR_MS } from '../span.js';
import { storageLevel } from './storage-level.js';
import { chargeTimetable, type ChargeJob } from './timetable.js';

const departureMs = Date.UTC(2027, 8, 4, 6);
const job = (id: string, source: string, hours: number, leaksAMonth = 0.03): ChargeJob => ({
  id,
  source,
  hours,
  leaksAMonth,
});

describe('a charge-up timetable', () => {
  it('ends at the departure, and one thing waits for the other on a shared charger', () => {
    const turns = chargeTimetable([job('large', 'mains', 6), job('small', 'mains', 2)], departureMs);
    expect(turns.map(({ job: { id }, startMs, endMs }) => [id, startMs, endMs])).toEqual([
      ['large', departureMs - 8 * HOUR_MS, departureMs - 2 * HOUR_MS],
      ['small', departureMs - 2 * HOUR_MS, departureMs],
    ]);
  });

  it('charges last what leaks the most', () => {
    const turns = chargeTimetable([job('nickel', 'mains', 5, 0.2), job('iron', 'mains', 1)], departureMs);
    expect(turns.map(({ job: { id } }) => id)).toEqual(['iron', 'nickel']);
  });

  it('has no turn for what is full or never gets full', () => {
    expect(chargeTimetable([job('full', 'mains', 0), job('never', 'sun', Infinity)], departureMs)).toEqual(
      [],
    );
  });

  it('never lets two things share a charger, and leaves no gap before the departure', () => {
    const jobs = fc.array(
      fc.record({
        id: fc.uuid(),
        source: fc.constantFrom('mains', 'vehicle', 'sun'),
        hours: fc.double({ min: 0.1, max: 50, noNaN: true }),
        leaksAMonth: fc.double({ min: 0, max: 0.3, noNaN: true }),
      }),
      { maxLength: 8 },
    );
    fc.assert(
      fc.property(jobs, (all) => {
        const turns = chargeTimetable(all, departureMs);
        return ['mains', 'vehicle', 'sun'].every((source) => {
          const own = turns.filter((turn) => turn.job.source === source);
          const follows = own.every(({ endMs }, at) => endMs === (own[at + 1]?.startMs ?? departureMs));
          return follows && own.length === all.filter((one) => one.source === source).length;
        });
      }),
    );
  });

  it('keeps lithium near half and lead full until then', () => {
    expect(storageLevel('lifepo4')).toBe(0.5);
    expect(storageLevel('agm')).toBe(1);
  });
});
