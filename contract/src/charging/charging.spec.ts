import { forecast } from '@knapsack/core';
import type { Charger, Generator } from '../documents/charging-gear.js';
import type { Gear } from '../documents/gear.js';
import type { ChargingHours, Trip } from '../documents/trip.js';
import { harnessReport } from '../harness/harness-report.js';
import { failures } from '../what-if/failures.js';
import { lookUp } from '../resolve/look-up.js';
import { resolve } from '../resolve/resolve.js';
import { kitShelf, kitTrip, mains } from '../testing/kit.js';
import { chargingOf } from './charging-of.js';
import { fuelFor, sayCharging } from './say-charging.js';

const sheet = (value: number) => ({ value, source: 'datasheet' as const });
const drone: Generator = {
  ...{ schema: 'knapsack.gear', version: 8, id: 'drone', kind: 'generator', name: 'Drone 900' },
  ratedW: sheet(900),
  fuelLh: sheet(0.6),
  noiseDb: sheet(57),
};
const { start } = kitTrip();
const at = (hour: number) => new Date(Date.parse(start) + hour * 3_600_000).toISOString();
const hours: ChargingHours['hours'] = [{ start: at(1), end: at(2) }];
const trip = (charging: ChargingHours | undefined, change: Partial<Trip> = {}): Trip =>
  kitTrip({
    startSoc: 0.4,
    loadout: [
      ...['curlew', 'shale', 'short-lead', 'wire', 'drone'].map((gear) => ({ gear, count: 1 })),
      { gear: 'mains', count: 1, ...(charging && { charging }) },
    ],
    ...change,
  });
const shelfWith = (charger: Partial<Charger> = {}, generator: Partial<Generator> = {}): readonly Gear[] => [
  ...kitShelf.filter(({ id }) => id !== 'mains'),
  { ...mains, ...charger },
  { ...drone, ...generator },
];
const runOf = (of: Trip, shelf = shelfWith()) => {
  const plan = resolve(of, shelf);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  return forecast(plan.value);
};
const charging = (of: Trip, shelf = shelfWith()) =>
  chargingOf(lookUp(of, shelf).carried, { startMs: Date.parse(of.start), endMs: Date.parse(of.end) });
const rules = (of: Trip, shelf = shelfWith()) =>
  harnessReport(of, shelf).checks.map(({ rule, severity }) => `${severity} ${rule}`);

describe('a charger in the bag', () => {
  it('brings charge in its hours, and nothing where it is given none', () => {
    // 5 A for an hour, of which the load takes its part.
    expect(runOf(trip({ hours })).verdict.fedAh).toBeCloseTo(5, 6);
    expect(runOf(trip(undefined)).verdict.fedAh).toBe(0);
    expect(runOf(trip({ hours })).verdict.endSoc).toBeGreaterThan(
      runOf(trip(undefined)).verdict.endSoc + 0.2,
    );
    const twice = trip({ hours });
    const loadout = twice.loadout.map((item) => (item.gear === 'mains' ? { ...item, count: 2 } : item));
    // Two of them give more than the battery takes.
    expect(runOf({ ...twice, loadout }).verdict.fedAh).toBeGreaterThan(5.2);
    expect(runOf({ ...twice, loadout }).verdict.fedAh).toBeLessThan(10);
  });

  it('charges in the outing alone', () => {
    const around = [{ start: at(-3), end: at(0.5) }];
    expect(charging(trip({ hours: around }))[0].hours).toBeCloseTo(0.5, 9);
    expect(charging(trip({ hours: [{ start: at(-3), end: at(-1) }] }))).toEqual([]);
  });

  it('hangs on a generator that is there, or charges nothing', () => {
    const [one] = charging(trip({ hours, generator: 'drone' }));
    // 5 A at 14.2 to 14.6 V through 0.85.
    expect(one.mainsW! / 5).toBeCloseTo(14.4 / 0.85, 0);
    expect(one.generator?.name).toBe('Drone 900');
    expect(charging(trip({ hours, generator: 'nobody' }))).toEqual([]);
    const plan = resolve(trip({ hours, generator: 'nobody' }), shelfWith());
    expect(plan.ok && plan.value.remarks).toContain(
      'mains charger hangs on a generator that is not in the bag: it charges nothing. Put the generator in.',
    );
    expect(runOf(trip({ hours, generator: 'nobody' })).verdict.fedAh).toBe(0);
  });

  it('is told as stranded only where its generator is missing', () => {
    const remarks = (charging: ChargingHours) => {
      const plan = resolve(trip(charging), shelfWith());
      return plan.ok ? plan.value.remarks!.filter((words) => words.includes('hangs on a generator')) : [];
    };
    expect(remarks({ hours, generator: 'drone' })).toEqual([]);
    expect(remarks({ hours })).toEqual([]);
    expect(remarks({ hours, generator: 'nobody' }).length).toBe(1);
  });

  it('is a charger: hours on anything else charge nothing', () => {
    const other = trip(undefined);
    const loadout = other.loadout.map((item) =>
      item.gear === 'wire' ? { ...item, charging: { hours, generator: 'nobody' } } : item,
    );
    expect(charging({ ...other, loadout })).toEqual([]);
    const plan = resolve({ ...other, loadout }, shelfWith());
    expect(plan.ok && plan.value.remarks!.some((words) => words.includes('hangs on'))).toBeFalse();
  });

  it('charges at the usual volts where no battery is in the bag', () => {
    const bare = trip({ hours });
    const loadout = bare.loadout.filter(({ gear }) => gear !== 'shale');
    expect(charging({ ...bare, loadout })[0].mainsW).toBeCloseTo((5 * 14.4) / 0.85, 9);
  });

  it('is told with what it burns and how far that is heard', () => {
    const found = charging(trip({ hours, generator: 'drone' }));
    // 84 of 900 W: 0.6 × (0.3 + 0.7 × 0.094) = 0.22 l.
    expect(fuelFor(found[0])).toBeCloseTo(0.22, 2);
    expect(sayCharging(found)).toEqual([
      jasmine.stringMatching(
        /^mains charger gives 5\.00 A for 1 h 00 on Drone 900, of whose 900 W it takes 8\d\.\d W: it burns up to 0\.2 l \(0\.1\d kg\) of fuel\. No louder than a night wants it at 28 m\.$/,
      ),
    ]);
    expect(sayCharging(charging(trip({ hours })))).toEqual(['mains charger gives 5.00 A for 1 h 00.']);
    const { fuelLh: _fuel, ...thirst } = drone;
    const unknown = charging(trip({ hours, generator: 'drone' }), [...kitShelf, thirst]);
    expect(sayCharging(unknown)[0]).toContain('the fuel it burns is not entered');
  });

  it('is held against the battery, the vehicle, the generator and the night', () => {
    expect(rules(trip({ hours }))).not.toContain('stop noEnd');
    expect(rules(trip({ hours }), shelfWith({ law: 'cc' }))).toContain('stop noEnd');
    expect(rules(trip(undefined), shelfWith({ law: 'cc' }))).not.toContain('stop noEnd');
    const long = [{ start: at(0), end: at(4) }];
    const vehicle = (isolated: boolean) => shelfWith({ from: 'vehicle', isolated });
    expect(rules(trip({ hours: long }), vehicle(false))).toContain('look starter');
    expect(rules(trip({ hours: long }), vehicle(true))).not.toContain('look starter');
    expect(rules(trip({ hours, generator: 'drone' }), shelfWith({}, { ratedW: sheet(60) }))).toContain(
      'stop generator',
    );
    expect(rules(trip({ hours, generator: 'drone' }))).not.toContain('look quiet');
    // The same hours where it is night.
    const night = { ...trip({ hours, generator: 'drone' }).place, timeZone: 'Pacific/Auckland' };
    expect(rules(trip({ hours, generator: 'drone' }, { place: night }))).toContain('look quiet');
  });

  it('is one of the pieces that may fail, and so is its generator', () => {
    const names = (of: Trip) => failures(of, shelfWith()).map(({ name }) => name);
    expect(names(trip(undefined))).not.toContain('mains charger');
    expect(names(trip({ hours, generator: 'drone' }))).toEqual(
      jasmine.arrayContaining(['mains charger', 'Drone 900']),
    );
  });

  it('is refused with hours that end before they start', () => {
    const backward = resolve(trip({ hours: [{ start: at(2), end: at(1) }] }), shelfWith());
    expect(backward.ok ? '' : backward.problems[0].pointer).toBe('/loadout/5/charging/hours/0');
  });
});
