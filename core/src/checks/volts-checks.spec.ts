import {
  converterHoldsVolts,
  fullPowerAtLowest,
  supplyVoltsEntered,
  survivesCharging,
  survivesFullBattery,
  survivesSupply,
  totalDropWithin,
} from './volts-checks.js';

const radio = { name: 'Curlew 10', fullPowerV: 12.6, dropoutV: 9, maxV: 15 };
const { maxV: _maxV, ...unsaid } = radio;
const iron = { name: 'Shale 18', chemistry: 'lifepo4', cellsInSeries: 4 } as const;
const mild = { temperatureC: 25 };

describe('the rule of full power at the lowest charge', () => {
  const low = { lostV: 0.05, chemistry: 'lifepo4', getsThere: false, regulator: null } as const;
  const answer = (keyDownV: number, more: Partial<Parameters<typeof fullPowerAtLowest>[1]> = {}) =>
    fullPowerAtLowest(radio, { ...low, keyDownV, ...more });

  it('is kept where the radio gets what it needs, within the tenth of a volt that the model errs by', () => {
    expect(answer(12.6)).toBeNull();
    expect(answer(12.51)).toBeNull();
    expect(fullPowerAtLowest({ name: 'Curlew 10', dropoutV: 9 }, { ...low, keyDownV: 8.95 })).toBeNull();
  });

  it('is a stop if the radio shuts off and the plan gets there or cannot be calculated', () => {
    expect(answer(5.8)?.severity).toBe('look');
    expect(answer(5.8, { getsThere: true })?.severity).toBe('stop');
    expect(answer(5.8, { getsThere: null })?.severity).toBe('stop');
  });

  it('blames the cables only where they lose it', () => {
    expect(answer(12.4, { lostV: 0.5 })?.sentence).toContain('The cables lose 0.50 V');
    expect(answer(12.4)?.sentence).not.toContain('thicker');
    // Even without any loss it would be too little: the battery is to blame.
    expect(answer(12.0, { lostV: 0.4 })?.sentence).not.toContain('thicker');
    expect(answer(11, { chemistry: 'alkaline' })?.sentence).toContain('more cells in series');
  });
});

describe('a converter or a socket that holds its volts', () => {
  const supply = { name: 'the 24 V converter', volts: 24 };

  it('is a stop above the maximum of the radio, and a warning just above an assumed one', () => {
    expect(survivesSupply(radio, supply)?.severity).toBe('stop');
    expect(survivesSupply(radio, supply)?.sentence).toContain('would destroy Curlew 10 (maximum 15.00 V)');
    expect(survivesSupply(radio, { ...supply, volts: 15 })).toBeNull();
    expect(survivesSupply(radio, { ...supply, volts: 15.01 })?.severity).toBe('stop');
    // 15.87 V are assumed; 5 % more is certain.
    expect(survivesSupply(unsaid, { ...supply, volts: 16 })?.severity).toBe('look');
    expect(survivesSupply(unsaid, { ...supply, volts: 16.7 })?.severity).toBe('stop');
  });

  it('is a warning if its output voltage is not entered and something hangs behind it', () => {
    expect(supplyVoltsEntered(supply, true, ['Curlew 10'])?.severity).toBe('look');
    expect(supplyVoltsEntered(supply, true, [])).toBeNull();
    expect(supplyVoltsEntered(supply, false, ['Curlew 10'])).toBeNull();
  });

  it('has to step up if the battery falls below its volts', () => {
    const between = { name: 'converter', volts: 13.8 };
    expect(converterHoldsVolts(between, 12.7, 14.6)?.severity).toBe('note');
    expect(converterHoldsVolts({ ...between, name: 'step-down 13.8' }, 12.7, 14.6)?.severity).toBe('look');
    expect(converterHoldsVolts(between, 13.9, 14.6)).toBeNull();
    expect(converterHoldsVolts({ ...between, volts: 28 }, 12.7, 14.6)).toBeNull();
  });
});

describe('the cables to a radio together', () => {
  it('lose at most a twentieth and a tenth of a volt', () => {
    expect(totalDropWithin('Curlew 10', 0.74, 12.8)).toBeNull();
    expect(totalDropWithin('Curlew 10', 0.75, 12.8)?.severity).toBe('look');
  });
});

describe('the words on volts that are too high', () => {
  const agm = { name: 'Cobble 17', chemistry: 'agm', cellsInSeries: 6 } as const;
  const weak = { ...radio, maxV: 12 };
  const said = (battery: Parameters<typeof survivesCharging>[1], shape = mild as object) =>
    survivesCharging(weak, battery, { ...mild, ...shape })!.sentence;

  it('say how the battery comes to them', () => {
    expect(said(iron)).toBe(
      'While it is charged, Shale 18 stands at up to 14.60 V (LiFePO4), and the maximum of Curlew 10 is 12.00 V. It could be destroyed. Charge with the radio off it. Or: put a regulator between.',
    );
    expect(said(agm)).toMatch(/^While it is charged, Cobble 17/);
    expect(said(agm, { temperatureC: 5 })).toMatch(/^While it is charged in the cold, Cobble 17/);
    expect(said(iron, { temperatureC: 5 })).toMatch(/^While it is charged, Shale 18/);
    const flooded = { ...agm, chemistry: 'flooded' } as const;
    expect(said(flooded, { equalises: true })).toMatch(/^While it is equalised, Cobble 17/);
    expect(said(flooded)).toMatch(/^While it is charged, Cobble 17/);
    expect(said(agm, { equalises: true })).toMatch(/^While it is charged, Cobble 17/);
  });

  it('say what keeps them down', () => {
    const full = (chemistry: 'liion' | 'alkaline' | 'agm', cellsInSeries: number) =>
      survivesFullBattery({ ...radio, maxV: 3 }, { name: 'pack', chemistry, cellsInSeries }, 0)!.sentence;
    expect(full('liion', 4)).toMatch(
      /^Full, pack stands at up to 16.79 V, and .* Put a regulator between, or take LiFePO4\.$/,
    );
    expect(full('liion', 3)).toMatch(/Put a regulator between\.$/);
    expect(full('alkaline', 10)).toMatch(/Put a regulator between, or take one cell less\.$/);
    expect(full('agm', 6)).toMatch(/Put a regulator between\.$/);
  });
});

describe('the rule of the radio and the charging volts', () => {
  it('stops a radio of 14.2 V, and says over its limit for tenths of a volt', () => {
    const stop = survivesCharging({ ...radio, maxV: 14.2 }, iron, mild);
    expect(stop).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'at most 14.20 V', has: '14.60 V' }),
    );
    expect(stop?.sentence).toContain('over its limit');
    expect(stop?.sentence).not.toContain('destroyed');
    expect(survivesCharging({ ...radio, maxV: 14.57 }, iron, mild)?.severity).toBe('look');
    expect(survivesCharging({ ...radio, maxV: 12 }, iron, mild)?.sentence).toContain('could be destroyed');
  });
});

describe('the rule of the radio and a full battery', () => {
  const pack = (cellsInSeries: number) => ({ name: 'pack', chemistry: 'liion', cellsInSeries }) as const;

  it('assumes 13.8 V and 15 % where it is not entered, and says so', () => {
    // 15.87 V: four cells are five per cent over it.
    const stop = survivesFullBattery(unsaid, pack(4), 0);
    expect(stop?.severity).toBe('stop');
    expect(stop?.sentence).toContain('not entered; 13.8 V and 15 %');
    const slightly = survivesFullBattery(unsaid, { ...iron, chemistry: 'alkaline', cellsInSeries: 10.2 }, 0);
    expect(slightly?.severity).toBe('look');
    expect(survivesFullBattery(unsaid, pack(3), 0)).toBeNull();
  });
});
