import { firstStepFrom } from '../time-grid.js';
import { HOUR_MS, type Span } from '../span.js';
import type { LoadPiece } from './accessory.js';
import { radioCurrent, type Operation } from './radio-current.js';
import type { Trust } from '../source.js';
import type { RadioCurrents } from './transmit-current.js';

/** A stretch of operating. */
export interface WorkBlock extends Span, Operation {
  /** The radio's currents under another assumption than the rest of the plan; the operating position's if absent. */
  readonly currents?: RadioCurrents;
}

/** What draws besides the radio, each stretch with its own draw; stretches of one accessory do not overlap. */
export interface AccessoryLoad {
  /** What it is known by where it came from; a load that is no piece of gear has none. */
  readonly id?: string;
  readonly name: string;
  /** Where its draw comes from; a data sheet if absent. */
  readonly from?: Trust;
  readonly pieces: readonly LoadPiece[];
}

/** One consumer's mean draw over the steps: A whatever the volts, and W. */
export interface DrawSeries {
  readonly amps: Float64Array;
  readonly watts: Float64Array;
}

/** What draws current, one value a step; the edges have one more. Watts take more amps as the volts fall. */
export interface LoadSeries {
  /** Step edges, UTC epoch milliseconds, ascending. */
  readonly edgesMs: Float64Array;
  /** Mean draw of everything. */
  readonly mean: DrawSeries;
  /** Draw of everything while the key is down, of all operating positions that send at once; 0 where no radio is on. */
  readonly keyDown: DrawSeries;
  /** The radio's part of it, A; of several that are on, of the one that needs the most volts at the battery. */
  readonly keyDownRadioA: Float64Array;
  /** Volts below which that radio shuts off; only with several operating positions. */
  readonly dropoutV?: Float64Array;
  /** Names of the consumers: the radio first, then other operating positions, then the accessories in order. */
  readonly consumers: readonly string[];
  /** Mean draw of each consumer, in the order of {@link consumers}. */
  readonly byConsumer: readonly DrawSeries[];
}

/** A radio with the hours that it is worked. */
export interface LoadPosition {
  readonly name: string;
  readonly radio: RadioCurrents;
  /** Stretches of operating that do not overlap. Outside them the radio is off. */
  readonly blocks: readonly WorkBlock[];
  /** Volts at the radio below which it shuts off. */
  readonly dropoutV: number;
}

export interface LoadPlan {
  readonly radioName: string;
  readonly radio: RadioCurrents;
  /** Stretches of operating that do not overlap. Outside them the radio is off. */
  readonly blocks: readonly WorkBlock[];
  readonly accessories: readonly AccessoryLoad[];
  /** More operating positions on the same batteries, each on a cable like the first one's. */
  readonly others?: readonly LoadPosition[];
  /** One of them sends at a time, while the others receive; all may at once if absent. */
  readonly oneSpeaks?: boolean;
  /** With other operating positions: volts at the first radio below which it shuts off, and the cable's resistance, ohm. */
  readonly dropoutV?: number;
  readonly cableOhm?: number;
}

/**
 * The load of a plan over given steps. Steps must not straddle the edge of a block or of an accessory's stretch
 * (see timeGrid), so that each step has one load.
 */
export function loadSeries(plan: LoadPlan, edgesMs: Float64Array): LoadSeries {
  const steps = edgesMs.length - 1;
  const radio = noDraw(steps);
  const keyDown = noDraw(steps);
  const keyDownRadioA = new Float64Array(steps);
  const speaking = new Speaking(keyDown.amps, plan.oneSpeaks === true);
  for (const block of plan.blocks) {
    const { meanA, keyDownA, receiveA } = radioCurrent(block.currents ?? plan.radio, block);
    const peakA = block.share > 0 ? keyDownA : receiveA;
    forSteps(edgesMs, block, (step) => {
      radio.amps[step] = meanA;
      keyDownRadioA[step] = peakA;
      speaking.add(step, peakA, receiveA);
    });
  }

  const dropoutV = plan.others && new Float64Array(steps).fill(plan.dropoutV ?? 0);
  const others = (plan.others ?? []).map((position) => {
    const series = noDraw(steps);
    for (const block of position.blocks) {
      const { meanA, keyDownA, receiveA } = radioCurrent(block.currents ?? position.radio, block);
      const peakA = block.share > 0 ? keyDownA : receiveA;
      forSteps(edgesMs, block, (step) => {
        series.amps[step] = meanA;
        speaking.add(step, peakA, receiveA);
        const needsV = (volts: number, amps: number) => volts + amps * (plan.cableOhm ?? 0);
        const isOn = keyDownRadioA[step] > 0;
        if (isOn && needsV(position.dropoutV, peakA) <= needsV(dropoutV![step], keyDownRadioA[step])) return;
        keyDownRadioA[step] = peakA;
        dropoutV![step] = position.dropoutV;
      });
    }
    return series;
  });

  const accessories = plan.accessories.map(({ pieces }) =>
    accessorySeries(pieces, edgesMs, keyDownRadioA, keyDown),
  );
  const byConsumer = [radio, ...others, ...accessories];
  return {
    edgesMs,
    mean: sumOf(byConsumer, steps),
    keyDown,
    keyDownRadioA,
    ...(dropoutV && { dropoutV }),
    consumers: [
      plan.radioName,
      ...(plan.others ?? []).map(({ name }) => name),
      ...plan.accessories.map(({ name }) => name),
    ],
    byConsumer,
  };
}

/** What all radios together draw while keys are down: all at once, or the one that draws most while the others receive. */
class Speaking {
  /** By how much the one that sends draws more than it receives, A. */
  private readonly more: Float64Array;

  constructor(
    private readonly amps: Float64Array,
    private readonly oneAtATime: boolean,
  ) {
    this.more = new Float64Array(amps.length);
  }

  add(step: number, peakA: number, receiveA: number): void {
    if (!this.oneAtATime) {
      this.amps[step] += peakA;
      return;
    }
    const more = Math.max(0, peakA - receiveA - this.more[step]);
    this.more[step] += more;
    this.amps[step] += receiveA + more;
  }
}

const noDraw = (steps: number): DrawSeries => ({
  amps: new Float64Array(steps),
  watts: new Float64Array(steps),
});

/** What an accessory takes; in steps in which a radio is on it counts into what everything takes while the key is down. */
function accessorySeries(
  pieces: readonly LoadPiece[],
  edgesMs: Float64Array,
  keyDownRadioA: Float64Array,
  keyDown: DrawSeries,
): DrawSeries {
  const series = noDraw(edgesMs.length - 1);
  for (const piece of pieces) {
    forSteps(edgesMs, piece, (step) => {
      series.amps[step] += piece.mean.amps;
      series.watts[step] += piece.mean.watts;
      if (keyDownRadioA[step] === 0) return;
      keyDown.amps[step] += piece.keyDown.amps;
      keyDown.watts[step] += piece.keyDown.watts;
    });
  }
  return series;
}

function sumOf(consumers: readonly DrawSeries[], steps: number): DrawSeries {
  const sum = noDraw(steps);
  for (const { amps, watts } of consumers) {
    for (let step = 0; step < steps; step++) {
      sum.amps[step] += amps[step];
      sum.watts[step] += watts[step];
    }
  }
  return sum;
}

/** Charge that a current series takes from one instant to another, Ah. */
export function chargeBetween(
  edgesMs: Float64Array,
  amps: Float64Array,
  fromMs: number,
  toMs: number,
): number {
  let ampereHours = 0;
  for (let step = 0; step < amps.length; step++) {
    const start = Math.max(edgesMs[step], fromMs);
    const end = Math.min(edgesMs[step + 1], toMs);
    if (end > start) ampereHours += (amps[step] * (end - start)) / HOUR_MS;
  }
  return ampereHours;
}

/** Calls back for every step that lies within a span. */
function forSteps(edgesMs: Float64Array, span: Span, visit: (step: number) => void): void {
  for (let step = firstStepFrom(edgesMs, span.startMs); step < edgesMs.length - 1; step++) {
    if (edgesMs[step] >= span.endMs) return;
    visit(step);
  }
}
