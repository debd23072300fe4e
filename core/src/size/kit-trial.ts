import { openCircuitVolts, batteryPackAt } from '../battery/battery-pack.js';
import { fedAh } from '../charge-up/feed.js';
import {
  inOrder,
  shapeOf,
  skyLawOf,
  sunLawIn,
  tightPackOf,
  truthGain,
  weaken,
  weaknessOf,
  type SunLaw,
  type Weakness,
} from '../chance/chance-law.js';
import { SEED } from '../random/seed.js';
import { sampledLoad, loadLaw, type LoadLaw } from '../chance/sampled-load.js';
import { sampleOf, type Sample } from '../chance/sample.js';
import type { SkyLaw } from '../chance/sampled-sky.js';
import { aimSpread } from '../chance/spreads.js';
import { stepEdges } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { tightMarch, type TightOutcome, type TightRun } from '../march/tight-march.js';
import { copyOf, type TightPack } from '../march/tight-pack.js';
import { tightRestart } from '../march/tight-restart.js';
import { tightSteps, type TightSteps } from '../march/tight-steps.js';
import { HOUR_MS } from '../span.js';
import type { SunPlan } from '../sun/harvest.js';
import { lightTable, type LightTable } from '../sun/light-table.js';
import { sampledSun } from '../sun/output-table.js';
import { isReason, type Reason, type SizeSpace } from './choices.js';
import type { Kit } from './kits.js';

/** Samples that each kit is tried on. */
export const KIT_SAMPLES = 400;
/** Volts of batteries this near to each other are one bus: loads of constant power and the sun's amps are the same there. */
const BUS_GRAIN_V = 0.5;
/** State of charge that a battery's volts on the bus are taken at. */
const MIDDLE_SOC = 0.6;

/** What came of a kit. */
export interface Trial {
  /** Samples that finished, of those that were tried; fewer than all where it was given up. */
  readonly wins: number;
  readonly tried: number;
  /** Hours that the samples lasted on average, those that finished counted as the whole outing. */
  readonly meanHours: number;
  readonly steps: number;
  /** A rule that bars it, found where it was of interest; it is on no front then. */
  readonly barred?: Reason;
}

/** Batteries of about the same volts, and all that is sampled for them. */
interface Bus {
  readonly volts: number;
  readonly steps: TightSteps;
  readonly load: LoadLaw;
  /** Sampled loads by sample, made when they are first wanted; suns by choice and sample. */
  readonly loads: (Float32Array | undefined)[];
  readonly suns: Map<SunPlan, ReadySun>;
}

/** A panel made ready for the loop: what it offers by sample, made when it is first wanted. */
interface ReadySun {
  readonly law: SunLaw;
  readonly rows: (Float32Array | undefined)[];
}

/** What one, five and nine of ten samples stay under. */
export interface Tenths {
  readonly low: number;
  readonly middle: number;
  readonly high: number;
}

/** The charge that a kit has to do with over an outing, Ah. */
export interface Ledger {
  /** Above the reserve, in one battery after the other. */
  readonly givesAh: number;
  /** What chargers give on the way. */
  readonly fedAh: number;
  readonly sunAh: Tenths;
  readonly loadAh: Tenths;
}

/** A battery choice made ready for the loop. */
interface ReadyBattery {
  readonly bus: Bus;
  readonly packs: readonly TightPack[];
  readonly sampled: readonly TightPack[];
  readonly weaknesses: readonly Weakness[];
}

/** Tries kits on the same samples. What kits share is made once, when the first of them wants it. */
export class KitTrials {
  readonly edgesMs: Float64Array;
  private readonly samples: readonly Sample[];
  private readonly sky: SkyLaw | null;
  private readonly buses = new Map<number, Bus>();
  private readonly ready = new Map<number, ReadyBattery>();
  private readonly lights = new Map<string, LightTable>();
  /** Samples in the order in which they are tried: those that kits have failed in most come first. */
  private readonly order: Uint16Array;
  private readonly failures: Uint32Array;
  private trials = 0;
  private readonly out: TightOutcome = { endHours: 0, lowestSoc: 0, endSoc: 0, steps: 0 };

  constructor(
    private readonly space: SizeSpace,
    private readonly count = KIT_SAMPLES,
    seed = SEED,
  ) {
    const { plan } = space;
    this.edgesMs = stepEdges(plan);
    const sun = firstSun(space);
    this.sky = sun && skyLawOf({ ...plan, sun });
    const shape = shapeOf(plan);
    this.samples = Array.from({ length: count }, (_, index) => sampleOf(seed, index, shape, this.sky));
    this.order = Uint16Array.from({ length: count }, (_, index) => index);
    this.failures = new Uint32Array(count);
  }

  /**
   * Tries a kit, and gives it up as soon as it cannot win more samples than others have won already.
   *
   * @param mustBeat wins that it has to exceed to be of interest; −1 to try all samples
   */
  try(kit: Kit, mustBeat = -1): Trial {
    const battery = this.batteryOf(kit.battery);
    const sun = this.sunOf(kit, battery.bus);
    const choice = this.space.suns[kit.sun];
    const run = this.runOf(battery, sun);
    for (const [index, pack] of battery.sampled.entries())
      pack.idleA = battery.packs[index].idleA + choice.selfUseA;
    const mayFail = this.count - mustBeat - 1;
    const outingHours = (this.edgesMs[this.edgesMs.length - 1] - this.edgesMs[0]) / HOUR_MS;
    let [wins, tried, steps, hours] = [0, 0, 0, 0];
    for (const index of this.order) {
      if (tried - wins > mayFail) break;
      this.fill(run, battery, sun, index);
      tightMarch(run, battery.sampled, this.out);
      tried += 1;
      steps += this.out.steps;
      if (this.out.endHours === Infinity) wins += 1;
      else this.failures[index] += 1;
      hours += Math.min(outingHours, this.out.endHours);
    }
    if (++this.trials % REORDER_EVERY === 0) this.order.sort((a, b) => this.failures[b] - this.failures[a]);
    return { wins, tried, meanHours: tried > 0 ? hours / tried : 0, steps };
  }

  /** The charge that a kit has to do with over the samples: what the battery gives, what the sun offers, what the load takes. */
  ledger(kit: Kit): Ledger {
    const battery = this.batteryOf(kit.battery);
    const sun = this.sunOf(kit, battery.bus);
    const run = this.runOf(battery, sun);
    const { hours, fedA } = battery.bus.steps;
    const { selfUseA } = this.space.suns[kit.sun];
    const sunAh: number[] = [];
    const loadAh: number[] = [];
    for (let index = 0; index < this.count; index++) {
      this.fill(run, battery, sun, index);
      let [offered, taken] = [0, 0];
      for (let step = 0; step < hours.length; step++) {
        taken += (run.loadA[step] + selfUseA) * hours[step];
        if (run.sunA) offered += Math.min(run.controllerMaxA, run.sunGain * run.sunA[step]) * hours[step];
      }
      sunAh.push(offered);
      loadAh.push(taken);
    }
    const planned = this.space.batteries[kit.battery].packs;
    const tenths = (values: number[]): Tenths => {
      values.sort((a, b) => a - b);
      const at = (share: number) => values[Math.floor(share * (values.length - 1))];
      return { low: at(0.1), middle: at(0.5), high: at(0.9) };
    };
    return {
      givesAh: battery.packs.reduce(
        (sum, { deliverableAh }, at) => sum + (planned[at].startSoc - planned[at].reserveSoc) * deliverableAh,
        0,
      ),
      fedAh: fedA ? fedAh(fedA, this.edgesMs) : 0,
      sunAh: tenths(sunAh),
      loadAh: tenths(loadAh),
    };
  }

  private runOf({ bus }: ReadyBattery, sun: ReadySun | null): TightRun {
    const { restart } = this.space.plan;
    return {
      steps: bus.steps,
      ...(restart && { restart: tightRestart(bus.steps, restart) }),
      loadA: NOTHING,
      sunA: null,
      sunGain: 1,
      controllerMaxA: sun?.law.maxA ?? 0,
    };
  }

  private fill(
    run: TightRun,
    { bus, sampled, packs, weaknesses }: ReadyBattery,
    sun: ReadySun | null,
    index: number,
  ): void {
    const sample = this.samples[index];
    let loadA = bus.loads[index];
    if (!loadA) {
      loadA = new Float32Array(this.edgesMs.length - 1);
      sampledLoad(bus.load, sample, loadA);
      bus.loads[index] = loadA;
    }
    run.loadA = loadA;
    if (sun && sample.sky) {
      let row = sun.rows[index];
      if (!row) {
        row = new Float32Array(this.edgesMs.length - 1);
        sampledSun(sun.law.light, sun.law.output, sample.sky, sample.aim, row);
        sun.rows[index] = row;
      }
      run.sunA = row;
      run.sunGain = truthGain(sun.law, sample);
    }
    for (let at = 0; at < sampled.length; at++)
      weaken(sampled[at], packs[at], weaknesses[at], bus.load, sample);
  }

  private batteryOf(index: number): ReadyBattery {
    const known = this.ready.get(index);
    if (known) return known;
    const { plan, batteries } = this.space;
    const withIt: PlanInput = { ...plan, packs: batteries[index].packs };
    const bus = this.busOf(withIt);
    const inUse = inOrder(withIt);
    const packs = inUse.map((pack) => tightPackOf(withIt, pack, bus.steps, bus.volts));
    const made: ReadyBattery = {
      bus,
      packs,
      sampled: packs.map(copyOf),
      weaknesses: inUse.map(weaknessOf),
    };
    this.ready.set(index, made);
    return made;
  }

  private busOf(plan: PlanInput): Bus {
    const pack = batteryPackAt(plan.packs[0].label, plan.temperatureC);
    const place = Math.round(openCircuitVolts(pack, MIDDLE_SOC) / BUS_GRAIN_V);
    const known = this.buses.get(place);
    if (known) return known;
    const volts = openCircuitVolts(pack, MIDDLE_SOC);
    const load = loadLaw(plan, this.edgesMs, () => volts);
    const bus: Bus = {
      volts,
      steps: tightSteps(load.load, () => volts, plan.feeds),
      load,
      loads: [],
      suns: new Map(),
    };
    this.buses.set(place, bus);
    return bus;
  }

  private sunOf(kit: Kit, bus: Bus): ReadySun | null {
    const { plan, batteries, suns } = this.space;
    const sun = suns[kit.sun].by?.[batteries[kit.battery].chemistry];
    if (!sun || isReason(sun)) return null;
    const known = bus.suns.get(sun);
    if (known) return known;
    const law = sunLawIn({ ...plan, sun }, this.lightOf(sun), this.edgesMs, bus.volts);
    const made = { law, rows: [] };
    bus.suns.set(sun, made);
    return made;
  }

  /** Panels that lie the same way under the same shade get the same light. */
  private lightOf(sun: SunPlan): LightTable {
    const key = JSON.stringify([sun.aim, sun.shade.sensitivity]);
    let light = this.lights.get(key);
    if (!light) this.lights.set(key, (light = lightTable(sun, this.edgesMs, aimSpread(sun.aim))));
    return light;
  }
}

const NOTHING = new Float32Array(0);
const REORDER_EVERY = 20;

function firstSun({ suns }: SizeSpace): SunPlan | null {
  for (const { by } of suns) {
    for (const sun of Object.values(by ?? {})) if (!isReason(sun)) return sun;
  }
  return null;
}
