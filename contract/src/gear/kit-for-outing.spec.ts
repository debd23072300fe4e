import { curlew, shale, trip } from '../testing/outing.js';
import { kitForOuting, neededAh } from './kit-for-outing.js';

describe('the kit for a typical outing', () => {
  const weighed = (id: string, ratedAh: number, grams: number) => ({
    ...shale,
    id,
    name: id,
    ratedAh: { value: ratedAh, source: 'datasheet' } as const,
    weightG: { value: grams, source: 'datasheet' } as const,
  });
  const [small, middle, large] = [
    weighed('small', 1, 300),
    weighed('middle', 4, 700),
    weighed('large', 20, 3000),
  ];

  it('is the lightest battery that lasts', () => {
    const kit = kitForOuting(trip(), [curlew, large, middle, small], curlew);
    // CW at half the time: 5 h at some 0.52 A are 2.6 Ah
    expect(kit.battery?.id).toBe('middle');
    expect(kit.marginAh).toBeGreaterThan(0);
    expect(kitForOuting(trip(), [curlew, small], curlew).battery).toBeNull();
  });

  it('leaves out what is put away or only wished for, and says where the radio gives less power', () => {
    for (const other of [{ archived: true }, { wished: true }]) {
      const away = { ...middle, ...other };
      expect(kitForOuting(trip(), [curlew, large, away], curlew).battery?.id).toBe('large');
    }
    const weak = { ...curlew, transmit: [{ rfW: 3, amps: 0.7, source: 'measured' }] } as const;
    expect(kitForOuting(trip(), [weak, large], weak).lessPower).toBeTrue();
  });

  it('needs of each battery what it draws, and the reserve', () => {
    const loadout = [
      { gear: 'curlew', count: 1 },
      { gear: 'shale', count: 2 },
    ];
    const needed = neededAh(trip({ loadout, temperatureC: 25 }), [curlew, shale], shale)!;
    // 5 h x (0.5 x 0.9144 + 0.5 x 0.14) A = 2.6 Ah in two, nine tenths of it usable
    expect(needed).toBeCloseTo((5 * (0.5 * (0.14 + 0.44 * 1.76) + 0.5 * 0.14)) / 0.9 / 2, 1);
    expect(neededAh(trip({ loadout: [] }), [curlew, shale], shale)).toBeNull();
  });
});
