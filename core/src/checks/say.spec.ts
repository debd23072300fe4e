import { sayMost, sayRated } from './say.js';

describe('the largest current of a run in words', () => {
  it('tells the plan’s beside that of the hardware where they are more than a twentieth apart', () => {
    expect(sayMost({ safeForA: 22, plannedA: 12 })).toBe('up to 22.0 A at full power (12.0 A as planned)');
    expect(sayMost({ safeForA: 22, plannedA: 20.8 })).toContain('20.8 A as planned');
    expect(sayMost({ safeForA: 22, plannedA: 21 })).toBe('up to 22.0 A');
    expect(sayMost({ safeForA: 22, plannedA: 30 })).toBe('up to 22.0 A');
  });

  it('tells one alone of a charge, and where nothing is planned', () => {
    expect(sayMost({ safeForA: 22, plannedA: 12, isCharge: true })).toBe('up to 22.0 A');
    expect(sayMost({ safeForA: 22, plannedA: 0 })).toBe('up to 22.0 A');
    expect(sayMost({ safeForA: 22 })).toBe('up to 22.0 A');
  });

  it('leaves out digits of a rating that say nothing', () => {
    expect([sayRated(7.5), sayRated(10), sayRated(0.5)]).toEqual(['7.5 A', '10 A', '0.5 A']);
  });
});
