import { instrumentOf, readingScale, resetBy, type FieldReading } from './reading.js';

const as = (change: Partial<FieldReading>) => ({ source: 'typed', state: 'listening', ...change }) as const;

describe('a reading', () => {
  it('comes from an instrument with a gain, unless it is volts or per cent', () => {
    expect(instrumentOf('typed', 'volts')).toBeNull();
    expect(instrumentOf('monitor', 'percent')).toBeNull();
    expect(instrumentOf('typed', 'outAh')).toBe('loads');
    expect(instrumentOf('meter', 'amps')).toBe('loads');
    expect(instrumentOf('monitor', 'amps')).toBe('battery');
    expect(instrumentOf('monitor', 'inAh')).toBe('battery');
    expect(instrumentOf('typed', 'inAh')).toBe('panel');
    expect(instrumentOf('controller', 'panelWatts')).toBe('panel');
  });

  it('is counted anew where it is reset', () => {
    expect(resetBy('meter')).toEqual(['loads', 'panel']);
    expect(resetBy('controller')).toEqual(['panel']);
    expect(resetBy('monitor')).toEqual(['battery']);
  });

  it('may be off by what its kind is', () => {
    expect(readingScale('volts', as({}), 13, false)).toBe(0.05);
    expect(readingScale('volts', as({}), 13, true)).toBe(0.1);
    expect(readingScale('radioVolts', as({ state: 'keyDown' }), 13, false)).toBe(0.1);
    expect(readingScale('amps', as({}), 2, false)).toBeCloseTo(0.07, 12);
    expect(readingScale('amps', as({}), -2, false)).toBeCloseTo(0.07, 12);
    expect(readingScale('outAh', as({}), 5, false)).toBeCloseTo(0.03, 12);
    expect(readingScale('panelAmps', as({}), 1, false)).toBeCloseTo(0.2, 12);
    expect(readingScale('panelWatts', as({}), 20, false)).toBeCloseTo(4, 12);
    expect(readingScale('percent', as({}), 50, false)).toBe(8);
    expect(readingScale('percent', as({ source: 'monitor' }), 50, false)).toBe(5);
  });
});
