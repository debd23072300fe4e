import { branchCablesOhm, branchShares } from './parallel-branches.js';

describe('batteries in parallel', () => {
  it('share a current by their resistance and that of their cables', () => {
    // 10 + 4.2 milliohm against 10 + 68.2: 22 A x 78.2 / 92.4.
    const [near, far] = branchShares([
      { packOhm: 0.01, cableOhm: 0.0042 },
      { packOhm: 0.01, cableOhm: 0.0682 },
    ]);
    expect(22 * near).toBeCloseTo(18.62, 2);
    expect(near + far).toBeCloseTo(1, 12);
  });

  it('share by their size if their cables are not entered', () => {
    // Resistance goes with 1 / Ah: 100 Ah and 12 Ah.
    const shares = branchShares([
      { packOhm: 0.25 / 100, cableOhm: null },
      { packOhm: 0.25 / 12, cableOhm: null },
    ]);
    expect(shares[0]).toBeCloseTo(100 / 112, 12);
  });

  it('lose on equal cables what one cable loses, divided by their number', () => {
    const branch = { packOhm: 0.02, cableOhm: 0.03 };
    expect(branchCablesOhm([branch])).toBeCloseTo(0.03, 12);
    expect(branchCablesOhm([branch, branch, branch])).toBeCloseTo(0.01, 12);
    expect(branchCablesOhm([{ packOhm: 0.02, cableOhm: null }])).toBe(0);
    expect(branchCablesOhm([])).toBe(0);
  });
});
