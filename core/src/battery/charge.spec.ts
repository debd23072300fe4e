import fc from 'fast-check';
import { referenceLabel } from '../testing/packs.js';
import { expectMet, readReference } from '../testing/reference.js';
import { acceptance, chargeFor, hoursToFull } from './charge.js';
import { packAt } from './pack.js';

interface ChargeCase {
  chemistry: string;
  rated_ah: number;
  available_a: number;
  start_soc: number;
  temperature_c: number;
  max_charge_c: number | null;
  hours_to_full: number | null;
}

describe('charge', () => {
  const file = readReference<ChargeCase>('charge');

  it('meets the independent hours to full', () => {
    expect(file.cases.length).toBeGreaterThan(0);
    for (const given of file.cases) {
      const label = referenceLabel(
        given.chemistry,
        given.rated_ah,
        1,
        /nimh|alkaline/.test(given.chemistry) ? 10 : undefined,
      );
      const pack = packAt(
        given.max_charge_c === null ? label : { ...label, maxChargeA: given.max_charge_c * given.rated_ah },
        given.temperature_c,
      );
      const got = pack.charge ? hoursToFull(pack, pack.charge, given.start_soc, given.available_a) : null;
      expectMet(file, given, 'hours_to_full', got);
    }
  });

  it('refuses lithium below freezing and halves lead', () => {
    const lithium = referenceLabel('lifepo4_4s', 10, 1);
    expect(packAt(lithium, -0.1).charge).toBeNull();
    expect(packAt(lithium, 0).charge?.maxA).toBe(5);
    expect(packAt(referenceLabel('agm', 20, 1), -5).charge?.maxA).toBe(2.5);
  });

  it('comes to the same in one step as in many, and never goes above the acceptance', () => {
    const pack = packAt(referenceLabel('agm', 20, 1), 20);
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
