import { firstFrom } from '../ascending.js';
import { HOUR_MS } from '../span.js';

/** Readings of an inline meter: ascending times, one voltage and one current each. */
export interface Readings {
  /** UTC epoch ms, or ms from the start of the recording. */
  readonly timesMs: Float64Array;
  readonly volts: Float64Array;
  readonly amps: Float64Array;
}

/** A stretch of readings: from one index up to, not including, another. */
export interface Stretch {
  readonly from: number;
  readonly to: number;
}

/** What a stretch comes to. */
export interface StretchFigures {
  readonly seconds: number;
  readonly readings: number;
  readonly meanA: number;
  /** Standard deviation of single readings, A. */
  readonly spreadA: number;
  readonly peakA: number;
  readonly meanV: number;
  readonly ampereHours: number;
  readonly wattHours: number;
}

/** A gap of so many usual steps, and of ten seconds at least, is a pause of the meter, not current that flowed on. */
const PAUSE_STEPS = 5;
const LEAST_PAUSE_MS = 10_000;
/** How many steps are looked at to know the usual one. */
const LOOKED_AT = 501;

/** From how long a gap on the meter has paused, ms. */
export function pauseMs(timesMs: Float64Array): number {
  const every = Math.max(1, Math.floor(timesMs.length / LOOKED_AT));
  const steps: number[] = [];
  for (let index = 1; index < timesMs.length; index += every) steps.push(timesMs[index] - timesMs[index - 1]);
  steps.sort((a, b) => a - b);
  return Math.max(LEAST_PAUSE_MS, PAUSE_STEPS * (steps[Math.floor((steps.length - 1) / 2)] ?? 0));
}

/**
 * Mean, spread, peak, duration, charge and energy of a stretch. Each reading holds up to the next one; across a pause of
 * the meter nothing is counted.
 */
export function stretchFigures({ timesMs, volts, amps }: Readings, { from, to }: Stretch): StretchFigures {
  const count = to - from;
  const pause = pauseMs(timesMs);
  let sumA = 0;
  let sumV = 0;
  let peakA = -Infinity;
  let ampereHours = 0;
  let wattHours = 0;
  let heldMs = 0;
  for (let index = from; index < to; index++) {
    sumA += amps[index];
    sumV += volts[index];
    if (amps[index] > peakA) peakA = amps[index];
    const nextMs = index + 1 < to ? timesMs[index + 1] : timesMs[index] + stepOf(timesMs, index, pause);
    const heldFor = nextMs - timesMs[index];
    if (heldFor > pause) continue;
    heldMs += heldFor;
    ampereHours += (amps[index] * heldFor) / HOUR_MS;
    wattHours += (amps[index] * volts[index] * heldFor) / HOUR_MS;
  }
  const meanA = count > 0 ? sumA / count : 0;
  let squares = 0;
  for (let index = from; index < to; index++) squares += (amps[index] - meanA) ** 2;
  return {
    seconds: heldMs / 1000,
    readings: count,
    meanA,
    spreadA: count > 1 ? Math.sqrt(squares / (count - 1)) : 0,
    peakA: count > 0 ? peakA : 0,
    meanV: count > 0 ? sumV / count : 0,
    ampereHours,
    wattHours,
  };
}

/** How long the last reading of a stretch is taken to hold: as long as the one before, ms. */
function stepOf(timesMs: Float64Array, index: number, pause: number): number {
  const step = index > 0 ? timesMs[index] - timesMs[index - 1] : 0;
  return step > pause ? 0 : step;
}

/** The readings from one instant to another as a stretch; found by halving. */
export function stretchBetween({ timesMs }: Readings, fromMs: number, toMs: number): Stretch {
  return { from: firstFrom(timesMs, fromMs), to: firstFrom(timesMs, toMs) };
}
