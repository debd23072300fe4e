import { fuseFor, fuseNotSold, FUSES_A, smallestFuse, usualKind } from './fuses.js';
import { ampacity, areaOfAwg, copperOhm } from './wire.js';

describe('wire', () => {
  it('of one gauge is three gauges away from half of it, near enough', () => {
    expect(areaOfAwg(12) / areaOfAwg(15)).toBeCloseTo(2, 1);
    expect(areaOfAwg(12)).toBeCloseTo(3.31, 2);
  });

  it('carries what the published table says, less in a bundle and in hot air', () => {
    const mm2 = (areaMm2: number, airC = 20, bundled = false) =>
      ampacity({ awg: null, areaMm2 }, airC, bundled);
    // DIN VDE 0298-4, table 11, one core in free air.
    expect([0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35].map((area) => mm2(area))).toEqual([
      15, 19, 24, 32, 42, 54, 73, 98, 129, 158,
    ]);
    expect(mm2(2.5, 20, true)).toBeCloseTo(25.6, 9);
    // Table 17: 0.87 at 40 C, 0.71 at 50 C.
    expect(mm2(2.5, 40) / 32).toBeCloseTo(0.87, 2);
    expect(mm2(2.5, 50, true) / 32).toBeCloseTo(0.8 * 0.71, 2);
    expect(mm2(2.5, 80)).toBe(0);
    // Between two sizes: AWG 12 is 3.31 mm2.
    expect(ampacity({ awg: 12, areaMm2: areaOfAwg(12) }, 20, false)).toBeCloseTo(37.4, 1);
  });

  it('gets the smallest fuse that carries a quarter more, if wire and connector carry the fuse', () => {
    expect(fuseFor(12, 25, 30)).toBe(15);
    expect(fuseFor(12.1, 25, 30)).toBe(20);
    expect(fuseFor(12.1, 17, 30)).toBeNull();
    expect(fuseFor(40, 100, 100)).toBe(50);
    expect(fuseFor(40, 45, 100)).toBeNull();
  });

  it('of copper-clad aluminium loses 1.6 times as much and carries less', () => {
    const run = { areaMm2: 2.5, runM: 1, temperatureC: 20, contactPairs: 0, fusesA: [] };
    expect(copperOhm({ ...run, isClad: true })).toBeCloseTo(1.6 * copperOhm(run), 12);
    expect(ampacity({ awg: null, areaMm2: 2.5, isClad: true }, 20, false)).toBeCloseTo(
      32 / Math.sqrt(1.6),
      9,
    );
  });
});

describe('fuses', () => {
  it('are sold as blades to 40 A, large blades to 80 A, bolted down beyond', () => {
    expect([27, 33, 41, 70].map((amps) => smallestFuse(amps))).toEqual([35, 50, 60, 100]);
    expect([35, 40, 50, 80, 100].map(usualKind)).toEqual(['blade', 'blade', 'large', 'large', 'bolt']);
    expect(smallestFuse(500)).toBeNull();
    for (const rated of FUSES_A) expect(fuseNotSold(rated)).toBeNull();
  });

  it('that nobody sells are answered with the next one, by kind', () => {
    expect(fuseNotSold(12)).toContain('No one sells a fuse of 12 A');
    expect(fuseNotSold(12)).toContain('The next is 15 A.');
    expect(fuseNotSold(10, 'terminal')).toContain('The next is 30 A.');
    expect(fuseNotSold(500)).toContain('The next is 250 A.');
  });
});
