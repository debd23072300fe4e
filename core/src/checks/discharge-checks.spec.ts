import {
  continuousDischarge,
  dischargeLimitKnown,
  peakDischarge,
  staysAwake,
  supplyCarriesKeyDown,
  switchCarries,
  unevenShare,
} from './discharge-checks.js';

describe('the rule of continuous discharge', () => {
  it('is kept at the limit and where the label states none', () => {
    expect(continuousDischarge({ name: 'Shale 18', needA: 18, limitA: 18 })).toBeNull();
    expect(continuousDischarge({ name: 'Shale 18', needA: 99, limitA: undefined })).toBeNull();
  });
});

describe('the rule of the discharge limit that is not entered', () => {
  const cells = { name: 'Ten cells', chemistry: 'nimh', capacityAh: 2.5 } as const;

  it('is content where the label states one', () => {
    expect(dischargeLimitKnown({ ...cells, continuousA: 5 }, 20)).toBeNull();
    expect(dischargeLimitKnown({ ...cells, peakA: 5 }, 20)).toBeNull();
    expect(dischargeLimitKnown(cells, 0)).toBeNull();
  });

  it('checks what is asked of the cells, and stops beyond three times what they usually stand', () => {
    // 2.5 A of 2.5 Ah is 1 C; 20 A is 8 C.
    expect(dischargeLimitKnown(cells, 2.5)).toBeNull();
    expect(dischargeLimitKnown(cells, 3)).toEqual(
      jasmine.objectContaining({ severity: 'look', asks: 'at most 1.0 C', has: '1.2 C' }),
    );
    expect(dischargeLimitKnown(cells, 7.5)?.severity).toBe('look');
    expect(dischargeLimitKnown(cells, 20)).toEqual(
      jasmine.objectContaining({ severity: 'stop', has: '8.0 C' }),
    );
    // Alkaline cells stand a fifth of that.
    expect(dischargeLimitKnown({ ...cells, chemistry: 'alkaline' }, 2)?.severity).toBe('stop');
  });
});

describe('what a limit allows', () => {
  it('is told as a power where one is known', () => {
    const small = { name: 'supply', needA: 22, limitA: 15, allowedW: 46 };
    expect(supplyCarriesKeyDown(small)?.sentence).toContain('At 46 W');
    expect(peakDischarge(small)?.sentence).toContain('At 46 W');
    expect(supplyCarriesKeyDown({ ...small, allowedW: undefined })?.sentence).not.toContain('At 46 W');
  });
});

describe('the capacity of a switch and of a converter', () => {
  it('stops a change-over switch that carries less than the key-down current', () => {
    expect(switchCarries('switch', 22, 10)?.severity).toBe('stop');
    expect(switchCarries('switch', 10, 10)).toBeNull();
    expect(switchCarries('switch', 22, undefined)).toBeNull();
  });

  it('sends only 12 V loads to the battery instead', () => {
    const small = { name: 'converter', needA: 22, limitA: 15 };
    expect(supplyCarriesKeyDown(small, 13.8)?.sentence).toContain('from a battery');
    expect(supplyCarriesKeyDown(small, 28)?.sentence).not.toContain('battery');
  });
});

describe('the rule of the power station that stays on', () => {
  it('is kept at its threshold, where none is entered, and where nothing is on', () => {
    expect(staysAwake('Tarn', 3, 3)).toBeNull();
    expect(staysAwake('Tarn', undefined, 0.4)).toBeNull();
    expect(staysAwake('Tarn', 3, 0)).toBeNull();
  });
});

describe('the rule of the uneven share', () => {
  it('is kept where three fifths fit, and silent where not even the half does', () => {
    expect(unevenShare({ name: 'Cobble 20', needA: 12, limitA: 12 }, 10)).toBeNull();
    expect(unevenShare({ name: 'Cobble 20', needA: 12, limitA: 9 }, 10)).toBeNull();
    expect(unevenShare({ name: 'Cobble 20', needA: 12, limitA: undefined }, 10)).toBeNull();
  });
});
