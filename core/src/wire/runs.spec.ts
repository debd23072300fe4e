import { leadOhm, runReport, type MadeOf } from './runs.js';

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
    expect(leadOhm(made, 20)).toBeCloseTo((1.724e-8 * 8) / 1.5e-6 + 0.002 + 0.008, 12);
    const currents = { meanA: 1, mostA: 4, safeForA: 5, feedV: 13 };
    const report = runReport('radio', { name: 'lead', ohm: 0.1, made }, currents, 20);
    expect(report.meanDropV).toBeCloseTo(0.1, 12);
    expect(report.dropShare).toBeCloseTo(0.4 / 13, 12);
    // 1.25 x 5 A = 6.25 A
    expect([report.ampacityA, report.fuseA]).toEqual([17, 7.5]);
  });

  it('says nothing of wire that nobody has described', () => {
    const currents = { meanA: 1, mostA: 4, safeForA: 5, feedV: 0 };
    const report = runReport('panel', { name: 'lead', ohm: 0.1 }, currents, 20);
    expect(report.ampacityA).toBeNull();
    expect('fuseA' in report).toBeFalse();
    expect(report.dropShare).toBe(0);
  });
});
