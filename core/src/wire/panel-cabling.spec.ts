import { cablingOhm } from './panel-cabling.js';

describe('the cables that panels have for themselves', () => {
  it('lose what the currents in them lose', () => {
    for (const panels of [1, 2, 3, 5]) {
      const [amps, ohm] = [2, 0.1];
      const all = panels * amps;
      const each = panels * amps ** 2 * ohm;
      let chained = 0;
      for (let behind = 1; behind <= panels; behind++) chained += (behind * amps) ** 2 * ohm;
      expect(all ** 2 * cablingOhm('each', panels, ohm)).toBeCloseTo(each, 12);
      expect(all ** 2 * cablingOhm('chain', panels, ohm)).toBeCloseTo(chained, 12);
    }
  });

  it('are the same for one panel, and chained always lose more for several', () => {
    expect(cablingOhm('chain', 1, 0.1)).toBe(cablingOhm('each', 1, 0.1));
    for (const panels of [2, 3, 4])
      expect(cablingOhm('chain', panels, 1)).toBeGreaterThan(cablingOhm('each', panels, 1));
  });
});
