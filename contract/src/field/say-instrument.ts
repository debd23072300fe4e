import { fixed, type InstrumentReading } from '@knapsack/core';

/** The instruments that send lines, by the names that a user reads. */
export const INSTRUMENT_WORDS = {
  meter: 'Inline meter',
  monitor: 'Battery monitor',
  controller: 'Charge controller',
} as const satisfies Record<InstrumentReading['source'], string>;

/** A figure on an instrument's display. */
export interface ShownFigure {
  readonly label: string;
  readonly value: string;
}

const shown = (label: string, value: number, digits: number, unit: string): ShownFigure => ({
  label,
  value: `${fixed(value, digits)} ${unit}`,
});

/** What stands on an instrument's display, as it shows it. */
export function displayOf(reading: InstrumentReading): readonly ShownFigure[] {
  switch (reading.source) {
    case 'meter':
      return [shown('volts', reading.volts, 2, 'V'), shown('out', reading.amps, 2, 'A')];
    case 'monitor': {
      const { volts, amps, percent, ampereHours, minutesLeft } = reading;
      return [
        shown('volts', volts, 2, 'V'),
        shown(amps > 0 ? 'in' : 'out', Math.abs(amps), 2, 'A'),
        shown('charge', percent, 0, '%'),
        shown('since full', ampereHours, 2, 'Ah'),
        ...(minutesLeft === null ? [] : [shown('to go', minutesLeft / 60, 1, 'h')]),
      ];
    }
    case 'controller': {
      const { panelV, panelA, batteryA, inAh, peakW, stage } = reading;
      return [
        shown('panel', panelV, 1, 'V'),
        shown('panel', panelA, 2, 'A'),
        shown('in', batteryA, 2, 'A'),
        shown('since start', inAh, 2, 'Ah'),
        shown('peak', peakW, 0, 'W'),
        { label: 'stage', value: stage },
      ];
    }
  }
}
