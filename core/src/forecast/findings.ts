import type { Pack } from '../battery/pack.js';
import { chargeBetween, type LoadSeries } from '../load/load-series.js';
import { isEstimated } from '../load/transmit-current.js';
import type { March } from '../march/march.js';
import { sayQuantity } from '../say/quantity.js';
import type { PlanInput } from './plan-input.js';

/** Something that the person should know besides the verdict. */
export interface Finding {
  readonly severity: 'stop' | 'look' | 'note';
  readonly code: string;
  readonly sentence: string;
}

interface Run {
  readonly plan: PlanInput;
  readonly pack: Pack;
  readonly load: LoadSeries;
  readonly march: March;
  /** Last step edge that counts: the verdict's end, UTC epoch ms. */
  readonly untilMs: number;
}

const amps = (value: number) => sayQuantity({ value, unit: 'A' });
const volts = (value: number) => sayQuantity({ value, unit: 'V' });

/** All findings of a run, the gravest first. */
export function findings(run: Run): readonly Finding[] {
  return [
    dischargeLimit(run),
    keyDownCutoff(run),
    fullPower(run),
    sunToSpare(run),
    oneTransmitPoint(run),
    assumedFigures(run),
  ].filter((finding) => finding !== null);
}

/** A pack whose discharge limit is under what the key-down asks for: its protection opens. */
function dischargeLimit({ plan, load }: Run): Finding | null {
  const { name, continuousA, peakA } = plan.pack;
  const limitA = peakA ?? continuousA;
  const peak = largest(load.keyDownPackA);
  const mean = largest(load.meanA);
  const over =
    limitA !== undefined && peak > limitA
      ? { needA: peak, limitA, what: 'Key-down' }
      : continuousA !== undefined && mean > continuousA
        ? { needA: mean, limitA: continuousA, what: 'The mean load' }
        : null;
  return over
    ? {
        severity: 'stop',
        code: 'discharge-limit',
        sentence: `${over.what} takes ${amps(over.needA)} and ${name} may give ${amps(over.limitA)}: its protection would open. Use less power or a pack that may give more.`,
      }
    : null;
}

/** A dip under the cut-off while the key is down: the mean current stays above it, a protection may still open. */
function keyDownCutoff({ plan, pack, load, march, untilMs }: Run): Finding | null {
  const lowest = lowestOver(march, untilMs, (step) =>
    load.keyDownRadioA[step] > 0 ? march.radioV[step] + load.keyDownRadioA[step] * plan.leadOhm : Infinity,
  );
  return lowest < pack.cutoffV
    ? {
        severity: 'look',
        code: 'key-down-cutoff',
        sentence: `Key-down pulls the pack to ${volts(lowest)}, under its cut-off of ${volts(pack.cutoffV)}: a protection that acts fast would open.`,
      }
    : null;
}

/** Volts at the radio under what it needs for full power. */
function fullPower({ plan, load, march, untilMs }: Run): Finding | null {
  const { fullPowerV } = plan.radio;
  if (fullPowerV === undefined) return null;
  const lowest = lowestOver(march, untilMs, (step) =>
    load.keyDownRadioA[step] > 0 ? march.radioV[step] : Infinity,
  );
  return lowest < fullPowerV
    ? {
        severity: 'look',
        code: 'full-power',
        sentence: `Key-down leaves ${volts(lowest)} at the radio at the worst, under the ${volts(fullPowerV)} it needs for full power.`,
      }
    : null;
}

/** Worth a word when this share of what the plan draws is left unused by the sun. */
const MUCH_SUN = 0.1;

/** Sun that is neither needed nor stored: it could be used. */
function sunToSpare({ load, march }: Run): Finding | null {
  const { curtailedAh } = march.books;
  const plannedAh = chargeBetween(
    load.edgesMs,
    load.meanA,
    load.edgesMs[0],
    load.edgesMs[load.edgesMs.length - 1],
  );
  return curtailedAh > MUCH_SUN * plannedAh
    ? {
        severity: 'note',
        code: 'sun-to-spare',
        sentence: `The sun offers ${sayQuantity({ value: curtailedAh, unit: 'Ah' })} that nothing takes: more power or more air time costs nothing then.`,
      }
    : null;
}

function oneTransmitPoint({ plan }: Run): Finding | null {
  return isEstimated(plan.radio.currents) && plan.blocks.some((block) => block.share > 0)
    ? {
        severity: 'note',
        code: 'transmit-estimated',
        sentence: `${plan.radio.name} has one transmit figure; other powers are estimated from it.`,
      }
    : null;
}

function assumedFigures({ plan }: Run): Finding | null {
  return plan.assumed.length > 0
    ? {
        severity: 'note',
        code: 'assumed',
        sentence: `Assumed, not measured: ${plan.assumed.join('; ')}.`,
      }
    : null;
}

const largest = (values: Float64Array): number => values.reduce((most, value) => Math.max(most, value), 0);

/** Lowest of a value a step, over the steps that begin before an instant. */
export function lowestOver(march: March, untilMs: number, valueOf: (step: number) => number): number {
  let lowest = Infinity;
  for (let step = 0; step < march.loadA.length && march.edgesMs[step] < untilMs; step++) {
    lowest = Math.min(lowest, valueOf(step));
  }
  return lowest;
}
