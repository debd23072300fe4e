import { kitTrip } from '../testing/kit.js';
import { upToDate } from './migrate.js';

describe('a document of another version', () => {
  const now = { ...kitTrip(), version: kitTrip().version as number };

  it('is brought to the newest, and stays as it is where it is that', () => {
    expect(upToDate(now)).toEqual(now);
    expect((upToDate({ ...now, version: now.version - 1 }) as typeof now).version).toBe(now.version);
  });

  it('is left alone where it is none that was ever written', () => {
    for (const version of [0, -1, now.version + 1, 2.5, '3', undefined]) {
      const odd = { ...now, version };
      expect(upToDate(odd)).toEqual(odd);
    }
    for (const none of [null, 5, 'trip', [now]]) expect(upToDate(none)).toBe(none);
  });

  it('has the gear that travels in it brought along', () => {
    const gear = { schema: 'knapsack.gear', version: 1, id: 'x' };
    for (const version of [now.version, now.version - 1, now.version + 1]) {
      const [travelling] = (upToDate({ ...now, version, gear: [gear] }) as { gear: { version: number }[] })
        .gear;
      expect(travelling.version).toBeGreaterThan(1);
    }
  });
});
