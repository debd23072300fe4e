import { HOUR_MS, type Span } from '../span.js';
import { radioCurrent, type Operation } from './radio-current.js';
import type { RadioCurrents } from './transmit-current.js';

/** A stretch of operating. */
export type WorkBlock = Span & Operation;

/** A steady draw besides the radio: when it is on, and what it takes. */
export interface SteadyLoad {
  readonly name: string;
  /** Current while on, A at the battery. */
  readonly amps: number;
  readonly spans: readonly Span[];
}

/** What draws current, one value a step; every array has one entry a step, the edges one more. */
export interface LoadSeries {
  /** Step edges, UTC epoch milliseconds, ascending. */
  readonly edgesMs: Float64Array;
  /** Mean current of everything, A. */
  readonly meanA: Float64Array;
  /** Current out of the pack while the key is down, A; 0 where the radio is off. */
  readonly keyDownPackA: Float64Array;
  /** The radio's part of it, which flows through the radio's lead, A. */
  readonly keyDownRadioA: Float64Array;
  /** Names of the consumers: the radio first, then the steady loads in order. */
  readonly consumers: readonly string[];
  /** Mean current of each consumer, A, in the order of {@link consumers}. */
  readonly byConsumerA: readonly Float64Array[];
}

export interface LoadPlan {
  readonly radioName: string;
  readonly radio: RadioCurrents;
  /** Stretches of operating that do not overlap. Outside them the radio is off. */
  readonly blocks: readonly WorkBlock[];
  readonly steady: readonly SteadyLoad[];
}

/**
 * The load of a plan over given steps. Steps must not straddle the edge of a block or of a steady
 * load's span (see timeGrid), so that each step has one load.
 */
export function loadSeries(plan: LoadPlan, edgesMs: Float64Array): LoadSeries {
  const steps = edgesMs.length - 1;
  const radioA = new Float64Array(steps);
  const keyDownRadioA = new Float64Array(steps);
  for (const block of plan.blocks) {
    const current = radioCurrent(plan.radio, block);
    const peakA = block.share > 0 ? current.keyDownA : plan.radio.receiveA;
    forSteps(edgesMs, block, (step) => {
      radioA[step] = current.meanA;
      keyDownRadioA[step] = peakA;
    });
  }

  const steadyA = plan.steady.map(({ amps, spans }) => {
    const series = new Float64Array(steps);
    for (const span of spans) forSteps(edgesMs, span, (step) => (series[step] = amps));
    return series;
  });

  const meanA = radioA.slice();
  const keyDownPackA = keyDownRadioA.slice();
  for (const series of steadyA) {
    for (let step = 0; step < steps; step++) {
      meanA[step] += series[step];
      if (keyDownRadioA[step] > 0) keyDownPackA[step] += series[step];
    }
  }
  return {
    edgesMs,
    meanA,
    keyDownPackA,
    keyDownRadioA,
    consumers: [plan.radioName, ...plan.steady.map(({ name }) => name)],
    byConsumerA: [radioA, ...steadyA],
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
  for (let step = 0; step < edgesMs.length - 1; step++) {
    if (edgesMs[step] >= span.endMs) return;
    if (edgesMs[step] >= span.startMs) visit(step);
  }
}
