import { fullPowerAtLowest, survivesCharging, survivesFullBattery } from './volts-checks.js';

const radio = { name: 'Curlew 10', fullPowerV: 12.6, dropoutV: 9, maxV: 15 };
const { maxV: _maxV, ...unsaid } = radio;
const iron = { name: 'Shale 18', chemistry: 'lifepo4', cellsInSeries: 4 } as const;
const mild = { temperatureC: 25 };

describe('the rule of full power at the lowest charge', () => {
  const low = { lostV: 0.05, chemistry: 'lifepo4', getsThere: false } as const;
  const answer = (keyDownV: number, more: Partial<Parameters<typeof fullPowerAtLowest>[1]> = {}) =>
    fullPowerAtLowest(radio, { ...low, keyDownV, ...more });

  it('is kept where the radio gets what it needs, within the tenth of a volt that the model errs by', () => {
    expect(answer(12.6)).toBeNull();
    expect(answer(12.51)).toBeNull();
    expect(fullPowerAtLowest({ name: 'Curlew 10', dropoutV: 9 }, { ...low, keyDownV: 8.95 })).toBeNull();
  });

  it('blames the cables only where they lose it', () => {
    expect(answer(12.4, { lostV: 0.5 })?.sentence).toContain('shorter or thicker ones');
    expect(answer(12.4)?.sentence).not.toContain('thicker');
    // Even without any loss it would be too little: the battery is to blame.
    expect(answer(12.0, { lostV: 0.4 })?.sentence).not.toContain('thicker');
    expect(answer(11, { chemistry: 'alkaline' })?.sentence).toContain('more cells in series or a fresh set');
  });
});

describe('what helps where the volts are too low', () => {
  const help = (chemistry: Parameters<typeof fullPowerAtLowest>[1]['chemistry'], lostV = 0.05) =>
    fullPowerAtLowest(radio, { keyDownV: 12.4, lostV, chemistry, getsThere: false })!.sentence.replace(
      /^.*full power\. /,
      '',
    );

  it('is what goes with the cells', () => {
    const only = 'The cables lose 0.05 V only: ';
    expect(help('alkaline')).toBe(`${only}more cells in series or a fresh set sooner, or less power.`);
    expect(help('agm')).toBe(`${only}a larger battery, or less power.`);
    expect(help('nimh')).toBe(`${only}one more cell in series, or less power.`);
    expect(help('lifepo4')).toBe(`${only}a larger battery or one of more volts, or less power.`);
  });

  it('is the cables from two tenths of a volt on, where that is what lacks', () => {
    expect(help('lifepo4', 0.3)).toBe(
      '0.30 V of it are lost on the cables: shorter or thicker ones, or less power.',
    );
    // 12.4 V and 0.15 V are not 12.6 V.
    expect(help('lifepo4', 0.15)).toContain('The cables lose 0.15 V only');
    expect(
      fullPowerAtLowest(radio, { keyDownV: 12.45, lostV: 0.19, chemistry: 'agm', getsThere: false })!
        .sentence,
    ).toContain('The cables lose 0.19 V only');
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
