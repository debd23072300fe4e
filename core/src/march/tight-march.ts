import { restartingMarch, type TightRestart } from './tight-restart.js';
import { factorAt, type TightPack } from './tight-pack.js';
import type { TightSteps } from './tight-steps.js';

/** What a run of the tight loop is given besides its packs. One value a step. */
export interface TightRun {
  readonly steps: TightSteps;
  /** Mean load, A, watts taken at steady volts. */
  loadA: Float32Array;
  /** Current that the sun offers, A; null without a panel. */
  sunA: Float32Array | null;
  /** Factor on the sun, and the controller's limit, A. */
  sunGain: number;
  controllerMaxA: number;
  /** For gear that comes back by itself; absent where a plan ends at its first level. */
  readonly restart?: TightRestart;
}

/** What comes out; handed in and filled, so that the loop makes nothing. */
export interface TightOutcome {
  /** Hours from the start until the plan ends; infinite where it lasts. */
  endHours: number;
  /** Of the pack in use: the lowest state of charge up to the end, and the one that the run ends with. */
  lowestSoc: number;
  endSoc: number;
  /** Steps that were walked. */
  steps: number;
  /** Only with a restart: the share of the wanted hours it was up, the outages, and the longest of them, h. */
  up?: number;
  outages?: number;
  longestH?: number;
}

/** Walks on past the levels that end a plan, down to this: what a plan lacks is charge below zero. */
export const NO_LEVEL = -1e9;

/**
 * The march stripped to what chances over thousands of kits and draws need: when it ends and how low it gets. Peukert, cold,
 * charging with taper, the controller's limit and the three end points are in, and packs that are used in turn, each until
 * its level; volts that change with the charge are not: watts and sun are taken at steady volts, and the cut-off is looked
 * for at the mean load without the sun's help. It agrees with the march within a tenth of a percent where loads are amps
 * and the sun does not depend on the volts.
 *
 * Nothing is allocated. Source: convention of this project, docs/model.md
 *
 * @param packs one (or several in parallel as one), or several in the order in which they are used
 * @param socs filled with the charge of all packs at each edge as a share of what they store, where it is given; then the
 *   run goes on past its end until the last cut-off
 */
export function tightMarch(
  run: TightRun,
  packs: readonly TightPack[],
  out: TightOutcome,
  socs: Float32Array | null = null,
): void {
  if (run.restart) {
    restartingMarch(run, run.restart, packs[0], out, socs);
    return;
  }
  const { hours } = run.steps;
  const at = AT_START;
  at.step = 0;
  at.stretch = 0;
  at.left = hours[0];
  at.soc = at.lowest = packs[0].startSoc;
  let inUse = 0;
  let levels = packs[0].levels;
  let endHours = Infinity;
  const trace = socs && new Trace(socs, packs);
  while (!walk(run, packs[inUse], levels, at, trace)) {
    if (inUse + 1 < packs.length) {
      trace?.handOver(packs[inUse], at.soc, packs[inUse + 1]);
      inUse += 1;
      at.soc = packs[inUse].startSoc;
      levels = packs[inUse].levels;
      continue;
    }
    if (endHours === Infinity) endHours = hoursUpTo(hours, at.step) + hours[at.step] - at.left;
    if (trace === null || levels === packs[inUse].cutoffs) break;
    levels = packs[inUse].cutoffs;
  }
  trace?.rest(at.step, at.soc);
  out.endHours = endHours;
  out.lowestSoc = at.lowest;
  out.endSoc = at.soc;
  out.steps = at.step;
}

/** State of charge after a net load (A; negative charges) for some hours, nothing stopping it. */
export function tightStep(pack: TightPack, soc: number, netA: number, hours: number): number {
  if (netA > 0) {
    const times = (netA * pack.ratingHours) / pack.deliverableAh;
    return soc - (netA / pack.deliverableAh) * (times > 1 ? factorAt(pack.peukert, times) : 1) * hours;
  }
  const bulkA = Math.min(-netA, pack.chargeMaxA);
  const after = soc + (pack.efficiency / pack.storedAh) * bulkA * hours;
  return after <= pack.taperSoc ? after : tapered(pack, soc, after, bulkA, hours);
}

/** Where a run stands: the step and what is left of it, h, and the charge of the pack in use. */
interface Progress {
  step: number;
  stretch: number;
  left: number;
  soc: number;
  lowest: number;
}

/** One place for all runs, so that the loop makes nothing: a run is over before the next begins. */
const AT_START: Progress = { step: 0, stretch: 0, left: 0, soc: 0, lowest: 0 };

/** Walks on with one pack from where a run stands; false where the pack reaches its level before the end. */
function walk(
  run: TightRun,
  pack: TightPack,
  levels: Float64Array,
  at: Progress,
  trace: Trace | null,
): boolean {
  const { loadA, sunA, sunGain, controllerMaxA } = run;
  const { hours, stretchEnd, stretchKeyDown, fedA } = run.steps;
  const { loadGain, idleA, chargeMaxA, taperSoc, peukert, leakAnHour } = pack;
  const perAh = 1 / pack.deliverableAh;
  const perRatedA = pack.ratingHours * perAh;
  const gain = pack.efficiency / pack.storedAh;
  const stretches = stretchEnd.length;
  let { soc, lowest, step } = at;
  let spent = hours[step] - at.left;
  along: for (let { stretch } = at; stretch < stretches; stretch++) {
    const level = levels[stretchKeyDown[stretch]];
    const end = stretchEnd[stretch];
    for (; step < end; step++) {
      const h = hours[step] - spent;
      soc -= soc * leakAnHour * h;
      const sun = sunA === null ? 0 : sunGain * sunA[step];
      const fed = fedA === null ? 0 : fedA[step];
      const net = loadA[step] * loadGain + idleA - fed - (sun > controllerMaxA ? controllerMaxA : sun);
      if (net > 0) {
        const times = net * perRatedA;
        const rate = times > 1 ? net * perAh * factorAt(peukert, times) : net * perAh;
        const after = soc - rate * h;
        if (after >= level) soc = after;
        else {
          if (soc > level) {
            spent += (soc - level) / rate;
            soc = level;
            if (soc < lowest) lowest = soc;
          }
          at.stretch = stretch;
          break along;
        }
        if (soc < lowest) lowest = soc;
      } else if (soc >= level) {
        const bulkA = -net < chargeMaxA ? -net : chargeMaxA;
        const after = soc + gain * bulkA * h;
        soc = after <= taperSoc ? after : tapered(pack, soc, after, bulkA, h);
        // Self-discharge may be more than what comes.
        if (soc < lowest) lowest = soc;
      } else {
        at.stretch = stretch;
        break along;
      }
      spent = 0;
      if (trace !== null) trace.note(step + 1, soc);
    }
  }
  at.step = step;
  at.soc = soc;
  at.lowest = lowest;
  if (step >= hours.length) return true;
  at.left = hours[step] - spent;
  return false;
}

/** Writes down the charge of all packs at each edge. */
class Trace {
  private readonly storesAh: number;
  private inUseAh: number;
  /** In the packs that are not in use, Ah. */
  private othersAh: number;

  constructor(
    private readonly socs: Float32Array,
    packs: readonly TightPack[],
  ) {
    this.storesAh = packs.reduce((sum, { storedAh }) => sum + storedAh, 0);
    this.inUseAh = packs[0].storedAh;
    this.othersAh = packs.slice(1).reduce((sum, { storedAh, startSoc }) => sum + startSoc * storedAh, 0);
    this.note(0, packs[0].startSoc);
  }

  note(edge: number, soc: number): void {
    this.socs[edge] = (this.othersAh + soc * this.inUseAh) / this.storesAh;
  }

  handOver({ storedAh }: TightPack, soc: number, to: TightPack): void {
    this.othersAh += soc * storedAh - to.startSoc * to.storedAh;
    this.inUseAh = to.storedAh;
  }

  /** From a step on nothing changes any more. */
  rest(step: number, soc: number): void {
    for (let edge = step + 1; edge < this.socs.length; edge++) this.note(edge, soc);
  }
}

/**
 * State of charge after charging past the taper: straight up to where the acceptance falls, then along it.
 *
 * @param straight where the charge would be without a taper
 * @param bulkA what is offered, at most what the pack takes
 */
function tapered(pack: TightPack, soc: number, straight: number, bulkA: number, hours: number): number {
  const { efficiency, storedAh, chargeMaxA, chargeEndA, taperSoc } = pack;
  if (efficiency === 0 || soc >= 1) return soc;
  const gain = efficiency / storedAh;
  const slopeA = (chargeMaxA - chargeEndA) / (1 - taperSoc);
  let after = straight;
  if (slopeA > 0) {
    // Where the falling acceptance meets the offer.
    const bend = taperSoc + (chargeMaxA - bulkA) / slopeA;
    if (after > bend) {
      const from = soc > bend ? soc : bend;
      const left = soc > bend ? hours : hours - (bend - soc) / (gain * bulkA);
      const acceptedA = chargeMaxA - slopeA * (from - taperSoc);
      after = from + (acceptedA / slopeA) * risen(gain * slopeA * left);
    }
  }
  return after < 1 ? after : 1;
}

/** 1 - exp(-x) by Padé, good to 1e-4 for the x of a step: how far the acceptance has fallen towards its end. */
const risen = (x: number): number => x / (1 + x / 2 + (x * x) / 12);

function hoursUpTo(hours: Float64Array, step: number): number {
  let sum = 0;
  for (let index = 0; index < step; index++) sum += hours[index];
  return sum;
}
