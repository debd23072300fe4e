import { HOUR_MS } from '../span.js';
import {
  accessoryCurrent,
  accessoryPieces,
  powerAtBattery,
  type OnRule,
  type OutingHours,
} from './accessory.js';
import { ampsAt } from './draw.js';

const span = (from: number, to: number) => ({ startMs: from * HOUR_MS, endMs: to * HOUR_MS });
const hours: OutingHours = {
  outing: span(0, 24),
  blocks: [
    { ...span(1, 3), mode: 'CW', share: 0.25 },
    { ...span(5, 6), mode: 'FT8', share: 0.42 },
  ],
  dark: [span(20, 24)],
};
const amp = { amps: 1, watts: 0 };
const told = (rule: OnRule, transmitting = amp) =>
  accessoryPieces(amp, rule, hours, transmitting).map(({ startMs, endMs, mean, keyDown }) => [
    startMs / HOUR_MS,
    endMs / HOUR_MS,
    mean.amps,
    keyDown.amps,
  ]);

describe('accessories', () => {
  it('are on by their rule', () => {
    expect(told({ when: 'always' })).toEqual([[0, 24, 1, 1]]);
    expect(told({ when: 'operating' })).toEqual([
      [1, 3, 1, 1],
      [5, 6, 1, 1],
    ]);
    expect(told({ when: 'operating', modes: ['FT8'] })).toEqual([[5, 6, 1, 1]]);
    // Two positions that work at once, the later one told first: on while either works, once.
    const both = {
      ...hours,
      blocks: [{ ...span(2, 6), mode: 'CW', share: 0.2 }, ...hours.blocks, hours.blocks[0]],
    };
    expect(
      accessoryPieces(amp, { when: 'operating' }, both as OutingHours).map(({ startMs, endMs }) => [
        startMs / HOUR_MS,
        endMs / HOUR_MS,
      ]),
    ).toEqual([[1, 6]]);
    expect(told({ when: 'dark' })).toEqual([[20, 24, 1, 1]]);
    // A lamp in white for a tenth of the dark, else at a fifth of that.
    const bright = { share: 0.1, otherwise: { amps: 0.2, watts: 0 } };
    expect(told({ when: 'dark', bright })[0][2]).toBeCloseTo(0.1 + 0.9 * 0.2, 12);
    expect(told({ when: 'dark', bright })[0][3]).toBe(1);
    expect(told({ when: 'minutes', anHour: 15 })).toEqual([[0, 24, 0.25, 1]]);
    expect(told({ when: 'hours', spans: [span(-2, 1), span(22, 30), span(40, 50)] })).toEqual([
      [0, 1, 1, 1],
      [22, 24, 1, 1],
    ]);
  });

  it('draw another current in overs, where they go with the transmitter', () => {
    // an amplifier: 1 A between overs, 9 A in them, a quarter of the time: 3 A
    expect(told({ when: 'transmitting', modes: ['CW'] }, { amps: 9, watts: 0 })).toEqual([[1, 3, 3, 9]]);
  });

  it('behind a converter take more amps as the volts fall, and an inverter stands at 6 W', () => {
    expect(accessoryCurrent('usb', 8.8, 12.5)).toBeCloseTo(0.8, 12);
    expect(powerAtBattery('mains', 0)).toBe(6);
    expect(ampsAt({ amps: 0.1, watts: 12 }, 12)).toBeCloseTo(1.1, 12);
    expect(ampsAt({ amps: 0.1, watts: 12 }, 10)).toBeCloseTo(1.3, 12);
  });
});
