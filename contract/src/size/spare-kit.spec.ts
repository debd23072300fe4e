import type { Kit, TriedKit } from '@knapsack/core';
import { shale } from '../testing/documents.js';
import { batteryParts } from './shelf-parts.js';
import { spareKit } from './spare-kit.js';

const weighed = (id: string, grams: number) => ({
  ...shale,
  id,
  name: id,
  weightG: { value: grams, source: 'measured' as const },
});
const PARTS = batteryParts([weighed('large', 2000), weighed('small', 900)]);
const at = (gear: string, count: number) =>
  PARTS.findIndex(
    ({ items, use }) => items[0].gear === gear && items[0].count === count && use === 'parallel',
  );
const tried = (gear: string, chance: number, count = 1, sun = 0, sunG = 0): TriedKit => ({
  kit: {
    battery: at(gear, count),
    sun,
    grams: PARTS[at(gear, count)].grams! + sunG,
    price: null,
    litres: null,
    pieces: count,
    effort: 0,
  } satisfies Kit,
  rank: 0,
  chance,
  standardError: 0,
  samples: 400,
  finished: Math.round(400 * chance),
});

describe('a kit that survives the failure of a battery', () => {
  it('is two of the lightest battery that is enough alone, with its sun part carried once', () => {
    const found = spareKit([tried('large', 0.99), tried('small', 0.95, 1, 3, 700)], PARTS, 0.9)!;
    expect(PARTS[found.kit.battery].items).toEqual([{ gear: 'small', count: 2 }]);
    expect(found.kit.sun).toBe(3);
    expect(found.kit.grams).toBe(2 * 900 + 700);
    expect(found.kit.pieces).toBe(2);
    expect(found.kit.price).toBeNull();
    expect(found.alone.chance).toBe(0.95);
  });

  it('is none where a single battery does not reach the target, or only several of it do', () => {
    expect(spareKit([tried('large', 0.89)], PARTS, 0.9)).toBeNull();
    expect(spareKit([tried('small', 0.99, 2)], PARTS, 0.9)).toBeNull();
    expect(spareKit([], PARTS, 0.9)).toBeNull();
  });

  it('is the lighter in all, however the kits come', () => {
    const kits = [tried('small', 0.95, 1, 3, 3000), tried('large', 0.99)];
    for (const order of [kits, [...kits].reverse()])
      expect(spareKit(order, PARTS, 0.9)!.kit.grams).toBe(4000);
  });
});
