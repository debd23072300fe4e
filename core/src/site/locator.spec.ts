import fc from 'fast-check';
import { fromLocator, toLocator } from './locator.js';

describe('locator', () => {
  it('gives the middle of the square', () => {
    // J is 9: 0 E; O is 14: 50 N; then 2 x 2 deg E and 9 x 1 deg N; p is 15, a is 0 in steps of 5' and 2.5'
    const middle = fromLocator('JO29pa');
    expect(middle.ok && middle.value.longitudeDeg).toBeCloseTo(4 + 15.5 / 12, 9);
    expect(middle.ok && middle.value.latitudeDeg).toBeCloseTo(59 + 0.5 / 24, 9);
  });

  it('names the square of a point', () => {
    expect(toLocator({ latitudeDeg: 59.02, longitudeDeg: 5.31 }, 6)).toBe('JO29pa');
    expect(toLocator({ latitudeDeg: -33.9, longitudeDeg: 151.2 }, 4)).toBe('QF56');
    expect(toLocator({ latitudeDeg: 90, longitudeDeg: 180 }, 8)).toBe('RR99xx99');
  });

  it('goes there and back: the middle of a square lies in it', () => {
    const latitude = fc.double({ min: -90, max: 90, noNaN: true });
    const longitude = fc.double({ min: -180, max: 180, noNaN: true });
    fc.assert(
      fc.property(latitude, longitude, fc.constantFrom(4, 6, 8), (latitudeDeg, longitudeDeg, characters) => {
        const name = toLocator({ latitudeDeg, longitudeDeg }, characters as 4 | 6 | 8);
        const middle = fromLocator(name);
        expect(middle.ok).withContext(name).toBeTrue();
        if (!middle.ok) return;
        expect(toLocator(middle.value, characters as 4 | 6 | 8)).toBe(name);
        const halfDeg = { 4: 1, 6: 1 / 24, 8: 1 / 240 }[characters]!;
        expect(Math.abs(middle.value.longitudeDeg - longitudeDeg)).toBeLessThanOrEqual(halfDeg + 1e-6);
        expect(Math.abs(middle.value.latitudeDeg - latitudeDeg)).toBeLessThanOrEqual(halfDeg / 2 + 1e-6);
      }),
    );
  });

  it('says what is wrong with one that is none', () => {
    for (const text of ['', 'JO2', 'SO29', 'JO29zz', 'JO29pa1', '29JO', 'JO29pa123']) {
      const read = fromLocator(text);
      expect(read.ok ? 'read' : read.problems[0].sentence)
        .withContext(text)
        .toContain('4, 6 or 8 characters');
    }
  });
});
