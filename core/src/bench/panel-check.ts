import { fail, succeed, type Result } from '../problem.js';
import { harvest, type SunPlan } from '../sun/harvest.js';
import type { Readings } from './readings.js';

/** What readings of a panel's charge say of its label. */
export interface PanelCheck {
  /** Share of the label's current that the panel really gives: the median over the readings, and their spread. */
  readonly truth: number;
  readonly spread: number;
  /** Readings that told something. */
  readonly readings: number;
}

/** The model must expect at least this much for a reading to tell anything, A. */
const LEAST_A = 0.2;
const FEWEST = 5;

/**
 * Holds readings of the current into the battery against the model of that panel in its place and sky, at a label truth
 * of 1: their ratio is the truth. Times are UTC epoch ms. A controller at its limit tells nothing.
 */
export function panelCheck(readings: Readings, plan: SunPlan): Result<PanelCheck> {
  const { timesMs, volts, amps } = readings;
  if (timesMs.length < 2) return tooFew();
  const edges = Float64Array.from(timesMs);
  const model = harvest({ ...plan, truth: 1 }, edges);
  const ratios: number[] = [];
  for (let index = 0; index < timesMs.length - 1; index++) {
    const expected = model.offeredAt(index, volts[index]);
    if (expected < LEAST_A || model.stateAt(index, volts[index]) === 'current_limit') continue;
    ratios.push(amps[index] / expected);
  }
  if (ratios.length < FEWEST) return tooFew();
  ratios.sort((a, b) => a - b);
  const truth = ratios[ratios.length >> 1];
  const mean = ratios.reduce((sum, ratio) => sum + ratio, 0) / ratios.length;
  const squares = ratios.reduce((sum, ratio) => sum + (ratio - mean) ** 2, 0);
  return succeed({ truth, spread: Math.sqrt(squares / (ratios.length - 1)), readings: ratios.length });
}

const tooFew = (): Result<never> =>
  fail({
    code: 'too-little-sun',
    sentence:
      'Too few readings in enough sun to judge the panel by; five are needed where the model expects 0.2 A or more.',
  });
