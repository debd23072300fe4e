import { planLoad, assumedBlock } from '../forecast/plan-load.js';
import { positionsOf, type PlanInput } from '../forecast/plan-input.js';
import type { LoadSeries } from '../load/load-series.js';
import { radioCurrent } from '../load/radio-current.js';
import { bestFigure, assumedCurrents, type RadioFigures } from '../load/assumption.js';
import { trustAt } from '../load/transmit-points.js';
import type { Trust } from '../source.js';
import { firstStepFrom } from '../time-grid.js';
import { betaQuantiles, normalProbability, quantileOf, type Quantiles } from './beta.js';
import type { Sample } from './sample.js';
import { accessoryFactor, keyDownFactor, modeFactorSpread, receiveFactor, shareLaw } from './spreads.js';

/** A block with what its mean current is made of. */
export interface SampledBlock {
  readonly fromStep: number;
  readonly toStep: number;
  /** Which of the operating positions works it, 0 for the first. */
  readonly position: number;
  readonly receiveA: number;
  readonly receiveFrom: Trust;
  readonly keyDownFrom: Trust;
  readonly keyDownA: number;
  readonly keyUpA: number;
  /** CW with break-in: between elements it draws what receiving draws, with its error. */
  readonly keyUpAtReceive: boolean;
  readonly share: number;
  readonly shares: Quantiles;
  /** How much of the duty cycle's deviation is the operator's habit, 0 to 1. */
  readonly habit: number;
  readonly modeFactor: number;
  readonly modeSpread: number;
  /** What an amplifier behind the radio takes more in overs, A at the steady volts. */
  readonly inOversA: number;
}

interface SampledAccessory {
  readonly amps: Float64Array;
  readonly from: Trust;
}

/** What samples of a plan's load have in common. */
export interface LoadLaw {
  readonly load: LoadSeries;
  /** What every accessory takes, A at steady volts, an amplifier at the planned share. */
  readonly accessories: readonly SampledAccessory[];
  readonly blocks: readonly SampledBlock[];
}

/**
 * The law of a plan's load.
 *
 * @param voltsAt at which watts are calculated in each step, V
 */
export function loadLaw(plan: PlanInput, edgesMs: Float64Array, voltsAt: (step: number) => number): LoadLaw {
  const load = planLoad(plan, edgesMs);
  const positions = positionsOf(plan);
  const accessories = load.byConsumer
    .slice(positions.length)
    .map(({ amps, watts }, index): SampledAccessory => {
      const atVolts = Float64Array.from(amps, (value, step) => value + watts[step] / voltsAt(step));
      return { amps: atVolts, from: plan.accessories[index].from ?? SHEET };
    });
  const blocks = positions.flatMap(({ radio, blocks: planned }, position) => {
    const currents = assumedCurrents(radio.figures, plan.assumption);
    return planned.map((block): SampledBlock => {
      const assumed = assumedBlock(block, radio, plan.assumption);
      const { receiveA, keyDownA, keyUpA } = radioCurrent(assumed.currents ?? currents, assumed);
      const assumption = block.assumption ?? plan.assumption;
      const fromStep = firstStepFrom(edgesMs, block.startMs);
      const volts = voltsAt(Math.min(fromStep, edgesMs.length - 2));
      const isMeasured = assumption === 'measured' && block.measuredFactor !== undefined;
      const law = shareLaw(block.share, block.shareFrom);
      return {
        fromStep,
        toStep: firstStepFrom(edgesMs, block.endMs),
        position,
        receiveA,
        receiveFrom: receiveTrust(radio.figures, block.byEar === true),
        keyDownFrom: trustAt(radio.figures.transmit, block.powerW),
        keyDownA,
        keyUpA,
        keyUpAtReceive: block.keyUpAtReceive,
        share: block.share,
        shares: betaQuantiles(block.share, law.firmness),
        habit: law.habit,
        modeFactor: assumed.modeFactor,
        modeSpread: modeFactorSpread(assumed.modeFactor, isMeasured),
        inOversA: position === 0 ? inOvers(plan, block.startMs, volts) : 0,
      };
    });
  });
  return { load, accessories, blocks };
}

const SHEET: Trust = { source: 'datasheet' };

const receiveTrust = ({ receive, receiveByEar = [] }: RadioFigures, byEar: boolean): Trust =>
  bestFigure(byEar && receiveByEar.length > 0 ? receiveByEar : receive);

/** What is on behind the first radio and takes more in overs, A, in the block that begins at an instant. */
function inOvers({ accessories }: PlanInput, startMs: number, volts: number): number {
  let amps = 0;
  for (const { pieces } of accessories) {
    const piece = pieces.find((one) => one.inOvers && one.startMs === startMs);
    if (piece?.inOvers) amps += piece.inOvers.amps + piece.inOvers.watts / volts;
  }
  return amps;
}

type ShareOf = Pick<SampledBlock, 'shares' | 'habit'>;

/** The share on transmit of a block as it is sampled, 0 to 1: the operators' habit and the block's own chance, by the beta law. */
export function sampledShare(block: ShareOf, habit: number, own: number): number {
  const deviation = block.habit * habit + Math.sqrt(1 - block.habit ** 2) * own;
  return quantileOf(block.shares, normalProbability(deviation));
}

/**
 * What everything but the radios takes in each step of a sample, A, an amplifier at the planned duty cycle.
 *
 * @param into filled, one value a step
 */
export function sampledRest(accessories: LoadLaw['accessories'], sample: Sample, into: Float32Array): void {
  into.fill(0);
  for (let index = 0; index < accessories.length; index++) {
    const { amps, from } = accessories[index];
    const factor = accessoryFactor(from, sample.accessories[index]);
    for (let step = 0; step < into.length; step++) into[step] += factor * amps[step];
  }
}

/** By how much a block is off, in standard deviations. */
export interface BlockDeviations {
  /** The operators' habit of transmitting; null where duty cycles stand as planned. */
  readonly habit: number | null;
  readonly own: number;
  readonly receive: number;
  readonly keyDown: number;
  readonly modeFactor: number;
}

/** The currents of a block as it is sampled, A, and its transmit duty cycle, 0 to 1. */
export interface BlockCurrents {
  readonly share: number;
  readonly receiveA: number;
  readonly keyDownA: number;
  readonly meanA: number;
}

/** A block in a sample. */
export function sampledBlock(block: SampledBlock, off: BlockDeviations): BlockCurrents {
  const { share: planned, modeFactor, modeSpread } = block;
  const share = off.habit === null ? planned : sampledShare(block, off.habit, off.own);
  const receiveA = block.receiveA * receiveFactor(block.receiveFrom, off.receive);
  const keyDownA = block.keyDownA * keyDownFactor(block.keyDownFrom, off.keyDown);
  const factor = Math.min(1, Math.max(0, modeFactor + off.modeFactor * modeSpread));
  const keyUpA = block.keyUpAtReceive ? receiveA : block.keyUpA;
  const overA = keyUpA + factor * (keyDownA - keyUpA);
  const meanA = share * overA + (1 - share) * receiveA + (share - planned) * block.inOversA;
  return { share, receiveA, keyDownA, meanA };
}

/**
 * The mean load of each step in a sample, A.
 *
 * @param into filled, one value a step
 */
export function sampledLoad({ accessories, blocks }: LoadLaw, sample: Sample, into: Float32Array): void {
  sampledRest(accessories, sample, into);
  const { habit, modeFactor } = sample;
  for (let index = 0; index < blocks.length; index++) {
    const block = blocks[index];
    const { fromStep, toStep, position } = block;
    const own = sample.blocks[index];
    const receive = sample.receive[position];
    const keyDown = sample.keyDown[position];
    const { meanA } = sampledBlock(block, { habit, own, receive, keyDown, modeFactor });
    for (let step = fromStep; step < toStep; step++) into[step] += meanA;
  }
}
