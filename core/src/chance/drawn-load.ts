import { planLoad, ratedBlock } from '../forecast/plan-load.js';
import { stationsOf, type PlanInput } from '../forecast/plan-input.js';
import type { LoadSeries } from '../load/load-series.js';
import { radioCurrent } from '../load/radio-current.js';
import { ratedCurrents, type SourcedAmps } from '../load/rating.js';
import { beats, type Trust } from '../source.js';
import { firstStepFrom } from '../time-grid.js';
import { betaQuantiles, normalProbability, quantileOf, type Quantiles } from './beta.js';
import type { ChanceDraw } from './draw.js';
import { HABIT, modeFactorSpread, receiveSpread, SHARE_FIRMNESS } from './spreads.js';

/** A block with what its mean current is made of. */
interface DrawnBlock {
  readonly fromStep: number;
  readonly toStep: number;
  readonly receiveA: number;
  readonly keyDownA: number;
  readonly keyUpA: number;
  /** CW with break-in: between elements it draws what receiving draws, with its error. */
  readonly keyUpAtReceive: boolean;
  readonly share: number;
  readonly shares: Quantiles;
  readonly modeFactor: number;
  readonly modeSpread: number;
  readonly receiveSpread: number;
  /** What an amplifier behind the radio takes more in overs, A at the steady volts. */
  readonly inOversA: number;
}

/** What draws of a plan's load have in common. */
export interface LoadLaw {
  readonly load: LoadSeries;
  /** Everything but the radios, A at steady volts, an amplifier at the planned share. */
  readonly restA: Float64Array;
  readonly blocks: readonly DrawnBlock[];
}

/**
 * The law of a plan's load.
 *
 * @param voltsAt at which watts are reckoned in each step, V
 */
export function loadLaw(plan: PlanInput, edgesMs: Float64Array, voltsAt: (step: number) => number): LoadLaw {
  const load = planLoad(plan, edgesMs);
  const stations = stationsOf(plan);
  const restA = new Float64Array(edgesMs.length - 1);
  load.byConsumer.slice(stations.length).forEach(({ amps, watts }) => {
    for (let step = 0; step < restA.length; step++) restA[step] += amps[step] + watts[step] / voltsAt(step);
  });
  const blocks = stations.flatMap(({ radio, blocks: planned }, station) => {
    const currents = ratedCurrents(radio.figures, plan.rating);
    return planned.map((block): DrawnBlock => {
      const rated = ratedBlock(block, radio, plan.rating);
      const { receiveA, keyDownA, keyUpA } = radioCurrent(rated.currents ?? currents, rated);
      const rating = block.rating ?? plan.rating;
      const fromStep = firstStepFrom(edgesMs, block.startMs);
      const volts = voltsAt(Math.min(fromStep, restA.length - 1));
      const isMeasured = rating === 'measured' && block.measuredFactor !== undefined;
      return {
        fromStep,
        toStep: firstStepFrom(edgesMs, block.endMs),
        receiveA,
        keyDownA,
        keyUpA,
        keyUpAtReceive: block.keyUpAtReceive,
        share: block.share,
        shares: betaQuantiles(block.share, SHARE_FIRMNESS),
        modeFactor: rated.modeFactor,
        modeSpread: modeFactorSpread(rated.modeFactor, isMeasured),
        receiveSpread: receiveSpread(trustOf(radio.figures.receive)),
        inOversA: station === 0 ? inOvers(plan, block.startMs, volts) : 0,
      };
    });
  });
  return { load, restA, blocks };
}

const trustOf = (figures: readonly SourcedAmps[]): Trust =>
  figures.reduce((best, figure) => (beats(figure.source, best.source) ? figure : best));

/** What is on behind the first radio and takes more in overs, A, in the block that begins at an instant. */
function inOvers({ accessories }: PlanInput, startMs: number, volts: number): number {
  let amps = 0;
  for (const { pieces } of accessories) {
    const piece = pieces.find((one) => one.inOvers && one.startMs === startMs);
    if (piece?.inOvers) amps += piece.inOvers.amps + piece.inOvers.watts / volts;
  }
  return amps;
}

/** The share on transmit of a block as it is drawn, 0 to 1: the operators' habit and the block's own chance, by the beta law. */
export function drawnShare(shares: Quantiles, habit: number, own: number): number {
  const deviation = HABIT * habit + Math.sqrt(1 - HABIT ** 2) * own;
  return quantileOf(shares, normalProbability(deviation));
}

/**
 * The mean load of each step in a draw, A.
 *
 * @param into filled, one value a step
 */
export function drawnLoad({ restA, blocks }: LoadLaw, draw: ChanceDraw, into: Float32Array): void {
  into.set(restA);
  for (let index = 0; index < blocks.length; index++) {
    const block = blocks[index];
    const { fromStep, toStep, share, modeFactor, modeSpread, keyDownA } = block;
    const drawn = draw.habit === null ? share : drawnShare(block.shares, draw.habit, draw.blocks[index]);
    const receiveA = block.receiveA * Math.max(0.2, 1 + draw.receive * block.receiveSpread);
    const factor = Math.min(1, Math.max(0, modeFactor + draw.modeFactor * modeSpread));
    const keyUpA = block.keyUpAtReceive ? receiveA : block.keyUpA;
    const overA = keyUpA + factor * (keyDownA - keyUpA);
    const meanA = drawn * overA + (1 - drawn) * receiveA + (drawn - share) * block.inOversA;
    for (let step = fromStep; step < toStep; step++) into[step] += meanA;
  }
}
