import { dischargeRate, type BatteryPack } from '../battery/battery-pack.js';
import { dischargingVolts } from '../battery/terminal-volts.js';
import { generator, normal, type Generator } from '../random/generator.js';
import { transmitCurrent, transmitCurrentAtZero, type RadioCurrents } from '../load/transmit-current.js';

/** What the radio at the simulated meter is doing. */
export const METER_SCRIPTS = {
  receive: 'receiving, quiet',
  keyDown: 'key down',
  voice: 'voice overs',
  cw: 'CW overs',
  slots: 'every other slot',
  beacons: 'a beacon a minute',
} as const;

export type MeterScript = keyof typeof METER_SCRIPTS;

/** A simulated inline meter: its radio, and what is wrong with it as with any meter. */
export interface MeterSetup {
  readonly radio: RadioCurrents;
  readonly powerW: number;
  readonly script: MeterScript;
  /** Noise of a reading, A. */
  readonly noiseA: number;
  /** What it always shows too much, A, and how that grows an hour. */
  readonly offsetA: number;
  readonly driftAPerHour: number;
  /** Volts at rest, and what they fall by an ampere. */
  readonly restV: number;
  readonly ohm: number;
}

/** A reading: ms since the meter was switched on, volts, amps. */
export interface Reading {
  readonly timeMs: number;
  readonly volts: number;
  readonly amps: number;
}

const DIT_MS = 60;

/**
 * The readings of a simulated meter, one for each instant that it is asked for, in order of time: the stand-in for an
 * inline meter on a serial port. The same seed gives the same readings.
 */
export function simulatedMeter(setup: MeterSetup, seed: number): (timeMs: number) => Reading {
  const next = generator(seed);
  const level = levelOf(setup, generator(seed ^ 0x5bd1e995));
  return (timeMs) => {
    const amps =
      level(timeMs) +
      setup.offsetA +
      (setup.driftAPerHour * timeMs) / 3_600_000 +
      setup.noiseA * normal(next);
    const volts = setup.restV - amps * setup.ohm + 0.002 * normal(next);
    return { timeMs, volts: round(volts), amps: Math.max(0, round(amps)) };
  };
}

const round = (value: number): number => Math.round(value * 10_000) / 10_000;

/** The true current at an instant. */
function levelOf({ radio, powerW, script }: MeterSetup, next: Generator): (timeMs: number) => number {
  const { receiveA } = radio;
  const downA = transmitCurrent(radio, powerW);
  const upA = transmitCurrentAtZero(radio);
  const within = (timeMs: number, everyS: number, onS: number) => (timeMs / 1000) % everyS < onS;
  switch (script) {
    case 'receive':
      return () => receiveA;
    case 'keyDown':
      return () => downA;
    case 'voice':
      // Six seconds of every twenty; syllables between nothing and peak, two fifths of the way on average.
      return (timeMs) => (within(timeMs, 20, 6) ? upA + (downA - upA) * next() ** 1.5 : receiveA);
    case 'cw':
      return (timeMs) => (within(timeMs, 30, 10) && keyed(timeMs) ? downA : receiveA);
    case 'slots':
      return (timeMs) => (within(timeMs, 30, 12.64) ? downA : receiveA);
    case 'beacons':
      return (timeMs) => (within(timeMs, 60, 0.8) ? downA : receiveA);
  }
}

/** The key of "PARIS " in units of a dit, the standard word: 22 of 50 down. */
const PARIS = '10111011101000101110001011101000101000101010000000';
const keyed = (timeMs: number): boolean => PARIS[Math.floor(timeMs / DIT_MS) % PARIS.length] === '1';

/** Where the volts of an empty battery are read under its load, as a share of its cut-off. */
const EMPTY_SHARE = 0.95;

/** How long a simulated discharge rests before the load is put on, so that the step tells the resistance, ms. */
const REST_MS = 60_000;

/**
 * The readings of a meter in a simulated capacity test: a full pack at rest, then under a steady load until its cut-off
 * opens; asked for in order of time. Volts by the pack's own formula, with the meter's noise.
 */
export function simulatedLoad(pack: BatteryPack, amps: number, seed: number): (timeMs: number) => Reading {
  const next = generator(seed);
  let soc = 1;
  let lastMs = 0;
  let open = false;
  return (timeMs) => {
    const loaded = timeMs > REST_MS && !open;
    if (loaded) {
      const hours = (timeMs - Math.max(lastMs, REST_MS)) / 3_600_000;
      soc = Math.max(0, soc - dischargeRate(pack, amps) * hours);
    }
    const drawn = loaded ? amps : 0;
    const heldV = dischargingVolts(pack, soc, drawn);
    // An empty battery's volts fall away under the load, whatever the table says of it at rest.
    const volts = loaded && soc === 0 ? Math.min(heldV, EMPTY_SHARE * pack.cutoffV) : heldV;
    if (loaded && volts <= pack.cutoffV) open = true;
    lastMs = timeMs;
    return {
      timeMs,
      volts: round(volts + 0.001 * normal(next)),
      amps: Math.max(0, round(drawn + 0.002 * normal(next))),
    };
  };
}

/**
 * A reading as a line of the meter's serial format: "M 12345 12.8731 0.1412", ms since it was switched on, volts, amps.
 * One line a reading, ended by a line feed; lines that begin with another letter are to be passed over.
 */
export const meterLine = ({ timeMs, volts, amps }: Reading): string =>
  `M ${Math.round(timeMs)} ${volts.toFixed(4)} ${amps.toFixed(4)}`;

const LINE = /^M (\d+) (-?\d+(?:\.\d+)?) (-?\d+(?:\.\d+)?)\s*$/;

/** Reads a line of the meter; null for one that is none of its readings. */
export function readMeterLine(line: string): Reading | null {
  const match = LINE.exec(line);
  return match ? { timeMs: Number(match[1]), volts: Number(match[2]), amps: Number(match[3]) } : null;
}
