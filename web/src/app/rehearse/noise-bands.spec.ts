import type { ControllerGear } from '@knapsack/contract';
import { BANDS, withNoise } from './noise-bands';

const rill = { id: 'rill', kind: 'controller', name: 'Rill' } as ControllerGear;

describe('the noise of a controller', () => {
  it('is kept by band, in the bands’ order, once both readings are there', () => {
    const day = '2027-09-01';
    const upper = withNoise(rill, '10 m', 'S', { off: 1, on: 4 }, day);
    const both = withNoise(upper, '40 m', 'S', { off: 3, on: 3 }, day);
    expect(both.noise!.map(({ band, on }) => [band, on])).toEqual([
      ['40 m', 3],
      ['10 m', 4],
    ]);
    expect(withNoise(both, '40 m', 'S', { off: 3 }, day).noise!.map(({ band }) => band)).toEqual(['10 m']);
  });

  it('has every band once', () => {
    expect(new Set(BANDS).size).toBe(BANDS.length);
  });
});
