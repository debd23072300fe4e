import fc from 'fast-check';
import { clearSky, underCloud } from './clear-sky.js';

describe('the sky', () => {
  const altitude = fc.double({ min: 0.1, max: 90, noNaN: true });
  const amount = fc.double({ min: 0, max: 1, noNaN: true });

  it('gives never less light on the level with less cloud, and never more beam with more', () => {
    fc.assert(
      fc.property(altitude, amount, amount, (altitudeDeg, a, b) => {
        const clear = clearSky(altitudeDeg, 100, 3.5, 172);
        const less = underCloud(clear, altitudeDeg, { cloud: Math.min(a, b), rainShare: 0, fog: false });
        const more = underCloud(clear, altitudeDeg, { cloud: Math.max(a, b), rainShare: 0, fog: false });
        expect(less.ghi).toBeGreaterThanOrEqual(more.ghi);
        expect(less.dni).toBeGreaterThanOrEqual(more.dni);
      }),
    );
  });

  it('adds up: the level gets the beam’s share and the sky’s', () => {
    fc.assert(
      fc.property(altitude, amount, (altitudeDeg, cloud) => {
        const { ghi, dni, dhi } = underCloud(clearSky(altitudeDeg, 0, 2.7, 40), altitudeDeg, {
          cloud: cloud,
          rainShare: 0,
          fog: false,
        });
        expect(dni * Math.sin((altitudeDeg * Math.PI) / 180) + dhi).toBeCloseTo(ghi, 6);
        expect(dhi).toBeGreaterThanOrEqual(0);
      }),
    );
  });
});
