import { habits, speakIn } from '@knapsack/core';
import type { Gear, Panel, Radio } from '../documents/gear.js';
import { frond } from '../testing/kit.js';
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

  const sheet = (value: number) => ({ value, source: 'datasheet' as const });
  const cells = (items: readonly Gear[], label: string, loadA = 0.5) => {
    const row = compare(items, loadA).find((one) => one.label === label);
    return row && [...row.cells, row.best];
  };

  it('holds panels against each other by watts and by watts a kilo', () => {
    const small: Panel = {
      ...frond,
      id: 'small',
      watts: sheet(8),
      weightG: sheet(1000),
      packedL: sheet(0.8),
    };
    expect(cells([frond, small], 'rated power')).toEqual(['42 W', '8.0 W', 0]);
    // 42 W on 1.26 kg, 8 W on 1 kg.
    expect(cells([small, frond], 'power per kg')).toEqual(['8.0 W/kg', '33 W/kg', 1]);
    expect(cells([frond, small], 'packed size')).toEqual(['1.9 l', '0.8 l', 1]);
    expect(cells([frond, small], 'weight')).toEqual(['1.26 kg', '1.00 kg', 1]);
    const { weightG: _weight, ...unweighed } = small;
    expect(cells([frond, unweighed], 'power per kg')).toEqual(['33 W/kg', '', null]);
    expect(compare([frond, small], 0.5).map(({ label }) => label)).not.toContain('usable energy');
  });

  it('holds radios against each other by what they draw', () => {
    const thrifty: Radio = {
      ...curlew,
      id: 'thrifty',
      receiveA: sheet(0.05),
      transmit: [{ rfW: 5, amps: 0.9, source: 'measured' }],
    };
    expect(cells([curlew, thrifty], 'receive current')).toEqual(['0.14 A', '0.050 A', 1]);
    const [, at5, best] = cells([curlew, thrifty], 'transmit current at 5 W')!;
    expect([at5, best]).toEqual(['0.90 A', 1]);
    expect(cells([thrifty, thrifty], 'receive current')).toEqual(['0.050 A', '0.050 A', null]);
    expect(compare([curlew, thrifty], 0.5).map(({ label }) => label)).toEqual([
      'receive current',
      'transmit current at 5 W',
      'weight',
    ]);
  });

  it('says what a kilo, the money and the hours of a battery come to, each from its usable energy', () => {
    // 10 Ah x 0.99 at 20 C x 0.9 above the reserve x 12.8 V = 114.05 Wh, of 1 kg and 90.
    expect(cells([light, cobble], 'usable energy per kg')).toEqual(['114 Wh/kg', '20 Wh/kg', 0]);
    expect(cells([cobble, light], 'cost per usable Wh')).toEqual(['1.02', '0.79', 1]);
    expect(cells([light], 'usable energy per kg')).toEqual(['114 Wh/kg', null]);
    // 8.9 Ah of it at 2 A; a battery that is worked harder gives no more hours.
    const [hours] = cells([light], 'hours of the typical load', 2)!;
    expect(hours).toMatch(/^4 h [23]\d$/);
    const worn = { ...light, cycles: sheet(2000) };
    expect(cells([worn, { ...cobble, cycles: sheet(300) }], 'charge cycles')).toEqual(['2000', '300', 0]);
    expect(cells([worn, cobble], 'charge cycles')).toEqual(['2000', '', null]);
    expect(cells([light, cobble], 'charge cycles')).toBeUndefined();
    const { price: _price, ...gift } = light;
    expect(cells([gift, cobble], 'price')).toEqual(['', '60', null]);
  });
});

describe('comparing by weight', () => {
  const metric = habits();
  afterEach(() => speakIn(metric));

  it('is by the kilogram, or by the pound', () => {
    const light = { ...frond, weightG: { value: 1000, source: 'datasheet' } } as Panel;
    const power = () =>
      compare([light, { ...light, id: 'b' }], 0.5).find(({ label }) => label.startsWith('power per'))!;
    // 42 W by a kilogram; 2.2046 lb are one.
    expect([power().label, power().cells[0]]).toEqual(['power per kg', '42 W/kg']);
    speakIn({ ...metric, units: 'us' });
    expect([power().label, power().cells[0]]).toEqual(['power per lb', '19 W/lb']);
  });
});
