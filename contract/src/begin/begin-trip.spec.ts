import { HOUR_MS, usualShare } from '@knapsack/core';
import { tripProblems } from '../documents/trip-rules.js';
import type { Trip } from '../documents/trip.js';
import { assessTrip } from '../resolve/assess-trip.js';
import { readTrip } from '../schemas/index.js';
import { curlew, shale, shelf, trip } from '../testing/outing.js';
import { typicalGear } from '../typical/typical-gear.js';
import { harnessReport } from '../harness/harness-report.js';
import { beginTrip, describeUnmet, type Beginning } from './begin-trip.js';

const TYPICAL = typicalGear('EUR');
const empty: Trip = trip({ blocks: [], loadout: [], place: { name: '', timeZone: 'Europe/Oslo' } });
const SATURDAY = Date.UTC(2027, 8, 4, 8);

const hill: Beginning = {
  name: 'My outing',
  site: { name: 'a hill', timeZone: 'Europe/Oslo' },
  startMs: SATURDAY,
  hours: 6,
  onAirHours: 4,
  activity: 'calling',
  mode: 'SSB',
  powerW: 10,
  share: usualShare('calling', 'SSB'),
  wayIn: 'foot',
  carryLimitG: 10_000,
  temperatureC: 12,
  panelW: 0,
};
const began = (known: Partial<Beginning> = {}, own = [] as Parameters<typeof beginTrip>[1]) =>
  beginTrip({ ...hill, ...known }, own, TYPICAL, empty);
const bagOf = ({ trip: { loadout } }: ReturnType<typeof beginTrip>) => loadout.map(({ gear }) => gear);

describe('a trip begun from a sentence', () => {
  it('is a whole trip on an empty shelf, of typical gear alone, and lasts', () => {
    const begun = began();
    expect(readTrip(begun.trip)).toEqual({ ok: true, value: begun.trip });
    expect(tripProblems(begun.trip)).toEqual([]);
    expect(bagOf(begun)).toEqual([
      'typical-radio-10w',
      jasmine.stringMatching(/^typical-lifepo4-/),
      'typical-cable',
    ]);
    expect(begun.typical.map(({ id }) => id).sort()).toEqual([...bagOf(begun)].sort());
    expect(begun.lasts).toBeTrue();
    expect(assessTrip(begun.trip, begun.typical).found!.chance.chance).toBeGreaterThanOrEqual(0.9);
  });

  it('packs the lightest battery that lasts: the next smaller one does not', () => {
    const begun = began();
    const batteries = TYPICAL.filter((gear) => gear.kind === 'battery' && gear.chemistry === 'lifepo4');
    const taken = batteries.findIndex(({ id }) => id === bagOf(begun)[1]);
    expect(taken).toBeGreaterThan(0);
    const smaller: Trip = {
      ...begun.trip,
      loadout: begun.trip.loadout.with(1, { gear: batteries[taken - 1].id, count: 1 }),
    };
    expect(assessTrip(smaller, TYPICAL).found!.chance.chance).toBeLessThan(0.9);
  });

  it('takes the usual temperature of place and month unless one is typed', () => {
    const north = { name: 'a hill', timeZone: 'Europe/Oslo', latitudeDeg: 47, longitudeDeg: 9 };
    const winter = { site: north, startMs: Date.UTC(2027, 11, 11, 9), temperatureC: null };
    expect(began(winter).trip.temperatureC).toBeLessThan(8);
    expect(began({ ...winter, startMs: Date.UTC(2027, 6, 10, 9) }).trip.temperatureC).toBeGreaterThan(15);
    const pole = { ...winter, site: { ...north, latitudeDeg: 90 } };
    expect(began(pole).trip.temperatureC).toBeLessThan(-8);
    expect(began({ ...winter, temperatureC: 12 }).trip.temperatureC).toBe(12);
    expect(began({ temperatureC: null }).trip.temperatureC).toBe(12);
  });

  it('says by how much a weight limit cannot be met by a kit that lasts', () => {
    expect(began().unmet).toBeNull();
    expect(describeUnmet(began().unmet)).toBeNull();
    const { unmet } = began({ carryLimitG: 1000 });
    expect(unmet!.limitG).toBe(1000);
    expect(unmet!.grams).toBeGreaterThan(1000);
    expect(describeUnmet({ limitG: 4000, grams: 5280 })).toContain('4.00 kg cannot be met');
    expect(describeUnmet({ limitG: 4000, grams: 5280 })).toContain('1.28 kg more');
  });

  it('packs a typical kit for 100 W whose fuse Wire does not warn of', () => {
    const { trip: made, typical } = began({ powerW: 100 });
    const rules = harnessReport(made, typical).checks.map(({ severity, rule }) => `${severity} ${rule}`);
    expect(rules).not.toContain('look carries');
    expect(rules.filter((rule) => rule.startsWith('stop'))).toEqual([]);
  });

  it('runs unattended, by day and night, where it is a relay', () => {
    expect(began({ activity: 'relay', hours: 72, onAirHours: 24 }).trip).toEqual(
      jasmine.objectContaining({ unattended: true }),
    );
    expect(began().trip.unattended).toBeUndefined();
  });

  it('has its work in the middle of the outing, in whole quarters of an hour', () => {
    const [{ start, end, share }] = began().trip.blocks;
    expect([Date.parse(start), Date.parse(end)]).toEqual([SATURDAY + HOUR_MS, SATURDAY + 5 * HOUR_MS]);
    expect(share).toBe(0.5);
    const [odd] = began({ onAirHours: 3.3 }).trip.blocks;
    expect((Date.parse(odd.start) - SATURDAY) / HOUR_MS).toBe(1.25);
  });

  it('works every day of a long outing, and all of it where it is on the air all day', () => {
    const [daily] = began({ hours: 48 }).trip.blocks;
    expect(daily.repeat).toBe('day');
    expect(Date.parse(daily.start)).toBe(SATURDAY + 10 * HOUR_MS);
    const [all] = began({ hours: 48, onAirHours: 24, share: 0.02, activity: 'listening' }).trip.blocks;
    expect(all.repeat).toBeUndefined();
    expect((Date.parse(all.end) - Date.parse(all.start)) / HOUR_MS).toBe(48);
  });

  it('takes one’s own gear first, and typical gear for what is not on the shelf', () => {
    const begun = began({ powerW: 5, onAirHours: 1 }, shelf);
    expect(bagOf(begun)).toEqual([curlew.id, shale.id, 'typical-cable']);
    expect(begun.typical.map(({ id }) => id)).toEqual(['typical-cable']);
    // Its own full power is enough.
    expect(bagOf(began({ powerW: 10 }, shelf))[0]).toBe(curlew.id);
    // Too strong for the own radio: a typical one that gives it.
    expect(bagOf(began({ powerW: 100 }, shelf))[0]).toBe('typical-radio-100w');
    // Neither what was archived nor what is wished for.
    expect(bagOf(began({ powerW: 5 }, [{ ...curlew, archived: true }]))[0]).toBe('typical-radio-5w');
    expect(bagOf(began({ powerW: 5 }, [{ ...curlew, wished: true }]))[0]).toBe('typical-radio-5w');
  });

  it('brings nothing onto the shelf that lies there from the last time', () => {
    const first = began();
    expect(began({}, first.typical).typical).toEqual([]);
    expect(bagOf(began({}, first.typical))).toEqual(bagOf(first));
  });

  it('brings a panel and what charges from it, under the season’s usual sky of the place', () => {
    const begun = began({
      panelW: 40,
      site: { name: 'an islet', latitudeDeg: 59.02, longitudeDeg: 5.31, timeZone: 'Europe/Oslo' },
    });
    expect(bagOf(begun)).toContain('typical-folding-40w');
    expect(bagOf(begun)).toContain('typical-mppt-10a');
    expect(begun.trip.weather?.climate).toBeDefined();
    expect(assessTrip(begun.trip, TYPICAL).missing).toEqual([]);
  });

  it('keeps the hours that were typed where the place lies in another zone', () => {
    const { trip: far } = began({
      site: { name: 'a ridge', latitudeDeg: 40, longitudeDeg: -105, timeZone: 'America/Denver' },
    });
    // 10:00 in Oslo in summer is 8:00 UTC; 10:00 in Denver is 16:00 UTC.
    expect(Date.parse(far.start)).toBe(SATURDAY + 8 * HOUR_MS);
    expect(far.place.timeZone).toBe('America/Denver');
  });

  it('says where no battery lasts, and packs the largest', () => {
    const begun = began({ hours: 24 * 20, onAirHours: 24, powerW: 100, share: 0.5 });
    expect(begun.lasts).toBeFalse();
    expect(bagOf(begun)[1]).toBe('typical-lifepo4-100ah');
    expect(began({ hours: 24 * 400 }).trip.end).toBe(new Date(SATURDAY + 30 * 24 * HOUR_MS).toISOString());
  });
});

describe('the hours of a trip that begins', () => {
  const block = (hours: number, onAirHours: number) => {
    const [one] = began({ hours, onAirHours }).trip.blocks;
    const from = (iso: string) => (Date.parse(iso) - SATURDAY) / HOUR_MS;
    return [from(one.start), from(one.end), one.repeat ?? 'once'];
  };

  it('lie in the middle of the day, every day where there are more, and go through where they are all', () => {
    expect(block(6, 4)).toEqual([1, 5, 'once']);
    expect(block(24, 24)).toEqual([0, 24, 'once']);
    expect(block(48, 4)).toEqual([10, 14, 'day']);
    expect(block(48, 24)).toEqual([0, 48, 'once']);
  });
});
