import fc from 'fast-check';
import { acceptance, chargeFor } from './charge.js';
import { batteryPackAt, type PackLabel } from './battery-pack.js';

const cobble: PackLabel = { chemistry: 'agm', cellsInSeries: 6, ratedAh: 20, health: 1 };

describe('charge', () => {
  it('comes to the same in one step as in many, and never goes above the acceptance', () => {
    const pack = batteryPackAt(cobble, 20);
    const charge = pack.charge!;
    const soc = fc.double({ min: 0, max: 1, noNaN: true });
    const offer = fc.double({ min: 0, max: 30, noNaN: true });
    fc.assert(
      fc.property(soc, offer, fc.double({ min: 0.01, max: 8, noNaN: true }), (start, amps, hours) => {
        const once = chargeFor(pack, charge, start, amps, hours).soc;
        let stepped = start;
        for (let step = 0; step < 16; step++)
          stepped = chargeFor(pack, charge, stepped, amps, hours / 16).soc;
        expect(once).toBeCloseTo(stepped, 9);
        const most = Math.min(amps, acceptance(charge, start)) * hours * charge.efficiency;
        expect((once - start) * pack.storedAh).toBeLessThanOrEqual(most + 1e-9);
        expect(once).toBeLessThanOrEqual(1);
      }),
    );
  });
});
