import { kitSum } from './kit-sum.js';

const kits = {
  batteries: [{ name: '2 × Shale', grams: 2600 }],
  suns: [
    { name: 'no panel', grams: null, pieces: 0 },
    { name: 'Frond on Rill', grams: 900, pieces: 2 },
  ],
};
const tried = (sun: number, grams: number) => ({
  kit: { battery: 0, sun, grams } as never,
  finished: 366,
  samples: 400,
  chance: 0.915,
  standardError: 0.014,
});
const ledger = {
  fedAh: 0,
  givesAh: 32.4,
  sunAh: { low: 3, middle: 8, high: 14 },
  loadAh: { low: 26, middle: 31, high: 38 },
};

describe('why a kit stands where it does', () => {
  it('is its weight, what it gives, what the sun offers, what the load takes, and what came of it', () => {
    const { title, lines } = kitSum(kits, tried(1, 3500), ledger);
    expect(title).toContain('2 × Shale');
    expect(lines).toEqual([
      {
        label: 'Weight',
        terms: ['2 × Shale ', { value: 2600, unit: 'g' }, ' + Frond on Rill ', { value: 900, unit: 'g' }],
        result: { value: 3500, unit: 'g' },
      },
      { label: 'The battery gives, above its reserve', terms: [], result: { value: 32.4, unit: 'Ah' } },
      {
        label: 'The sun offers',
        terms: ['one of ten outings under ', { value: 3, unit: 'Ah' }, '; the middle one'],
        result: { value: 8, unit: 'Ah' },
      },
      {
        label: 'The load takes',
        terms: ['one of ten outings over ', { value: 38, unit: 'Ah' }, '; the middle one'],
        result: { value: 31, unit: 'Ah' },
      },
      {
        label: 'Simulated outings that last',
        terms: ['366 / 400, ± ', { value: 0.014, unit: 'share', digits: 1 }],
        result: { value: 0.915, unit: 'share', digits: 1 },
      },
    ]);
  });

  it('says nothing of a sun where no panel is taken', () => {
    const { lines } = kitSum(kits, tried(0, 2600), ledger);
    expect(lines.map(({ label }) => label)).not.toContain('The sun offers');
    expect(lines[0].terms).toEqual(['2 × Shale']);
  });
});
