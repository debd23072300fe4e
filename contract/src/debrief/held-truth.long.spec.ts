import { heldByOuting } from '../testing/taught-outings.js';

/** `npm run calibrate` does the same with 300. */
const OUTINGS = 50;

describe('figures that outings offer', () => {
  it('lie in their 80 % intervals 75 to 85 times of 100, of every kind', () => {
    const byKind = new Map<string, boolean[]>();
    for (let seed = 0; seed < OUTINGS; seed++) {
      for (const [kind, held] of heldByOuting(seed)) byKind.set(kind, [...(byKind.get(kind) ?? []), held]);
    }
    const shareOf = (some: readonly boolean[]) => some.filter((held) => held).length / some.length;
    const all = [...byKind.values()].flat();
    expect(all.length).toBeGreaterThan(3 * OUTINGS);
    expect(Math.abs(shareOf(all) - 0.8)).toBeLessThanOrEqual(0.05);
    for (const kind of ['duty', 'receiveA', 'transmit', 'truth', 'measuredAh']) {
      const held = byKind.get(kind) ?? [];
      expect(held.length)
        .withContext(kind)
        .toBeGreaterThan(OUTINGS / 10);
      // Three standard errors of so few.
      expect(Math.abs(shareOf(held) - 0.8))
        .withContext(kind)
        .toBeLessThanOrEqual(1.2 / Math.sqrt(held.length));
    }
  });
});
