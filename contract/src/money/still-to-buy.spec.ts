import type { Gear } from '../documents/gear.js';
import { curlew, shale } from '../testing/outing.js';
import { priceToBuy } from './still-to-buy.js';

const priced = (gear: Gear, value: number): Gear => ({ ...gear, price: { value, source: 'datasheet' } });

describe('what is still to buy', () => {
  it('counts each piece of the wish list, and nothing that is owned', () => {
    const wished: Gear = { ...priced(shale, 120), wished: true };
    expect(
      priceToBuy([
        { gear: wished, count: 2 },
        { gear: priced(curlew, 900), count: 1 },
      ]),
    ).toEqual({ price: 240, unpriced: [] });
  });

  it('names what has no price', () => {
    expect(priceToBuy([{ gear: { ...curlew, wished: true }, count: 1 }])).toEqual({
      price: 0,
      unpriced: [curlew.name],
    });
  });
});
