import type { ControllerGear } from '../documents/charging-gear.js';
import type { Gear } from '../documents/gear.js';
import type { NoiseReading } from '../documents/noise-reading.js';
import {
  BANDS,
  byBand,
  heardOn,
  mayBeHeard,
  noiseTable,
  quietKit,
  quietOn,
  riseS,
  withNoise,
} from './noise.js';

const common = { schema: 'knapsack.gear', version: 8 } as const;
const rill: ControllerGear = {
  ...{ ...common, id: 'rill', kind: 'controller', name: 'Rill', type: 'mppt' },
  maxA: { value: 8, source: 'datasheet' },
};
const heard = (band: string, off: number, on: number, change: Partial<NoiseReading> = {}): NoiseReading => ({
  ...{ band, unit: 'S', off, on },
  ...change,
});
const lamp = (via?: 'bus' | 'usb'): Gear => ({
  ...{ ...common, id: 'lamp', kind: 'accessory', name: 'Lamp', rule: { when: 'always' } },
  drawW: { value: 1, source: 'datasheet' },
  ...(via && { via }),
});

describe('noise that was heard', () => {
  it('is one S-unit or more, or half of one in dB', () => {
    const noisy = {
      noise: [heard('20 m', 1, 2), heard('40 m', 1, 1.9), heard('17 m', 0, 3, { unit: 'dB' })],
    };
    expect(heardOn(noisy)!.map(({ band }) => band)).toEqual(['20 m', '17 m']);
    expect(heardOn({})).toBeNull();
    expect(heardOn({ noise: [] })).toBeNull();
    expect(riseS(heard('20 m', 3, 5))).toBe(2);
    expect(riseS(heard('20 m', 3, 15, { unit: 'dB' }))).toBe(2);
    expect(riseS(heard('20 m', 3, 2))).toBe(0);
  });

  it('answers for one band, and for one radio where it is asked', () => {
    const gear = { noise: [heard('17 m', 1, 1, { radio: 'curlew' }), heard('20 m', 1, 4)] };
    expect(quietOn(gear, '17 m')).toBeTrue();
    expect(quietOn(gear, '20 m')).toBeFalse();
    expect(quietOn(gear, '15 m')).toBeNull();
    expect(quietOn(gear, '17 m', 'curlew')).toBeTrue();
    expect(quietOn(gear, '17 m', 'dunlin')).toBeNull();
  });

  it('comes of what switches, and of nothing else', () => {
    expect([mayBeHeard(rill), mayBeHeard(lamp()), mayBeHeard(lamp('bus')), mayBeHeard(lamp('usb'))]).toEqual([
      ...[true, false, false, true],
    ]);
    const loud = withNoise(rill, '17 m', 'S', { off: 1, on: 4 }, {});
    const kit = quietKit([loud, lamp(), lamp('usb')], '17 m');
    expect(kit.loud).toEqual([loud]);
    expect(kit.unknown.map(({ id }) => id)).toEqual(['lamp']);
    expect(quietKit([withNoise(rill, '17 m', 'S', { off: 1, on: 1 }, {})], '17 m')).toEqual({
      ...{ loud: [], unknown: [] },
    });
  });

  it('is kept by band, in the bands’ order, once both readings are there', () => {
    const of = { date: '2027-09-01', radio: 'curlew' };
    const upper = withNoise(rill, '10 m', 'S', { off: 1, on: 4 }, of);
    const both = withNoise(upper, '40 m', 'S', { off: 3, on: 3 }, of);
    expect(both.noise!.map(({ band, on, radio }) => [band, on, radio])).toEqual([
      ['40 m', 3, 'curlew'],
      ['10 m', 4, 'curlew'],
    ]);
    expect(withNoise(both, '40 m', 'S', { off: 3 }, of).noise!.map(({ band }) => band)).toEqual(['10 m']);
    expect(new Set(BANDS).size).toBe(BANDS.length);
    expect(['1.25 m', '2 m', '160 m', '1 m'].sort(byBand)).toEqual(['160 m', '2 m', '1 m', '1.25 m']);
  });

  it('stands in a table: the worst of each band, a gap where nobody listened', () => {
    const weir = {
      ...rill,
      id: 'weir',
      name: 'Weir',
      noise: [heard('40 m', 1, 3), heard('40 m', 6, 9, { unit: 'dB' })],
    };
    const table = noiseTable([
      { ...rill, noise: [heard('20 m', 1, 1)] },
      weir,
      { ...weir, id: 'gone', archived: true },
      lamp('usb'),
    ]);
    expect(table.bands).toEqual(['40 m', '20 m']);
    expect(table.rows.map(({ gear, cells }) => [gear.name, ...cells])).toEqual([
      ['Rill', null, { rise: 0, isHeard: false }],
      ['Weir', { rise: 2, isHeard: true }, null],
    ]);
  });
});

describe('what may be heard', () => {
  it('is what switches: controllers, chargers, power stations, and what is fed through a converter', () => {
    const of = (kind: string) => mayBeHeard({ ...common, id: kind, kind, name: kind } as unknown as Gear);
    expect(['controller', 'station', 'charger'].map(of)).toEqual([true, true, true]);
    expect(['battery', 'radio', 'panel', 'lead', 'antenna'].map(of)).toEqual(Array(5).fill(false));
    expect([lamp('usb'), lamp('bus'), lamp()].map(mayBeHeard)).toEqual([true, false, false]);
    expect(mayBeHeard({ ...lamp('usb'), kind: 'lead' } as unknown as Gear)).toBeFalse();
  });
});
