import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { kitTrip } from '../testing/kit.js';
import { amplifier, battery, RADIOS, run } from '../testing/sample-gear.js';
import { harnessReport } from './harness-report.js';

const carrying = (gear: readonly Gear[], change: Partial<Trip>) =>
  kitTrip({ loadout: gear.map(({ id }) => ({ gear: id, count: 1 })), ...change });
const atPower = (trip: Trip, watts: number): Trip => ({
  ...trip,
  blocks: trip.blocks.map((block) => ({ ...block, powerW: watts })),
});
const tooMuch = (trip: Trip, gear: readonly Gear[]) =>
  harnessReport(trip, gear).checks.find(({ rule }) => rule === 'peak');
const allowedW = (trip: Trip, gear: readonly Gear[]) =>
  Number(/At (\d+) W it is within the limit\./.exec(tooMuch(trip, gear)?.sentence ?? '')?.[1] ?? NaN);

describe('the power at which a battery would do', () => {
  const weak = (peakA: number) =>
    battery('weak', 'lifepo4', 4, 20, {
      protects: true,
      peakA: { value: peakA, source: 'datasheet' },
      continuousA: { value: peakA, source: 'datasheet' },
    });
  /** 12 V of three cells of a kind, up to 13.8 V through a converter. */
  const behind: Partial<Trip> = {
    harness: {
      parts: [{ id: 'reg', kind: 'converter', from: 'weak', outV: 13.8, maxA: 30 }],
      runs: [run('reg', 2.5, 0.3, 30), { ...run('hundred', 2.5, 0.6), from: 'reg' }],
    },
  };

  it('heals, and more does not, straight and behind a converter, at any limit', () => {
    for (const change of [{}, behind])
      for (let peakA = 8; peakA <= 24; peakA += 1.7) {
        const gear = [RADIOS.hundred, weak(peakA)];
        const trip = atPower(carrying(gear, change), 100);
        const told = `${peakA} A${change === behind ? ' behind a converter' : ''}`;
        if (!tooMuch(trip, gear)) continue;
        const watts = allowedW(trip, gear);
        if (Number.isNaN(watts)) {
          // Not at any power: a radio of 100 W takes 9.9 A at a fifth of it.
          expect(peakA).withContext(told).toBeLessThan(12);
          continue;
        }
        expect(tooMuch(atPower(trip, watts), gear))
          .withContext(`${told} at ${watts} W`)
          .toBeUndefined();
        // Behind a converter less power leaves more volts, so that a little more than what is told would do.
        const more = change === behind ? Math.ceil(1.3 * watts) + 1 : watts + 1;
        expect(tooMuch(atPower(trip, more), gear))
          .withContext(`${told} at ${more} W`)
          .toBeDefined();
      }
  });

  it('is none where something else takes too much by itself', () => {
    const gear = [RADIOS.hundred, weak(8), amplifier(15)];
    const trip = atPower(carrying(gear, {}), 100);
    expect(tooMuch(trip, gear)).toBeDefined();
    expect(allowedW(trip, gear)).toBeNaN();
  });
});
