import { cableOhm, type MadeOf } from './cable-runs.js';

const made: MadeOf = {
  size: { awg: null, areaMm2: 1.5 },
  lengthM: 4,
  contactPairs: 2,
  fusesA: [15],
  connectorA: 30,
  bundled: false,
};

describe('a run of the harness', () => {
  it('loses volts by its copper, contacts and fuses', () => {
    // 8 m of 1.5 mm2: 91.9 mohm; two contact pairs, 0.12 V / 15 A
    expect(cableOhm(made, 20)).toBeCloseTo((1.724e-8 * 8) / 1.5e-6 + 0.002 + 0.008, 12);
  });
});
