import {
  controllerCarries,
  inputSurvivesCold,
  panelNeedsController,
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
});

describe('the rule of the controller’s current', () => {
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

describe('the rule of strings in parallel', () => {
  it('looks at three, with the fuse: 1.25 x 1.25 x Isc', () => {
    // 1.5625 x 2.45 A = 3.83 A.
    expect(stringsFused('Frond 42', 3, 2.45, undefined, 26)).toEqual(
      jasmine.objectContaining({
        severity: 'look',
        remedy: { description: 'a 4 A fuse in each string', stringFuseA: 4 },
      }),
    );
  });
});
