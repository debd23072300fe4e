import type { ControllerGear } from '../documents/charging-gear.js';
import type { Battery, Gear } from '../documents/gear.js';
import type { Measure } from '../documents/requirements.js';
import { keepVariant } from '../documents/variants.js';
import { curlew, shale, trip } from '../testing/outing.js';
import { heldAgainst } from './held-against.js';
import { kitsOf, wishedKits } from './kits.js';
import { MEASURE_RULES } from './measures.js';

const battery: Battery = {
  ...shale,
  weightG: { value: 1200, source: 'measured' },
  price: { value: 90, source: 'datasheet' },
  protects: true,
};
const rill: ControllerGear = {
  ...{ schema: 'knapsack.gear', version: 8, id: 'rill', kind: 'controller', name: 'Rill', type: 'mppt' },
  maxA: { value: 8, source: 'datasheet' },
  noise: [
    { band: '20 m', unit: 'S', off: 1, on: 4 },
    { band: '40 m', unit: 'S', off: 1, on: 1 },
  ],
};
const shelf: readonly Gear[] = [curlew, battery, rill];
const held = (measure: Measure, target: number, of = trip(), gear = shelf, band?: string) =>
  heldAgainst({ id: 'r', measure, target, ...(band && { band }) }, kitsOf(of)[0], gear);

describe('a kit held against requirements', () => {
  it('is weighed, and told by how much it misses', () => {
    // A radio of 700 g and two batteries of 1.2 kg.
    expect(held('carriedG', 3200)).toEqual({ value: 3100, isMet: true, words: '3.10 kg' });
    expect(held('carriedG', 3000)).toEqual(
      jasmine.objectContaining({ isMet: false, words: '3.10 kg, missed by 0.10 kg' }),
    );
    expect(held('carriedG', 3000, trip(), [curlew, shale])).toEqual(
      jasmine.objectContaining({ isMet: null, words: 'not known' }),
    );
  });

  it('has usable charge, energy by weight and money by energy of all its batteries', () => {
    // Twice 10 Ah less a tenth.
    expect(held('usableAh', 17).value).toBeCloseTo(18, 0);
    const warm = trip({ temperatureC: 25 });
    const wh = held('whPerKg', 90, warm).value!;
    expect(wh).toBeCloseTo((18 * 12.8) / 2.4, 0);
    expect(held('costPerWh', 1, warm).value).toBeCloseTo(180 / (18 * 12.8), 2);
    expect(
      held('costPerWh', 1, trip(), [curlew, { ...battery, price: undefined } as unknown as Gear]).isMet,
    ).toBeNull();
  });

  it('lasts so long without sun, and in so many of a hundred', () => {
    // Under 0.3 A of its mean over twelve hours, 18 Ah.
    const hours = held('hoursWithoutSun', 24).value!;
    expect(hours).toBeGreaterThan(60);
    expect(held('chance', 0.9)).toEqual(
      jasmine.objectContaining({ value: 1, isMet: true, words: '100 of 100' }),
    );
    const short = held('hoursWithoutSun', 24, trip({ startSoc: 0.15 }));
    expect(short.value).toBeLessThan(12);
    expect(short.isMet).toBeFalse();
  });

  it('still works some hours though any one piece fails, and is available where it is left alone', () => {
    // One of two batteries may fail; the only radio may not.
    expect(held('hoursAfterFailure', 1).value).toBe(0);
    const twice = trip({ loadout: [...trip().loadout, { gear: 'spare', count: 1 }] });
    const spare: Gear = { ...curlew, id: 'spare', name: 'Spare' };
    expect(held('hoursAfterFailure', 1, twice, [...shelf, spare]).value).toBeCloseTo(5, 9);
    expect(held('availability', 0.9)).toEqual(jasmine.objectContaining({ value: null, isMet: null }));
    const alone = held('availability', 0.9, trip({ unattended: true, restart: true }));
    expect([alone.isMet, alone.words]).toEqual([true, '100 % of the time']);
  });

  it('has a controller that was listened to, on the band that is meant', () => {
    const of = trip({ loadout: [...trip().loadout, { gear: 'rill', count: 1 }] });
    expect(held('noise', 1, of, shelf, '40 m').isMet).toBeTrue();
    expect(held('noise', 1, of, shelf, '20 m').words).toBe('3 S-units, missed by 2 S-units');
    expect(held('noise', 1, of, shelf, '10 m').isMet).toBeNull();
    // Where nothing switches nothing hisses.
    expect(held('noise', 1)).toEqual({ value: 0, isMet: true, words: '0 S-units' });
    const deaf = [curlew, battery, { ...rill, noise: [] }];
    expect(held('noise', 1, of, deaf).isMet).toBeNull();
  });

  it('has as many sockets as are entered, and keeps dry what rain would ruin', () => {
    expect(held('sockets', 2).isMet).toBeNull();
    const socketed = [curlew, { ...battery, sockets: 2 }];
    // Two of that battery.
    expect(held('sockets', 4, trip(), socketed)).toEqual({ value: 4, isMet: true, words: '4' });
    expect(held('keepsDry', 1).isMet).toBeNull();
    const dry: readonly Gear[] = [
      { ...curlew, proof: 'rain' },
      { ...battery, proof: 'dunking' },
    ];
    expect(held('keepsDry', 1, trip(), dry).words).toBe('yes');
    const wet: readonly Gear[] = [{ ...curlew, proof: 'splash' }, dry[1]];
    expect(held('keepsDry', 1, trip(), wet).words).toBe('no');
  });

  it('has something that disconnects, where that is known', () => {
    expect(held('disconnect', 1)).toEqual({ value: 1, isMet: true, words: 'yes' });
    expect(held('disconnect', 1, trip(), [curlew, { ...battery, protects: false }]).words).toBe('no');
    expect(held('disconnect', 1, trip(), [curlew, shale]).isMet).toBeNull();
    // One in the harness before the radio does it too, whatever the battery does.
    const parts = [
      { id: 'd', kind: 'disconnect' as const, from: 'shale', disconnectV: 11.5, reconnectV: 13.3 },
    ];
    const behind = trip({
      loadout: [trip().loadout[0], { gear: 'shale', count: 1 }],
      harness: { parts, runs: [{ to: 'curlew', from: 'd' }] },
    });
    expect(held('disconnect', 1, behind, [curlew, { ...battery, protects: false }]).words).toBe('yes');
  });

  it('is also the kit in hand with a wished piece in the place of what it would replace', () => {
    const wish: Gear = { ...battery, id: 'cobble', name: 'Cobble', wished: true };
    const others: readonly Gear[] = [{ ...curlew, id: 'put-away', wished: true, archived: true }, rill];
    const [kit, ...more] = wishedKits(trip(), [...shelf, wish, ...others]);
    expect(more).toEqual([]);
    expect(kit.name).toBe('with Cobble');
    expect(kit.trip.loadout).toEqual([trip().loadout[0], { gear: 'cobble', count: 1 }]);
    // Its bag stays, by its place on the shelf.
    const first: Gear = { ...wish, id: 'first', name: 'Zeal', place: 1 };
    const bagged = trip({
      loadout: [trip().loadout[0], { gear: shale.id, count: 1, bag: 'b', inSeries: 1 }],
    });
    expect(wishedKits(bagged, [...shelf, wish, first]).map((one) => one.trip.loadout[1])).toEqual([
      { gear: 'first', count: 1, bag: 'b' },
      { gear: 'cobble', count: 1, bag: 'b' },
    ]);
    // What is in the bag already, or would replace nothing, is no kit of its own.
    expect(wishedKits(kit.trip, [...shelf, wish])).toEqual([]);
    expect(wishedKits(trip(), [...shelf, { ...rill, id: 'weir', wished: true }])).toEqual([]);
  });

  it('is each variant of a trip, and not known where its gear is not', () => {
    const two = keepVariant(trip({ variantName: 'light' }), 'v', 'heavy');
    expect(kitsOf(two).map(({ name }) => name)).toEqual(['light', 'heavy']);
    for (const measure of Object.keys(MEASURE_RULES) as Measure[])
      expect(held(measure, 1, trip(), []).isMet)
        .withContext(measure)
        .toBeNull();
  });
});
