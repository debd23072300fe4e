import { readMeterLine } from '../bench/simulated-meter.js';
import type { ReadingSource } from '../field/reading.js';

/** Stages of a charge controller. */
export const CONTROLLER_STAGES = ['off', 'bulk', 'absorption', 'float'] as const;
export type ControllerStage = (typeof CONTROLLER_STAGES)[number];

/** What an instrument tells in a line; `ms` since it was switched on. */
export type InstrumentReading =
  /** The inline meter, in the cable to the loads. */
  | { readonly source: 'meter'; readonly ms: number; readonly volts: number; readonly amps: number }
  /** The battery monitor, which counts coulombs in the battery's own cable. */
  | {
      readonly source: 'monitor';
      readonly ms: number;
      readonly volts: number;
      /** Positive while the charge rises. */
      readonly amps: number;
      /** 0 to 100. */
      readonly percent: number;
      /** Since it was last full; negative. */
      readonly ampereHours: number;
      /** Until it is empty at this rate; null where it says nothing. */
      readonly minutesLeft: number | null;
    }
  /** The charge controller's port. */
  | {
      readonly source: 'controller';
      readonly ms: number;
      readonly panelV: number;
      readonly panelA: number;
      readonly batteryV: number;
      readonly batteryA: number;
      /** Into the battery since it was switched on or reset. */
      readonly inAh: number;
      /** The largest since then. */
      readonly peakW: number;
      readonly stage: ControllerStage;
    };

/** No line of an instrument is longer. */
export const LONGEST_LINE = 120;

const NUMBER = /^-?\d{1,12}(\.\d{1,6})?$/;
const isStage = (word: string): word is ControllerStage =>
  (CONTROLLER_STAGES as readonly string[]).includes(word);

/** A line as an instrument sends it. Source: convention of this project, docs/formats.md. */
export function instrumentLine(reading: InstrumentReading): string {
  const ms = Math.round(reading.ms);
  switch (reading.source) {
    case 'meter':
      return `M ${ms} ${reading.volts.toFixed(4)} ${reading.amps.toFixed(4)}`;
    case 'monitor': {
      const { volts, amps, percent, ampereHours, minutesLeft } = reading;
      const left = minutesLeft === null ? '-' : Math.round(minutesLeft);
      return `B ${ms} ${volts.toFixed(2)} ${amps.toFixed(2)} ${percent.toFixed(0)} ${ampereHours.toFixed(2)} ${left}`;
    }
    case 'controller': {
      const { panelV, panelA, batteryV, batteryA, inAh, peakW, stage } = reading;
      return `C ${ms} ${panelV.toFixed(2)} ${panelA.toFixed(2)} ${batteryV.toFixed(2)} ${batteryA.toFixed(2)} ${inAh.toFixed(2)} ${peakW.toFixed(0)} ${stage}`;
    }
  }
}

/** Reads a line of any instrument; null for one that is none. */
export function readInstrumentLine(line: string): InstrumentReading | null {
  if (line.length > LONGEST_LINE) return null;
  const [letter, ...words] = line.trim().split(/\s+/);
  if (letter === 'M') {
    const read = readMeterLine(line.trim());
    return read && { source: 'meter', ms: read.timeMs, volts: read.volts, amps: read.amps };
  }
  const last = words.at(-1);
  const numbers = (letter === 'B' ? words.slice(0, 5) : words.slice(0, 7)).map((word) =>
    NUMBER.test(word) ? Number(word) : NaN,
  );
  if (last === undefined || numbers.some(Number.isNaN) || numbers[0] < 0) return null;
  if (letter === 'B' && words.length === 6) {
    const [ms, volts, amps, percent, ampereHours] = numbers;
    const minutesLeft = last === '-' ? null : NUMBER.test(last) ? Number(last) : NaN;
    if (Number.isNaN(minutesLeft)) return null;
    return { source: 'monitor', ms, volts, amps, percent, ampereHours, minutesLeft };
  }
  if (letter === 'C' && words.length === 8 && isStage(last)) {
    const [ms, panelV, panelA, batteryV, batteryA, inAh, peakW] = numbers;
    return { source: 'controller', ms, panelV, panelA, batteryV, batteryA, inAh, peakW, stage: last };
  }
  return null;
}

/** The instruments that send lines. */
export type LineSource = Exclude<ReadingSource, 'typed'>;
