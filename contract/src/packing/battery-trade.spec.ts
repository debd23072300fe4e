import { cobble, shale, trip } from '../testing/documents.js';
import { rill } from '../testing/kit.js';
import { batteryTrade } from './battery-trade.js';

describe('what the weight of a battery buys', () => {
  const sheet = (value: number) => ({ value, source: 'datasheet' as const });
  const light = { ...shale, weightG: sheet(1000) };
  const heavy = { ...cobble, weightG: sheet(5000) };
  const unweighed = { ...shale, id: 'bare', name: 'bare' };
  const rows = batteryTrade(trip(), [heavy, unweighed, rill, light]);

  it('is told of batteries alone, the most energy a kilogram first, what nobody has weighed last', () => {
    expect(rows.map(({ id }) => id)).toEqual(['shale', 'cobble', 'bare']);
    expect(rows[2].whPerKg).toBeNull();
    expect(rows[0].whPerKg).toBeCloseTo(rows[0].usableWh, 9);
    expect(rows[1].whPerKg).toBeCloseTo(rows[1].usableWh / 5, 9);
  });

  it('says which of them is carried', () => {
    expect(rows.map(({ carried }) => carried)).toEqual([true, false, false]);
    const both = ['cobble', 'bare'].map((gear) => ({ gear, count: 1 }));
    expect(
      batteryTrade(trip({ loadout: both }), [heavy, unweighed, light]).map(({ carried }) => carried),
    ).toEqual([false, true, true]);
  });
});
