import { curlew, shale } from '../testing/outing.js';
import { compare } from './comparison.js';

describe('comparing gear', () => {
  const cobble = {
    ...shale,
    id: 'cobble',
    name: 'Cobble',
    chemistry: 'agm',
    cellsInSeries: 6,
    weightG: { value: 3000, source: 'datasheet' },
    price: { value: 60, source: 'datasheet' },
  } as const;
  const light = {
    ...shale,
    weightG: { value: 1000, source: 'datasheet' },
    price: { value: 90, source: 'datasheet' },
  } as const;

  it('puts batteries of any chemistry on one footing and marks the better', () => {
    const rows = compare([light, cobble], 0.5);
    const of = (label: string) => rows.find((row) => row.label === label)!;
    // 10 Ah x 0.99 at 20 C x 0.9 x 12.8 V against 10 Ah x 0.977 x 0.5 x 12 V
    expect(of('usable energy').cells).toEqual(['114 Wh', '59 Wh']);
    expect(of('usable energy').best).toBe(0);
    expect(of('cost per usable Wh').cells).toEqual(['0.79', '1.02']);
    expect(of('price').best).toBe(1);
    expect(rows.map(({ label }) => label)).not.toContain('receive current');
  });

  it('leaves empty what is not known or does not apply', () => {
    const rows = compare([curlew, shale], 0.5);
    expect(rows.find(({ label }) => label === 'receive current')!.cells).toEqual(['0.14 A', '']);
    expect(rows.find(({ label }) => label === 'weight')!.best).toBeNull();
  });
});
