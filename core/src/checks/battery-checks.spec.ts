import {
  chargedCold,
  continuousDischarge,
  dischargeLimitKnown,
  disconnectPresent,
  parallelPacksAlike,
  parasiticDraw,
  peakDischarge,
  supplyCarriesKeyDown,
  type Guarded,
  type PackAge,
} from './battery-checks.js';

const shale: PackAge = { name: 'Shale 18', chemistry: 'lifepo4', cellsInSeries: 4, health: 0.95 };

describe('the rule of continuous discharge', () => {
  it('is kept at the limit and where the label states none', () => {
    expect(continuousDischarge({ name: 'Shale 18', needA: 18, limitA: 18 })).toBeNull();
    expect(continuousDischarge({ name: 'Shale 18', needA: 99, limitA: undefined })).toBeNull();
  });

  it('stops a mean load over it', () => {
    const breach = continuousDischarge({ name: 'Shale 18', needA: 18.5, limitA: 18 });
    expect(breach).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'at most 18.0 A', has: '18.5 A' }),
    );
    expect(breach!.sentence).toContain('The mean load takes 18.5 A and Shale 18 may give 18.0 A');
  });
});

describe('the rule of peak discharge', () => {
  it('is kept under the limit', () => {
    expect(peakDischarge({ name: 'Shale 18', needA: 20, limitA: 30 })).toBeNull();
  });

  it('stops key-down over it', () => {
    expect(peakDischarge({ name: 'Shale 18', needA: 31, limitA: 30 })?.sentence).toContain(
      'Key-down takes 31.0 A',
    );
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
    // 2 A of 2.5 Ah is 0.8 C; 20 A is 8 C.
    expect(dischargeLimitKnown(cells, 2)).toEqual(
      jasmine.objectContaining({ severity: 'look', asks: 'at most 1.0 C', has: '0.8 C' }),
    );
    expect(dischargeLimitKnown(cells, 7.5)?.severity).toBe('look');
    expect(dischargeLimitKnown(cells, 20)).toEqual(
      jasmine.objectContaining({ severity: 'stop', has: '8.0 C' }),
    );
    // Alkaline cells stand a fifth of that.
    expect(dischargeLimitKnown({ ...cells, chemistry: 'alkaline' }, 2)?.severity).toBe('stop');
  });
});

describe('the rule of the supply', () => {
  it('is kept where the socket gives key-down', () => {
    expect(supplyCarriesKeyDown({ name: 'Tarn 256', needA: 9, limitA: 10 })).toBeNull();
  });

  it('stops a socket that is too small', () => {
    expect(supplyCarriesKeyDown({ name: 'Tarn 256', needA: 19, limitA: 10 })).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'at most 10.0 A' }),
    );
  });
});

describe('the rule of packs in parallel', () => {
  it('is kept by one pack, and by packs of about one age', () => {
    expect(parallelPacksAlike([shale])).toBeNull();
    expect(parallelPacksAlike([shale, { ...shale, health: 0.85 }])).toBeNull();
  });

  it('stops another chemistry and another count of cells', () => {
    const lead: PackAge = { ...shale, name: 'Cobble 17', chemistry: 'agm', cellsInSeries: 6 };
    expect(parallelPacksAlike([shale, lead])?.severity).toBe('stop');
    expect(parallelPacksAlike([shale, { ...shale, cellsInSeries: 5 }])?.severity).toBe('stop');
  });

  it('looks at packs that have aged differently', () => {
    const breach = parallelPacksAlike([shale, { ...shale, health: 0.7 }]);
    expect(breach).toEqual(jasmine.objectContaining({ severity: 'look', has: '25 %' }));
  });
});

describe('the rule of the low-voltage disconnect', () => {
  const pack: Guarded = { name: 'Shale 18', chemistry: 'lifepo4', protects: false, disconnects: false };

  it('is kept by a protection, by a disconnect, and by cells that need none', () => {
    expect(disconnectPresent({ ...pack, protects: true })).toBeNull();
    expect(disconnectPresent({ ...pack, disconnects: true })).toBeNull();
    expect(disconnectPresent({ ...pack, chemistry: 'nimh', protects: undefined })).toBeNull();
  });

  it('stops lithium without any, looks where nobody has said, and looks at lead', () => {
    expect(disconnectPresent(pack)).toEqual(
      jasmine.objectContaining({
        severity: 'stop',
        remedy: { words: 'a low-voltage disconnect', disconnect: true },
      }),
    );
    expect(disconnectPresent({ ...pack, protects: undefined })?.sentence).toContain('is not entered');
    expect(disconnectPresent({ ...pack, chemistry: 'agm', protects: undefined })?.severity).toBe('look');
  });
});

describe('the rule of charging in the cold', () => {
  it('is kept at 0 °C, and by lead below it', () => {
    expect(chargedCold(shale, 0)).toBeNull();
    expect(chargedCold({ name: 'Cobble 17', chemistry: 'agm' }, -8)).toBeNull();
  });

  it('stops lithium below freezing', () => {
    expect(chargedCold(shale, -1)).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'at least 0 °C' }),
    );
  });
});

describe('the rule of what draws in store', () => {
  const store = {
    name: 'Cobble 17',
    chemistry: 'agm',
    capacityAh: 17,
    soc: 1,
    standingA: 0.01,
    days: 7,
  } as const;

  it('is kept while less than a tenth goes', () => {
    // 0.01 A x 24 h x 7 = 1.68 Ah of 17.
    expect(parasiticDraw(store)).toBeNull();
    expect(parasiticDraw({ ...store, standingA: 0, days: 400 })).toBeNull();
  });

  it('looks from a tenth on, and stops what empties the battery', () => {
    expect(parasiticDraw({ ...store, days: 8 })).toEqual(
      jasmine.objectContaining({ severity: 'look', has: '1.92 Ah' }),
    );
    expect(parasiticDraw({ ...store, days: 80 })).toEqual(
      jasmine.objectContaining({ severity: 'stop', has: '19.2 Ah' }),
    );
  });
});
