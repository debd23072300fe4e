import { firstStepFrom } from '../time-grid.js';
import { HOUR_MS, type Span } from '../span.js';
import type { LoadPiece } from './accessory.js';
import { radioCurrent, type Operation } from './radio-current.js';
import type { Trust } from '../source.js';
import type { RadioCurrents } from './transmit-current.js';

/** A stretch of operating. */
export interface WorkBlock extends Span, Operation {
  /** The radio's currents by another rating than the rest of the plan; the station's if absent. */
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
  /** Draw of everything while the key is down, of all stations at once; 0 where no radio is on. */
  readonly keyDown: DrawSeries;
  /** The radio's part of it, A; of several that are on, of the one that needs the most volts at the battery. */
  readonly keyDownRadioA: Float64Array;
  /** Volts below which that radio shuts off; only with several stations. */
  readonly dropoutV?: Float64Array;
  /** Names of the consumers: the radio first, then other stations, then the accessories in order. */
  readonly consumers: readonly string[];
  /** Mean draw of each consumer, in the order of {@link consumers}. */
  readonly byConsumer: readonly DrawSeries[];
}

/** A radio with the hours that it is worked. */
export interface LoadStation {
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
  /** More stations on the same batteries, each on a lead like the first one's. */
  readonly others?: readonly LoadStation[];
  /** With other stations: volts at the first radio below which it shuts off, and the lead's resistance, ohm. */
  readonly dropoutV?: number;
  readonly leadOhm?: number;
}

/**
 * The load of a plan over given steps. Steps must not straddle the edge of a block or of an accessory's stretch
 * (see timeGrid), so that each step has one load.
 */
export function loadSeries(plan: LoadPlan, edgesMs: Float64Array): LoadSeries {
  const steps = edgesMs.length - 1;
  const empty = (): DrawSeries => ({ amps: new Float64Array(steps), watts: new Float64Array(steps) });
  const radio = empty();
  const keyDown = empty();
  const keyDownRadioA = new Float64Array(steps);
  for (const block of plan.blocks) {
    const { meanA, keyDownA, receiveA } = radioCurrent(block.currents ?? plan.radio, block);
    const peakA = block.share > 0 ? keyDownA : receiveA;
    forSteps(edgesMs, block, (step) => {
      radio.amps[step] = meanA;
      keyDownRadioA[step] = peakA;
      keyDown.amps[step] = peakA;
    });
  }

  const dropoutV = plan.others && new Float64Array(steps).fill(plan.dropoutV ?? 0);
  const others = (plan.others ?? []).map((station) => {
    const series = empty();
    for (const block of station.blocks) {
      const { meanA, keyDownA, receiveA } = radioCurrent(block.currents ?? station.radio, block);
      const peakA = block.share > 0 ? keyDownA : receiveA;
      forSteps(edgesMs, block, (step) => {
        series.amps[step] = meanA;
        keyDown.amps[step] += peakA;
        const needsV = (volts: number, amps: number) => volts + amps * (plan.leadOhm ?? 0);
        const isOn = keyDownRadioA[step] > 0;
        if (isOn && needsV(station.dropoutV, peakA) <= needsV(dropoutV![step], keyDownRadioA[step])) return;
        keyDownRadioA[step] = peakA;
        dropoutV![step] = station.dropoutV;
      });
    }
    return series;
  });

  const accessories = plan.accessories.map(({ pieces }) => {
    const series = empty();
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
  });

  const byConsumer = [radio, ...others, ...accessories];
  const mean = empty();
  for (const { amps, watts } of byConsumer) {
    for (let step = 0; step < steps; step++) {
      mean.amps[step] += amps[step];
      mean.watts[step] += watts[step];
    }
  }
  return {
    edgesMs,
    mean,
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
