import { fedAmps, type PlannedFeed } from '../charge-up/feed.js';
import type { LoadSeries } from '../load/load-series.js';
import { HOUR_MS } from '../span.js';

/** What the kits and draws of a search have in common: steps and key-downs, made once. */
export interface TightSteps {
  readonly hours: Float64Array;
  /** Stretches of steps with the same key-down: the step that each ends before, and which of {@link keyDowns} it has. */
  readonly stretchEnd: Uint32Array;
  readonly stretchKeyDown: Uint16Array;
  /** The different key-down currents of the plan, the first for steps with the radio off. */
  readonly keyDowns: readonly KeyDown[];
  /** 1 for steps in which gear should be up: a radio is on, or anything draws where no radio ever is. */
  readonly wanted: Uint8Array;
  /** What chargers give in each step, A; null without one. */
  readonly fedA: Float64Array | null;
}

/** Currents while the key is down, and the largest mean that goes with them, A. */
export interface KeyDown {
  readonly packA: number;
  readonly radioA: number;
  readonly meanA: number;
  /** Volts below which the radio that decides shuts off; only with several operating positions. */
  readonly dropoutV?: number;
}

/**
 * The steps of a plan's load for the tight loop.
 *
 * @param voltsAt at which loads of constant power are calculated in each step, V
 */
export function tightSteps(
  load: LoadSeries,
  voltsAt: (step: number) => number,
  feeds: readonly PlannedFeed[] = [],
): TightSteps {
  const { edgesMs, mean, keyDown, keyDownRadioA } = load;
  const steps = edgesMs.length - 1;
  const hours = new Float64Array(steps);
  const stretchEnd: number[] = [];
  const stretchKeyDown: number[] = [];
  const keyDowns: { packA: number; radioA: number; meanA: number; dropoutV?: number }[] = [];
  const known = new Map<string, number>();
  for (let step = 0; step < steps; step++) {
    hours[step] = (edgesMs[step + 1] - edgesMs[step]) / HOUR_MS;
    const volts = voltsAt(step);
    const packA = keyDown.amps[step] + keyDown.watts[step] / volts;
    const radioA = keyDownRadioA[step];
    const dropoutV = load.dropoutV?.[step];
    // To the hundredth of an amp (the mean to the tenth: it acts on the polarisation alone), or volts that change from step to step would make every step a stretch of its own.
    const meanA = mean.amps[step] + mean.watts[step] / volts;
    const key = `${packA.toFixed(2)} ${radioA} ${meanA.toFixed(1)} ${dropoutV}`;
    let index = known.get(key);
    if (index === undefined) {
      index = keyDowns.length;
      known.set(key, index);
      keyDowns.push({ packA, radioA, meanA: 0, ...(dropoutV !== undefined && { dropoutV }) });
    }
    keyDowns[index].packA = Math.max(keyDowns[index].packA, packA);
    keyDowns[index].meanA = Math.max(keyDowns[index].meanA, meanA);
    if (stretchKeyDown[stretchKeyDown.length - 1] === index) stretchEnd[stretchEnd.length - 1] = step + 1;
    else {
      stretchKeyDown.push(index);
      stretchEnd.push(step + 1);
    }
  }
  return {
    hours,
    stretchEnd: Uint32Array.from(stretchEnd),
    stretchKeyDown: Uint16Array.from(stretchKeyDown),
    keyDowns,
    wanted: wantedSteps(load),
    fedA: fedAmps(feeds, edgesMs),
  };
}

/** Steps in which gear should be up: a radio is on, or anything draws where no radio ever is. */
export function wantedSteps({ keyDownRadioA, mean }: Pick<LoadSeries, 'keyDownRadioA' | 'mean'>): Uint8Array {
  const hasRadio = keyDownRadioA.some((amps) => amps > 0);
  return Uint8Array.from(keyDownRadioA, (amps, step) =>
    (hasRadio ? amps > 0 : mean.amps[step] > 0 || mean.watts[step] > 0) ? 1 : 0,
  );
}
