import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { packingOf } from '../packing/packing-of.js';
import { curlew, shale, trip } from '../testing/outing.js';
import { frond, rainyOuting, rated, sheet } from '../testing/rainy-outing.js';
import { keptDry, sayWetPack, wetPack } from './wet-pack.js';

const lines = (of: Trip, shelf = rated) => {
  const list = packingOf(of, shelf);
  return sayWetPack(wetPack(of, shelf, list), list.limitG, 'UTC');
};
const said = (of: Trip, shelf = rated) => lines(of, shelf).map(({ sentence }) => sentence);
/** The shelf with the panel otherwise. */
const withPanel = (change: object): readonly Gear[] =>
  rated.map((gear) => (gear.id === 'frond' ? ({ ...gear, ...change } as Gear) : gear));
const along = (...gear: readonly string[]) => [
  ...trip().loadout,
  ...gear.map((id) => ({ gear: id, count: 1 })),
];
const names = (pieces: readonly { readonly name: string }[]) => pieces.map(({ name }) => name);

describe('the bag in the rain', () => {
  it('weighs more on the way home, by what cloth has soaked up and not dried', () => {
    // The last hour rains: all of the water is in it. 12 % of 2 kg, as assumed.
    const soaked = wetPack(rainyOuting([11]), rated);
    expect(soaked.waterG).toBeCloseTo(240, 9);
    expect(soaked.homeG).toBeCloseTo(packingOf(rainyOuting([11]), rated).grams + 240, 9);
    // Three of its six hours to dry have passed.
    expect(wetPack(rainyOuting([8]), rated).waterG).toBeCloseTo(120, 9);
    expect(wetPack(rainyOuting([2]), rated).waterG).toBe(0);
    const weighed = withPanel({ wetG: sheet(2500), dryH: sheet(12) });
    expect(wetPack(rainyOuting([8]), weighed).waterG).toBeCloseTo(500 * (1 - 3 / 12), 9);
    // Film is shaken off.
    expect(wetPack(rainyOuting([11]), withPanel({ folds: 'rolled' })).waterG).toBeCloseTo(20, 9);
  });

  it('tells of each thing in the open what it holds, until when, and what is assumed', () => {
    const only = (shelf: readonly Gear[], count = 1) => {
      const of = rainyOuting([8], { loadout: [...trip().loadout, { gear: 'frond', count }] });
      const { wet } = wetPack(of, shelf);
      expect(names(wet.map(({ piece }) => piece))).toEqual([wet[0].piece.name]);
      return wet[0];
    };
    const end = Date.parse(trip().start) + 9 * 3_600_000;
    expect(only(rated)).toEqual(
      jasmine.objectContaining({
        soakedG: 2240,
        dryH: 6,
        water: 0.5,
        assumed: true,
        dryMs: end + 6 * 3_600_000,
      }),
    );
    expect(only(rated, 2).soakedG).toBe(4480);
    const weighed = only(withPanel({ wetG: sheet(2500), dryH: sheet(12) }), 2);
    expect([weighed.soakedG, weighed.dryH, weighed.assumed]).toEqual([5000, 12, false]);
    // A panel of which nobody says how it packs is of cloth; one of glass is wiped.
    const { folds: _folded, ...plain } = frond;
    expect(only([...rated.slice(0, 2), plain]).dryH).toBe(6);
    const glass = only(withPanel({ folds: 'rigid' }));
    expect([glass.soakedG, glass.water, glass.assumed, glass.dryMs]).toEqual([2000, 0, false, null]);
    // What nobody has weighed, dry or wet, adds nothing that is known.
    const { weightG: _weight, ...light } = frond;
    const of = rainyOuting([11]);
    expect(wetPack(of, [...rated.slice(0, 2), light]).waterG).toBe(0);
    expect(wetPack(of, [...rated.slice(0, 2), light]).wet[0].soakedG).toBeNull();
  });

  it('has in the open panels, antennas, and whatever has a weight when wet', () => {
    const whip: Gear = { ...frond, id: 'whip', kind: 'antenna', name: 'Whip' } as unknown as Gear;
    const tarp = {
      ...frond,
      ...{ id: 'tarp', kind: 'other', name: 'Tarp', wetG: sheet(900) },
    } as unknown as Gear;
    const chair = { ...tarp, id: 'chair', name: 'Chair' } as Gear;
    const { wetG: _none, ...dry } = chair as Gear & { wetG: unknown };
    const of = rainyOuting([3], { loadout: along('tarp', 'chair', 'whip', 'frond') });
    const { wet } = wetPack(of, [...rated, whip, tarp, dry as Gear]);
    expect(names(wet.map(({ piece }) => piece))).toEqual(['Tarp', 'Whip', 'Frond']);
  });

  it('is over the limit when it is, wet', () => {
    const { grams } = packingOf(rainyOuting([11]), rated);
    const [over] = lines(rainyOuting([11], { carryLimitG: grams + 100 }));
    expect(over.sign).toBe('look');
    expect(over.sentence).toMatch(
      /^On the way home it weighs [\d.]+ kg with 0\.24 kg of water in it: 0\.14 kg over the [\d.]+ kg that are carried\.$/,
    );
    expect(wetPack(rainyOuting([11], { carryLimitG: grams + 240 }), rated).overG).toBe(0);
    const [within] = lines(rainyOuting([11], { carryLimitG: grams + 300 }));
    expect(within).toEqual({
      sign: 'note',
      sentence: jasmine.stringMatching(
        /^On the way home it weighs [\d.]+ kg with 0\.24 kg of water in it\.$/,
      ),
    });
    // Dry again, it is no heavier than before: nothing is said of it.
    expect(said(rainyOuting([2])).join()).not.toContain('On the way home');
  });

  it('says what rain gets at, until it lies in a bag that keeps rain out', () => {
    expect(said(rainyOuting([3])).join()).toContain(
      'Rain gets at Curlew: put it into a bag that keeps rain out.',
    );
    const packed = (proof: 'splash' | 'rain') =>
      rainyOuting([3], {
        packing: { bags: [{ id: 'dry', name: 'dry bag', proof }] },
        loadout: rainyOuting([3]).loadout.map((item) => ({ ...item, bag: 'dry' })),
      });
    expect(said(packed('splash')).join()).toContain('Rain gets at');
    expect(said(packed('rain')).join()).not.toContain('Rain gets at');
    // Another bag keeps nothing out for what lies beside it.
    const beside = { ...packed('rain'), loadout: rainyOuting([3]).loadout };
    expect(said(beside).join()).toContain('Rain gets at');
    // The panel stands outside and is no question; of what is not entered only that is said.
    const [, ...others] = rated;
    const [, unknown] = lines(rainyOuting([11]), [curlew, ...others]);
    expect(unknown).toEqual({
      sign: 'note',
      sentence: 'What Curlew is proof against is not entered, and no bag around it keeps rain out.',
    });
    const two = said(rainyOuting([11]), [curlew, shale, frond]).join();
    expect(two).toContain(
      'What Curlew, 2 × Shale are proof against is not entered, and no bag around them keeps rain out.',
    );
    const both = said(
      rainyOuting([11]),
      [curlew, shale, frond].map((gear) => (gear === frond ? gear : { ...gear, proof: 'none' as const })),
    ).join();
    expect(both).toContain('Rain gets at Curlew, 2 × Shale: put them into a bag that keeps rain out.');
  });

  it('asks it of everything that water ruins, and of nothing else', () => {
    const of = (kind: Gear['kind']) =>
      ({ ...frond, id: kind, kind, name: kind, proof: 'splash' }) as unknown as Gear;
    const tender = [
      'radio',
      'battery',
      'station',
      'amplifier',
      'accessory',
      'controller',
      'charger',
    ] as const;
    const hardy = ['panel', 'antenna', 'lead', 'generator', 'other'] as const;
    const loadout = [...tender, ...hardy].map((gear) => ({ gear, count: 1 }));
    const list = packingOf(trip({ loadout }), [...tender, ...hardy].map(of));
    expect(names(keptDry(list).exposed)).toEqual([...tender]);
    expect(keptDry(list).unknown).toEqual([]);
  });

  it('says what is packed wet, and until when it is spread out', () => {
    expect(said(rainyOuting([11]))).toContain(
      'Frond is packed wet: apart from what is dry, and spread out until Sun 00:00 (how it dries is assumed).',
    );
    expect(said(rainyOuting([11]), withPanel({ wetG: sheet(2500) }))).toContain(
      'Frond is packed wet: apart from what is dry, and spread out until Sun 00:00.',
    );
    expect(said(rainyOuting([11]), withPanel({ wetG: sheet(2500), dryH: sheet(0) }))).toContain(
      'Frond is packed wet: apart from what is dry, and spread out until it is dry.',
    );
    expect(said(rainyOuting([2])).join()).not.toContain('packed wet');
  });

  it('says nothing where it does not rain', () => {
    expect(said(rainyOuting([]))).toEqual([]);
    expect(said(rainyOuting([], { carryLimitG: 100 }))).toEqual([]);
    // Nor of what is dry again and kept dry.
    const kept = rated.map((gear) => ({ ...gear, proof: 'rain' as const }));
    expect(said(rainyOuting([2]), kept)).toEqual([]);
    const { exposed, unknown } = wetPack(rainyOuting([]), rated);
    expect([...exposed, ...unknown]).toEqual([]);
  });
});
