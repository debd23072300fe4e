import { DIPOLE_DBI, exposureDistanceM, meanOfPeak, publicLimitVM, STRICTEST_MHZ } from './rf-exposure.js';
import { siteCare, type SiteFacts } from './site-care.js';

describe('the field that the public may be exposed to', () => {
  it('is that of the guideline at the ends of its ranges', () => {
    // ICNIRP 2020, table 5: 300 / f^0.7, 27.7, 1.375 sqrt(f); 10 W/m2 in 376.73 ohm is 61.4 V/m.
    expect(publicLimitVM(1)).toBeCloseTo(300, 9);
    expect(publicLimitVM(7)).toBeCloseTo(76.8, 1);
    expect(publicLimitVM(30)).toBeCloseTo(27.7, 1);
    expect(publicLimitVM(145)).toBe(27.7);
    expect(publicLimitVM(900)).toBeCloseTo(41.25, 2);
    expect(publicLimitVM(2400)).toBeCloseTo(61.4, 1);
    for (const megahertz of [0.2, 3.6, 14, 28, 430, 1296, 10_000])
      expect(publicLimitVM(megahertz)).toBeGreaterThanOrEqual(publicLimitVM(STRICTEST_MHZ) - 0.05);
  });

  it('is reached at a distance that grows with the root of the power', () => {
    // 1.6 sqrt(30 x 50 x 1.64) / 27.7 = 2.87 m.
    expect(exposureDistanceM(50, DIPOLE_DBI, 27.7)).toBeCloseTo(2.865, 2);
    expect(exposureDistanceM(200, DIPOLE_DBI, 27.7)).toBeCloseTo(2 * 2.865, 2);
    expect(exposureDistanceM(0, DIPOLE_DBI, 27.7)).toBe(0);
  });

  it('counts what is sent on average', () => {
    expect(meanOfPeak('SSB', false)).toBe(0.2);
    expect(meanOfPeak('SSB', true)).toBe(0.5);
    expect(meanOfPeak('CW', true)).toBe(0.4);
    expect(meanOfPeak('FM', false)).toBe(1);
    expect(meanOfPeak('FT8', false)).toBe(1);
  });
});

const bare: SiteFacts = {
  ...{ hasAntenna: false, tallM: null, hasPanel: false, hasMains: false, hasGenerator: false },
  ...{ hasLithium: false, byVehicle: false, rainFrom: null, warmC: 10, windMS: 2, heaviest: null },
  ...{ exposure: null, standby: null, oneSource: false, knows: null, backBy: 'Sun 16:00' },
};
const ids = (facts: Partial<SiteFacts>) => siteCare({ ...bare, ...facts }).map(({ id }) => id);
const said = (facts: Partial<SiteFacts>, id: string) =>
  siteCare({ ...bare, ...facts }).find((one) => one.id === id)?.sentence;

describe('what the site asks for', () => {
  it('is, of a bare bag, that somebody knows', () => {
    expect(siteCare(bare).map(({ sentence }) => sentence)).toEqual([
      'Tell somebody where you are and that you are back after Sun 16:00.',
    ]);
    expect(said({ knows: 'Ada' }, 'knows')).toContain('Tell Ada');
  });

  it('follows from what is in the bag', () => {
    expect(ids({ hasAntenna: true })).toEqual(['knows', 'lines', 'guys', 'paths', 'thunder']);
    for (const one of siteCare({ ...bare, hasAntenna: true, tallM: 8 }).filter(({ id }) => id === 'lines')) {
      // A long wire reaches farther than its mast is tall.
      for (const words of [one.sentence, one.short]) expect(words).toMatch(/12 m.* from power lines/);
    }
    expect(said({ hasAntenna: true, tallM: 8 }, 'lines')).toContain('neither can fall towards one');
    expect(ids({ hasPanel: true })).toEqual(['knows', 'paths']);
    expect(ids({ hasMains: true })).toContain('mains');
    expect(ids({ oneSource: true })).toEqual(['knows', 'help']);
    expect(ids({ hasGenerator: true })).toContain('fuel');
    const box = { name: 'box', grams: 15_001 };
    expect(said({ heaviest: box }, 'heavy')).toBe('box, 15.00 kg: two people lift it.');
    expect(ids({ heaviest: { ...box, grams: 15_000 } })).not.toContain('heavy');
    expect(said({ exposure: { distanceM: 2.865, what: 'FM 100 W' } }, 'exposure')).toContain('2.9 m');
    expect(said({ exposure: { distanceM: null, what: 'SSB 5 W through Boost' } }, 'exposure')).toContain(
      'enter the output power',
    );
  });

  it('has what stays joined taken off, and says after how many days that empties a battery', () => {
    const standby = { name: 'Weir', battery: 'Cobble', days: 41.4, ruins: true };
    expect(said({ standby }, 'standby')).toContain('empties a full one in 41 days, and that ruins it.');
    expect(said({ standby: { ...standby, ruins: false } }, 'standby')).toContain('41 days.');
  });

  it('is told in fewer words on a card', () => {
    const all = siteCare({
      ...bare,
      ...{ hasAntenna: true, tallM: 8, hasPanel: true, hasMains: true, hasGenerator: true, hasLithium: true },
      oneSource: true,
      ...{ rainFrom: 'Sat 14:00', warmC: 30, windMS: 12, heaviest: { name: 'box', grams: 20_000 } },
      exposure: { distanceM: 2.865, what: 'FM 100 W' },
      standby: { name: 'Weir', battery: 'Cobble', days: 41, ruins: true },
    });
    expect(all.length).toBe(15);
    expect(all.find(({ id }) => id === 'thunder')?.short).toContain(
      'the mast left alone if the storm is near',
    );
    for (const { id, short, sentence } of all)
      expect(short.length).withContext(id).toBeLessThan(Math.max(50, sentence.length));
  });

  it('follows from the forecast', () => {
    expect(ids({ rainFrom: 'Sat 14:00' })).toEqual(['knows', 'rain', 'dry']);
    expect(ids({ windMS: 8, hasPanel: true })).toContain('wind');
    expect(ids({ windMS: 7.9, hasPanel: true })).not.toContain('wind');
    expect(ids({ windMS: 12 })).not.toContain('wind');
    expect(ids({ hasLithium: true, warmC: 20 })).toContain('heat');
    expect(ids({ hasLithium: true, warmC: 19 })).not.toContain('heat');
    expect(ids({ hasLithium: true, byVehicle: true })).toContain('heat');
    expect(ids({ byVehicle: true })).toContain('strapped');
    expect(ids({ warmC: 30 })).not.toContain('heat');
  });
});
