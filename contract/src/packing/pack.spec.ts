import type { Trip } from '../documents/trip.js';
import { readTrip } from '../schemas/read.js';
import { kitShelf, kitTrip } from '../testing/kit.js';
import { batteryTrade } from './battery-trade.js';
import { packingOf, shareAmong } from './packing-of.js';
import { spareFuses, sparesOf } from './spares.js';
import { whatFor } from './what-for.js';

const list = (change: Partial<Trip> = {}) => packingOf(kitTrip(change), kitShelf);

describe('a packing list', () => {
  it('weighs what is known and says what is not', () => {
    // 720 + 1200 + 1260 + 190 + 130 + 900 g; nobody has weighed the relay.
    expect(list().grams).toBe(4400);
    expect(list().unweighed).toBe(1);
    // The radio's 0.6 l and the panel's 1.9 l.
    expect(list().litres).toBeCloseTo(2.5, 9);
    expect(list().unmeasured).toBe(5);
  });

  it('takes the usual limit of the way in for each, until one is typed', () => {
    expect(list().limitG).toBe(10_000);
    expect(list({ packing: { wayIn: 'bicycle', operators: 2 } }).limitG).toBe(30_000);
    expect(list({ carryLimitG: 4000 })).toEqual(
      jasmine.objectContaining({ limitG: 4000, limitTyped: true, overG: 400 }),
    );
  });

  it('lays everything in no bag until it is put in one, also where its bag is gone', () => {
    expect(list().loose.length).toBe(7);
    const loadout = kitTrip().loadout.map((item) => ({ ...item, bag: 'a bag that is gone' }));
    expect(list({ loadout }).loose.length).toBe(7);
  });

  it('tells a bag that is too heavy or too full', () => {
    const bag = { id: 'day', name: 'day bag', limitG: 1000, litres: 1 };
    const loadout = kitTrip().loadout.map((item) => (item.gear === 'frond' ? { ...item, bag: 'day' } : item));
    const [day] = list({ loadout, packing: { bags: [bag] } }).overfull;
    expect(day.overG).toBe(260);
    expect(day.overL).toBeCloseTo(0.9, 9);
  });

  it('sums up by module', () => {
    const loadout = kitTrip().loadout.map((item) =>
      item.gear === 'wire' ? { ...item, module: 'night' as const } : item,
    );
    const { modules, lines } = list({ loadout });
    expect(modules.map(({ name, grams }) => [name, grams])).toEqual([
      ['base', 3500],
      ['night', 900],
    ]);
    expect(lines).toBe(7);
  });

  it('gives the bag of one who stays at home to the last one there', () => {
    const bags = [{ id: 'far', name: 'far', operator: 3 }];
    const loadout = kitTrip().loadout.map((item) => ({ ...item, bag: 'far' }));
    expect(list({ loadout, packing: { bags, operators: 2 } }).carriers.map(({ grams }) => grams)).toEqual([
      0, 4400,
    ]);
  });

  it('is shared evenly among who carries, as a valid trip', () => {
    const shared = shareAmong(kitTrip({ packing: { operators: 2 } }), kitShelf);
    expect(readTrip(shared).ok).toBe(true);
    const { carriers, loose } = packingOf(shared, kitShelf);
    expect(loose).toEqual([]);
    expect(carriers.map(({ grams }) => grams)).toEqual([2170, 2230]);
  });
});

describe('by "one is none"', () => {
  it('a light thing is carried twice, a heavy one is known how to do without', () => {
    expect(sparesOf(kitTrip(), kitShelf).map(({ name, light }) => [name, light])).toEqual([
      ['Curlew', false],
      ['Shale', false],
      ['short lead', true],
      ['wire', false],
    ]);
  });

  it('what there are two of is not named', () => {
    const loadout = kitTrip().loadout.map((item) =>
      item.gear === 'short-lead' ? { ...item, count: 2 } : item,
    );
    expect(sparesOf(kitTrip({ loadout }), kitShelf).map(({ name }) => name)).not.toContain('short lead');
  });

  it('each fuse of the harness has a spare', () => {
    expect(
      spareFuses(
        kitTrip({
          harness: {
            runs: [
              { to: 'relay', fuseA: 3 },
              { to: 'rill', fuseA: 10 },
            ],
          },
        }),
        kitShelf,
      ),
    ).toEqual([3, 10]);
  });
});

describe('the trade of batteries', () => {
  it('puts the most energy a kilogram first, at the outing’s temperature', () => {
    const rows = batteryTrade(kitTrip({ temperatureC: 25 }), kitShelf);
    // 10 Ah x 0.9 x 12.8 V on 1.2 kg = 96 Wh/kg; lead 10 Ah x 0.5 x 12 V on 5.6 kg = 10.7.
    expect(rows.map(({ id, whPerKg }) => [id, Math.round(whPerKg!)])).toEqual([
      ['shale', 96],
      ['cobble', 11],
    ]);
    expect(batteryTrade(kitTrip({ temperatureC: -10 }), kitShelf)[0].usableWh).toBeLessThan(rows[0].usableWh);
  });
});

describe('what a piece is for', () => {
  it('is said of every kind', () => {
    for (const gear of kitShelf) expect(whatFor(gear)).toMatch(/^[A-Z].*\.$/);
  });
});

describe('several of a kind', () => {
  const two = kitTrip().loadout.map((item) =>
    item.gear === 'frond' ? { ...item, count: 2, bag: 'day' } : item,
  );
  const inBag = (bag: object) =>
    list({ loadout: two, packing: { bags: [{ id: 'day', name: 'day bag', ...bag }] } });

  it('take the room and weigh what each does', () => {
    // The radio's 0.6 l and twice the panel's 1.9 l; 1,260 g more than with one.
    expect(list({ loadout: two }).litres).toBeCloseTo(4.4, 9);
    expect(list({ loadout: two }).grams).toBe(5660);
  });

  it('overfill a bag by weight alone, by room alone, and not where they just go in', () => {
    expect(inBag({ limitG: 2519, litres: 3.8 }).overfull).toHaveSize(1);
    expect(inBag({ limitG: 2520, litres: 3.7 }).overfull).toHaveSize(1);
    expect(inBag({ limitG: 2520, litres: 3.8 }).overfull).toEqual([]);
  });

  it('are shared among nobody where there is no bag', () => {
    const bare = kitTrip({ loadout: two, packing: { bags: [] } });
    expect(shareAmong(bare, kitShelf).loadout.map(({ gear }) => gear)).toEqual(two.map(({ gear }) => gear));
  });
});
