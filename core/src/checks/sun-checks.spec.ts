import {
  chargeProfile,
  batteryAccepts,
  controllerCarries,
  controllerNoise,
  inputSurvivesCold,
  panelNeedsController,
  terminalsCarry,
  wakesBattery,
  type ChargedBy,
} from './sun-checks.js';

const rill: ChargedBy = {
  name: 'Rill 8',
  maxInputV: 30,
  maxA: 8,
  loadA: 5,
  profiles: ['lifepo4'],
  wakesBattery: true,
  limits: true,
};

describe('the rule of the panel and its controller', () => {
  it('is kept by a controller', () => {
    expect(panelNeedsController('Frond 42', { name: 'Rill 8', charges: true })).toBeNull();
  });

  it('stops a panel that goes straight to a radio, or to nothing', () => {
    expect(panelNeedsController('Frond 42', { name: 'Curlew 10', charges: false })?.sentence).toContain(
      'goes straight to Curlew 10',
    );
    expect(panelNeedsController('Frond 42', null)?.severity).toBe('stop');
  });
});

describe('the rule of the controller’s input', () => {
  it('is kept up to what it survives', () => {
    expect(inputSurvivesCold(rill, 'Frond 42', 30)).toBeNull();
    expect(inputSurvivesCold({ name: 'Rill 8', limits: true }, 'Frond 42', 300)).toBeNull();
  });

  it('stops a panel that rises over it in the cold', () => {
    expect(inputSurvivesCold(rill, 'Frond 42', 30.4)).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'at most 30.00 V', has: '30.40 V' }),
    );
  });
});

describe('the rule of the controller’s current', () => {
  it('is kept under it', () => {
    expect(controllerCarries(rill, 12, 7.9)).toBeNull();
    expect(controllerCarries({ ...rill, limits: false }, 8, 8)).toBeNull();
  });

  it('stops a PWM that is too small and does not limit, checks one that does not say, and notes an MPPT at its limit', () => {
    expect(controllerCarries({ ...rill, limits: false }, 9, 5)?.severity).toBe('stop');
    expect(controllerCarries({ ...rill, limits: undefined }, 9, 5)).toEqual(
      jasmine.objectContaining({ severity: 'look', sentence: jasmine.stringContaining('not entered') }),
    );
    expect(controllerCarries({ ...rill, limits: undefined }, 8, 5)).toBeNull();
    expect(controllerCarries(rill, 12, 8)?.severity).toBe('note');
  });
});

describe('the rule of what a battery takes', () => {
  const small = { name: 'Shale 6', chemistry: 'lifepo4', maxChargeA: 3, isEntered: true } as const;

  it('is kept up to its limit', () => {
    expect(batteryAccepts('Rill 8', small, 3)).toBeNull();
  });

  it('stops above a maker’s limit, and is a check where the limit is an assumed one, or lead', () => {
    expect(batteryAccepts('Rill 8', small, 3.1)).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'at most 3.00 A', has: '3.10 A' }),
    );
    expect(batteryAccepts('Rill 8', { ...small, isEntered: false }, 15.5)?.severity).toBe('look');
    const lead = batteryAccepts('Rill 8', { ...small, name: 'Cobble', chemistry: 'agm' }, 15.5);
    expect(lead).toEqual(
      jasmine.objectContaining({ severity: 'look', sentence: jasmine.stringContaining('gas') }),
    );
  });
});

describe('the rule of the charge profile', () => {
  it('is kept by a profile, and where none are named', () => {
    expect(chargeProfile(rill, 'lifepo4')).toBeNull();
    expect(chargeProfile({ name: 'Rill 8', limits: true }, 'agm')).toBeNull();
  });

  it('stops a chemistry that it does not know', () => {
    expect(chargeProfile(rill, 'agm')).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'AGM lead' }),
    );
  });
});

describe('the rule of waking a battery', () => {
  it('is kept by one that can, by lead, and where nobody has said', () => {
    expect(wakesBattery(rill, 'lifepo4')).toBeNull();
    expect(wakesBattery({ ...rill, wakesBattery: false }, 'agm')).toBeNull();
    expect(wakesBattery({ name: 'Rill 8', limits: true }, 'lifepo4')).toBeNull();
  });

  it('notes one that cannot', () => {
    expect(wakesBattery({ ...rill, wakesBattery: false }, 'lifepo4')?.severity).toBe('note');
  });
});

describe('the rule of load terminals', () => {
  it('is kept by terminals that carry key-down', () => {
    expect(terminalsCarry(rill, 5)).toBeNull();
  });

  it('stops weak ones and those that nobody has described, with the radio on the battery', () => {
    expect(terminalsCarry(rill, 5.5)?.remedy?.offTerminals).toBe(true);
    expect(terminalsCarry({ name: 'Rill 8' }, 0.1)?.severity).toBe('stop');
  });
});

describe('the word on noise', () => {
  it('is silent once all bands were found quiet', () => {
    expect(controllerNoise('Rill 8', [])).toBeNull();
  });

  it('notes that nobody has listened, and looks at bands on which it was heard', () => {
    expect(controllerNoise('Rill 8', null)?.severity).toBe('note');
    expect(controllerNoise('Rill 8', [{ band: '15 m' }, { band: '10 m' }])).toEqual(
      jasmine.objectContaining({ severity: 'look', has: 'heard on 2' }),
    );
  });
});
