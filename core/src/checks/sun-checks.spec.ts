import {
  belowShock,
  controllerCarries,
  controllerNoise,
  inputSurvivesCold,
  panelNeedsController,
  powerStationInputKnown,
  stringsFused,
  terminalsCarry,
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
    expect(inputSurvivesCold({ name: 'Rill 8' }, 'Frond 42', 300)).toBeNull();
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

describe('the rule of a power station’s solar input', () => {
  it('is silent where its volts are entered, else looks', () => {
    expect(powerStationInputKnown({ name: 'Tarn', maxInputV: 28 }, 'Frond 42', 24)).toBeNull();
    expect(powerStationInputKnown({ name: 'Tarn' }, 'Frond 42', 24)?.severity).toBe('look');
  });
});

describe('the rule of volts that hurt', () => {
  it('is kept up to 60 V', () => {
    expect(belowShock('Frond 42', 60)).toBeNull();
  });

  it('looks above', () => {
    expect(belowShock('Frond 42', 66)?.sentence).toContain('licensed practice');
  });
});

describe('the rule of strings in parallel', () => {
  it('is kept by two, and by three with a fuse each', () => {
    expect(stringsFused('Frond 42', 2, 2.45, undefined)).toBeNull();
    expect(stringsFused('Frond 42', 3, 2.45, 4)).toBeNull();
  });

  it('looks at three, with the fuse: 1.25 x 1.25 x Isc', () => {
    // 1.5625 x 2.45 A = 3.83 A.
    expect(stringsFused('Frond 42', 3, 2.45, undefined)).toEqual(
      jasmine.objectContaining({
        severity: 'look',
        remedy: { words: 'a 4 A fuse in each string', stringFuseA: 4 },
      }),
    );
  });
});
