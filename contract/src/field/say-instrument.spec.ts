import { CONTROLLER_STAGES } from '@knapsack/core';
import { displayOf } from './say-instrument.js';

const said = (reading: Parameters<typeof displayOf>[0]) =>
  displayOf(reading).map(({ label, value }) => `${label} ${value}`);

describe('what stands on an instrument’s display', () => {
  it('is of a meter what goes through it', () => {
    expect(said({ source: 'meter', ms: 0, volts: 13.204, amps: 0.146 })).toEqual([
      'volts 13.20 V',
      'out 0.15 A',
    ]);
  });

  it('is of a battery monitor the charge too, in or out by its sign, and how long it goes on where it knows', () => {
    const monitor = { source: 'monitor', ms: 0, volts: 13.1, percent: 84, ampereHours: -2.86 } as const;
    expect(said({ ...monitor, amps: -0.5, minutesLeft: 1830 })).toEqual([
      ...['volts 13.10 V', 'out 0.50 A', 'charge 84 %', 'since full −2.86 Ah', 'to go 30.5 h'],
    ]);
    expect(said({ ...monitor, amps: 0.5, minutesLeft: null })[1]).toBe('in 0.50 A');
    expect(said({ ...monitor, amps: 0, minutesLeft: null })).toHaveSize(4);
    expect(said({ ...monitor, amps: 0, minutesLeft: null })[1]).toBe('out 0.00 A');
  });

  it('is of a charge controller both of its sides', () => {
    const reading = {
      ...{ source: 'controller' as const, ms: 0, panelV: 18.24, panelA: 1.2, batteryV: 13.3, batteryA: 1.58 },
      ...{ inAh: 4.2, peakW: 27, stage: CONTROLLER_STAGES[0] },
    } as const;
    expect(said(reading)).toEqual([
      ...[
        'panel 18.2 V',
        'panel 1.20 A',
        'in 1.58 A',
        'since start 4.20 Ah',
        'peak 27 W',
        `stage ${CONTROLLER_STAGES[0]}`,
      ],
    ]);
  });
});
