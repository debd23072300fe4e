import { fullPowerAtFloor, survivesCharging, survivesFullBattery } from './volts-checks.js';

const radio = { name: 'Curlew 10', fullPowerV: 12.6, dropoutV: 9, maxV: 15 };

describe('the rule of full power at the reserve', () => {
  it('is kept where the radio gets what it needs, and where nobody has said what that is', () => {
    expect(fullPowerAtFloor(radio, 12.6)).toBeNull();
    expect(fullPowerAtFloor({ name: 'Curlew 10', dropoutV: 9 }, 9)).toBeNull();
  });

  it('looks at less power, and stops a radio that shuts off', () => {
    expect(fullPowerAtFloor(radio, 12.5)).toEqual(
      jasmine.objectContaining({ severity: 'look', asks: 'at least 12.60 V', has: '12.50 V' }),
    );
    expect(fullPowerAtFloor(radio, 8.9)?.severity).toBe('stop');
  });
});

describe('the rule of the radio and the charging volts', () => {
  const iron = { name: 'Shale 18', chemistry: 'lifepo4', cellsInSeries: 4 } as const;

  it('is kept by four lithium iron cells at 15 V, and where nobody has said what it survives', () => {
    expect(survivesCharging(radio, iron)).toBeNull();
    expect(survivesCharging({ name: 'Curlew 10', dropoutV: 9 }, { ...iron, cellsInSeries: 8 })).toBeNull();
  });

  it('stops a radio of 14.2 V: four cells are charged at 14.4 V', () => {
    expect(survivesCharging({ ...radio, maxV: 14.2 }, iron)).toEqual(
      jasmine.objectContaining({ severity: 'stop', asks: 'at most 14.20 V', has: '14.40 V' }),
    );
  });

  it('is silent about cells that are not charged', () => {
    expect(survivesCharging({ ...radio, maxV: 5 }, { ...iron, chemistry: 'alkaline' })).toBeNull();
  });
});

describe('the rule of the radio and a full battery', () => {
  it('is kept by three lithium-ion cells in series', () => {
    expect(survivesFullBattery(radio, { name: 'pack', chemistry: 'liion', cellsInSeries: 3 })).toBeNull();
  });

  it('stops four of them: 16.7 V', () => {
    expect(survivesFullBattery(radio, { name: 'pack', chemistry: 'liion', cellsInSeries: 4 })).toEqual(
      jasmine.objectContaining({ severity: 'stop', has: '16.72 V' }),
    );
  });
});
