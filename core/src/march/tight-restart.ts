import { terminalVolts } from '../battery/terminal-volts.js';
import { availabilityOf } from './availability.js';
import { Reconnect } from './reconnect.js';
import { tightStep, type TightOutcome, type TightRun } from './tight-march.js';
import type { TightPack } from './tight-pack.js';
import type { TightSteps } from './tight-steps.js';

/** What brings unattended loads back. */
export interface TightRestart {
  /** Volts at the terminals, while charging, at which they come back; infinite where they never do. */
  readonly reconnectV: number;
  /** Share of the wanted hours that it is meant to be up, 0 to 1. */
  readonly targetUp: number;
  /** Hours up of each step; filled by a run. */
  readonly upHours: Float32Array;
}

export const tightRestart = (
  { hours }: TightSteps,
  { reconnectV, targetUp }: Pick<TightRestart, 'reconnectV' | 'targetUp'>,
): TightRestart => ({ reconnectV, targetUp, upHours: new Float32Array(hours.length) });

/**
 * The tight loop for gear that nobody reaches: the reserve ends nothing, what was taken off comes back, and the plan holds where
 * it is up for its share of the wanted hours. One pack, or several in parallel as one. The same rules as in the march, step by
 * step. Source: convention of this project, docs/model.md
 */
export function restartingMarch(
  run: TightRun,
  restart: TightRestart,
  pack: TightPack,
  out: TightOutcome,
  socs: Float32Array | null,
): void {
  const { loadA, sunA, sunGain, controllerMaxA, steps } = run;
  const { hours, stretchEnd, stretchKeyDown, wanted, fedA } = steps;
  const { upHours, reconnectV } = restart;
  let soc = pack.startSoc;
  let lowest = soc;
  const loads = new Reconnect(reconnectV);
  let stretch = 0;
  if (socs) socs[0] = soc;
  for (let step = 0; step < hours.length; step++) {
    if (step >= stretchEnd[stretch]) stretch += 1;
    const key = stretchKeyDown[stretch];
    const h = hours[step];
    soc -= soc * pack.leakAnHour * h;
    const sun = sunA === null ? 0 : Math.min(controllerMaxA, sunGain * sunA[step]);
    const wasOn = loads.isOn;
    const fed = fedA === null ? 0 : fedA[step];
    const net = (wasOn ? loadA[step] * pack.loadGain + pack.idleA : 0) - sun - fed;
    const before = soc;
    let after = tightStep(pack, soc, net, h);
    // Share of the step until the loads are taken off.
    let share = 1;
    const cutoff = pack.cutoffs[key];
    if (net > 0 && after <= cutoff) {
      share = before <= cutoff ? 0 : (before - cutoff) / (before - after);
      after = share === 0 ? before : cutoff;
      loads.takenOff();
    }
    soc = after;
    if (soc < lowest) lowest = soc;
    upHours[step] = wanted[step] && wasOn ? h * share * shareAbove(before, after, pack.levels[key]) : 0;
    if (socs) socs[step + 1] = soc;
    if (!wasOn) loads.stoodAt(net < 0 ? terminalVolts(pack.from.pack, soc, net) : null, h);
  }
  const { share, outages, longestH, firstH } = availabilityOf(hours, wanted, upHours);
  out.up = share;
  out.outages = outages;
  out.longestH = longestH;
  out.endHours = share >= restart.targetUp ? Infinity : (firstH ?? 0);
  out.lowestSoc = lowest;
  out.endSoc = soc;
  out.steps = hours.length;
}

/** Share of a straight way from one state of charge to another that lies at a level or above it. */
export function shareAbove(before: number, after: number, level: number): number {
  if (before >= level) return after >= level ? 1 : (before - level) / (before - after);
  return after > level ? (after - level) / (after - before) : 0;
}
