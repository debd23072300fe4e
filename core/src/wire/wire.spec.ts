import { ampacity, areaOfAwg, fuseFor } from './wire.js';

describe('wire', () => {
  it('of one gauge is three gauges away from half of it, near enough', () => {
    expect(areaOfAwg(12) / areaOfAwg(15)).toBeCloseTo(2, 1);
    expect(areaOfAwg(12)).toBeCloseTo(3.31, 2);
  });

  it('carries what the next smaller size of the table carries, less when crowded or hot, once', () => {
    expect(ampacity({ awg: null, areaMm2: 3 }, 20, false)).toBe(25);
    expect(ampacity({ awg: null, areaMm2: 2.5 }, 50, true)).toBe(20);
    expect(ampacity({ awg: 12, areaMm2: areaOfAwg(12) }, 20, false)).toBe(30);
    expect(ampacity({ awg: null, areaMm2: 0.25 }, 20, false)).toBe(3);
  });

  it('gets the smallest fuse that carries a quarter more, if wire and connector carry the fuse', () => {
    expect(fuseFor(12, 25, 30)).toBe(15);
    expect(fuseFor(12.1, 25, 30)).toBe(20);
    expect(fuseFor(12.1, 17, 30)).toBeNull();
    expect(fuseFor(40, 100, 100)).toBeNull();
  });
});
