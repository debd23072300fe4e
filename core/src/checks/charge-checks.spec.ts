import {
  batteryAccepts,
  chargedCold,
  chargedHot,
  chargeProfile,
  freezes,
  setPointFits,
  wakesBattery,
  type Chargeable,
} from './charge-checks.js';
import type { ChargedBy } from './sun-checks.js';

const iron: Chargeable = { name: 'Shale 18', chemistry: 'lifepo4', cellsInSeries: 4 };
const lead: Chargeable = { name: 'Cobble 17', chemistry: 'agm', cellsInSeries: 6 };
const cells: Chargeable = { name: 'Ten cells', chemistry: 'nimh', cellsInSeries: 10 };
const rill: ChargedBy = { name: 'Rill 8', limits: true, profiles: ['lifepo4'], wakesBattery: true };
const silent: ChargedBy = { name: 'Rill 8', limits: true };

describe('the rule of charging in the cold', () => {
  it('is kept at 0 °C, by lead below it, and by cells that another rule stops', () => {
    expect(chargedCold(iron, 0)).toBeNull();
    expect(chargedCold(lead, -8)).toBeNull();
    expect(chargedCold({ ...iron, chemistry: 'alkaline' }, -8)).toBeNull();
  });

  it('notes lithium that is protected against it, and stops where it is not, or where it is not entered', () => {
    expect(chargedCold({ ...iron, coldProtected: true }, -1)?.severity).toBe('note');
    expect(chargedCold({ ...iron, coldProtected: false }, -1)).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'at least 0 °C' }),
    );
    expect(chargedCold(iron, -1)?.severity).toBe('stop');
    expect(chargedCold(iron, -1)?.sentence).toContain('is not entered');
    expect(chargedCold(iron, -1)?.sentence).toContain('an ordinary controller charges it all the same');
  });
});

describe('the rule of charging in the heat', () => {
  it('is kept up to 30 °C, where even a dark bag stays under 45, and by lead', () => {
    expect(chargedHot(iron, 30)).toBeNull();
    expect(chargedHot(lead, 50)).toBeNull();
  });

  it('looks at a dark bag, and at the heat itself', () => {
    expect(chargedHot(iron, 31)?.sentence).toContain('dark bag');
    expect(chargedHot(iron, 46)?.sentence).toContain('cool of the day');
  });
});

describe('the rule of lead that freezes', () => {
  it('stops where the charge crosses it: flat at -8 °C, half full at -22 °C', () => {
    expect(freezes(lead, 0, -7)).toBeNull();
    expect(freezes(lead, 0, -9)?.severity).toBe('stop');
    expect(freezes(lead, 0.5, -21)).toBeNull();
    expect(freezes(lead, 0.5, -23)?.severity).toBe('stop');
  });
});

describe('the rule of what a battery takes', () => {
  const small = { name: 'Shale 6', chemistry: 'lifepo4', maxChargeA: 3, isEntered: true } as const;

  it('is kept up to its limit', () => {
    expect(batteryAccepts('Rill 8', small, 3)).toBeNull();
  });
});

describe('the rule of the charge profile', () => {
  it('stops a chemistry that it does not know', () => {
    expect(chargeProfile(rill, lead)).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'AGM (lead-acid)', has: 'LiFePO4' }),
    );
  });

  it('takes none that is listed for not known: a look, and a stop for NiMH', () => {
    expect(chargeProfile(silent, iron)?.severity).toBe('look');
    expect(chargeProfile(silent, lead)?.severity).toBe('look');
    expect(chargeProfile(silent, cells)?.severity).toBe('stop');
  });
});

describe('the rule of the set point', () => {
  it('is kept near what the battery wants, and where none is entered', () => {
    expect(setPointFits(silent, iron, 20)).toBeNull();
    expect(setPointFits({ ...rill, chargesToV: 14.4 }, iron, 20)).toBeNull();
    expect(setPointFits({ ...rill, chargesToV: 14.6 }, iron, 20)).toBeNull();
  });

  it('stops lithium over it, looks at lead over it and at what never fills', () => {
    expect(setPointFits({ ...rill, chargesToV: 14.7 }, iron, 20)?.severity).toBe('stop');
    expect(setPointFits({ ...rill, chargesToV: 14.8 }, lead, 25)?.severity).toBe('look');
    expect(setPointFits({ ...rill, chargesToV: 13.8 }, lead, 25)?.sentence).toContain('never be full');
  });
});

describe('the rule of waking a battery', () => {
  it('is kept by one that can, by lead, and where it is not entered and somebody is there', () => {
    expect(wakesBattery(rill, iron, true)).toBeNull();
    expect(wakesBattery({ ...rill, wakesBattery: false }, lead, true)).toBeNull();
    expect(wakesBattery(silent, iron, false)).toBeNull();
  });
});
