import type { Charger } from '../documents/charging-gear.js';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { readTrip } from '../schemas/read.js';
import { kitShelf, kitTrip, mains } from '../testing/kit.js';
import { chargeUp, NONE, OWN, SUN, withCharging } from './charge-up.js';

const HOUR_MS = 3_600_000;

describe('charging before an outing', () => {
  const start = Date.parse(kitTrip().start);
  const now = start - 10 * 24 * HOUR_MS;
  const up = (trip: Trip, sunAhADay = 6) => chargeUp(trip, kitShelf, sunAhADay, now);
  const shaleLine = (trip: Trip, sunAhADay?: number) =>
    up(trip, sunAhADay).lines.find(({ id }) => id === 'shale')!;

  it('begins as late as the charger allows, from the level of storage', () => {
    const line = shaleLine(kitTrip());
    expect([line.soc, line.socTyped, line.source]).toEqual([0.5, false, 'mains']);
    // 5 Ah at 5 A and 99 %, the taper from 95 % on: a little over an hour.
    expect(line.hours!).toBeGreaterThan(5 / 5 / 0.99);
    expect(line.hours!).toBeLessThan(1.4);
    expect(line.endMs).toBe(start);
    expect(line.socAtStart).toBe(1);
  });

  it('counts what leaks away between the departure and the start', () => {
    const departure = new Date(start - 3 * 24 * HOUR_MS).toISOString();
    const line = shaleLine(kitTrip({ rehearsal: { departure } }));
    expect(line.socAtStart).toBeCloseTo(0.97 ** 0.1, 9);
  });

  it('takes days where the sun charges, and less with more of it', () => {
    const sunny = withCharging(kitTrip(), 'shale', { from: SUN });
    expect(readTrip(sunny).ok).toBe(true);
    // 5 Ah of 6 Ah a day.
    expect(shaleLine(sunny).hours).toBeCloseTo((24 * 5) / 0.99 / 6, 6);
    expect(shaleLine(sunny, 12).hours).toBeCloseTo((24 * 5) / 0.99 / 12, 6);
  });

  it('needs nothing where it is full, and says so where nothing charges it', () => {
    expect(shaleLine(withCharging(kitTrip(), 'shale', { soc: 1 })).startMs).toBeNull();
    const left = shaleLine(withCharging(kitTrip(), 'shale', { from: NONE, soc: 0.4 }));
    expect([left.startMs, left.socAtStart, left.note]).toEqual([
      null,
      0.4,
      'It leaves as it is: say what charges it.',
    ]);
  });

  it('names a charger once that stands on the shelf and travels with the trip', () => {
    const line = shaleLine(kitTrip({ gear: kitShelf.filter(({ id }) => id === 'mains') }));
    expect(line.sources.filter(({ id }) => id === 'mains').length).toBe(1);
  });

  it('says what is to be known of the charger: no end of its own, a trickle, a starter battery', () => {
    const lineOn = (change: Partial<Charger>, pack = 'shale') => {
      const shelf = kitShelf.map((gear) =>
        gear.id === 'mains' ? ({ ...gear, profiles: undefined, ...change } as Charger) : gear,
      );
      const loadout = kitTrip().loadout.map((item) =>
        item.gear === 'shale' ? { ...item, gear: pack } : item,
      );
      return {
        ...chargeUp(
          kitTrip({ loadout, rehearsal: { charging: [{ gear: pack, soc: 0.2 }] } }),
          shelf,
          6,
          now,
        ).lines.find(({ id }) => id === pack)!,
      };
    };
    const noteOn = (change: Partial<Charger>, pack?: string) => lineOn(change, pack).note;
    expect(noteOn({})).toContain('keep it near half');
    expect(noteOn({ law: 'cc' }, 'cobble')).toMatch(
      /no end of its own: take the battery off after \d+ h \d\d/,
    );
    expect(noteOn({ law: 'trickle' }, 'cobble')).toContain('may stay connected');
    // Neither is ever offered for lithium, which it would overcharge.
    for (const law of ['cc', 'trickle'] as const) {
      expect(lineOn({ law }).sources.map(({ id }) => id)).toEqual([SUN, NONE]);
      expect(noteOn({ law })).toMatch(/lithium is overcharged by it and may burn\. Take a charger for /);
    }
    // 5 A at 14.4 V are 72 W; through 0.88 at 12.3 V 6.65 A, of which 12 Ah are 1 h 48.
    expect(noteOn({ from: 'vehicle' })).toBe(
      'It takes 6.65 A from the vehicle: with the engine off no longer than 1 h 48, or it may not start.',
    );
    expect(noteOn({ from: 'vehicle', isolated: true })).toContain('keep it near half');
  });

  it('offers a charger that gives more than the battery takes last, and says so', () => {
    const large: Gear = { ...mains, id: 'large', name: 'Large', maxA: { value: 40, source: 'datasheet' } };
    const shelf = [large, ...kitShelf];
    const lineOf = (trip: Trip) => chargeUp(trip, shelf, 6, now).lines.find(({ id }) => id === 'shale')!;
    expect(lineOf(kitTrip()).source).toBe('mains');
    expect(lineOf(kitTrip()).sources.map(({ id }) => id)).toEqual(['mains', 'large', SUN, NONE]);
    expect(lineOf(withCharging(kitTrip(), 'shale', { from: 'large' })).note).toMatch(
      /^Large gives 40\.0 A and Shale takes [\d.]+ A at the most: set it lower, or take a smaller charger\.$/,
    );
  });

  it('offers no charger that does not know the chemistry', () => {
    const lead = kitTrip({
      loadout: [
        { gear: 'curlew', count: 1 },
        { gear: 'cobble', count: 1 },
      ],
    });
    const [line] = up(lead).lines;
    expect(line.sources.map(({ id }) => id)).toEqual([SUN, NONE]);
    expect(line.soc).toBe(1);
  });

  it('charges several on one charger in turn, and a radio on its own plug beside it', () => {
    const two = kitTrip({
      loadout: [
        { gear: 'dunlin', count: 1 },
        { gear: 'shale', count: 2 },
      ],
    });
    const { lines } = up(two);
    expect(lines.find(({ id }) => id === 'shale')!.hours).toBeCloseTo(2 * shaleLine(kitTrip()).hours!, 9);
    const radio = lines.find(({ id }) => id === 'dunlin')!;
    expect([radio.source, radio.endMs]).toEqual([OWN, start]);
    // Half of 22 Wh at 10 W and the loss of USB.
    expect(radio.hours).toBeCloseTo(11 / 10 / 0.88, 1);
  });

  it('says what should have begun, and a departure that is over or after the start', () => {
    const at = (departureMs: number, nowMs: number) =>
      chargeUp(
        kitTrip({ rehearsal: { departure: new Date(departureMs).toISOString() } }),
        kitShelf,
        6,
        nowMs,
      );
    expect(at(start, start - HOUR_MS / 2).late).toEqual(['Shale']);
    expect(at(start, now).late).toEqual([]);
    expect(at(start - HOUR_MS, start).problem).toContain('in the past');
    expect(at(start + HOUR_MS, now).problem).toContain('after the outing begins');
    expect(at(start, now).problem).toBeNull();
  });
});
