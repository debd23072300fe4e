import { WORTH_A_SWAP_SOC } from '../march/bank.js';
import { batteryPackAt } from '../battery/battery-pack.js';
import { forecast } from '../forecast/forecast.js';
import { underTypicalSky } from '../forecast/typical-sky.js';
import { HOUR_MS } from '../span.js';
import { loadCables, positionsOf, type PlanInput } from '../forecast/plan-input.js';
import { setLevels, tightPack, type TightPack } from '../march/tight-pack.js';
import { tightRestart } from '../march/tight-restart.js';
import { tightSteps, type TightSteps } from '../march/tight-steps.js';
import type { TightRun } from '../march/tight-march.js';
import { FOG, lightTable, OVERCAST, RAIN, skyIndex, type LightTable } from '../sun/light-table.js';
import { sampledSun, outputTable, type OutputTable } from '../sun/output-table.js';
import { sampledLoad, loadLaw, type LoadLaw } from './sampled-load.js';
import { skyLaw, type SkyLaw } from './sampled-sky.js';
import { sampleOf, expectedSample, type Sample, type SampleShape } from './sample.js';
import { aimSpread, capacitySpread, keyDownFactor, resistanceFactor, truthSpread } from './spreads.js';
import type { Trust } from '../source.js';

/** Current that a controller passes at the most where it has no limit of its own, A. */
const NO_LIMIT_A = 1e9;

/** What the samples of one plan have in common: made once, so that a sample is a few loops over arrays. */
export interface ChanceLaw {
  readonly plan: PlanInput;
  readonly edgesMs: Float64Array;
  readonly steps: TightSteps;
  readonly load: LoadLaw;
  readonly sky: SkyLaw | null;
  readonly sun: SunLaw | null;
  readonly packs: readonly TightPack[];
  readonly weaknesses: readonly Weakness[];
  /** Outings that agree with what was read, by number; sampled from what is assumed if absent. */
  readonly sampleAt?: (index: number) => Sample;
}

/** A panel in its place as samples want it. */
export interface SunLaw {
  readonly light: LightTable;
  readonly output: OutputTable;
  readonly truthSpread: number;
  readonly maxA: number;
}

/** The law of a plan's chances. Volts are taken from the forecast of the plan as it is expected. */
export function chanceLaw(plan: PlanInput): ChanceLaw {
  const { march: run, load: expected } = forecast(plan);
  const { edgesMs, cellsV } = run;
  const voltsAt = (step: number) => cellsV[step];
  const meanV = cellsV.reduce((sum, volts) => sum + volts, 0) / cellsV.length;
  const steps = tightSteps(expected, voltsAt, plan.feeds);
  return {
    plan,
    edgesMs,
    steps,
    load: loadLaw(plan, edgesMs, voltsAt),
    sky: skyLawOf(plan),
    sun: plan.sun ? sunLaw(plan, edgesMs, meanV) : null,
    packs: inOrder(plan).map((pack) => tightPackOf(plan, pack, steps, meanV)),
    weaknesses: inOrder(plan).map(weaknessOf),
  };
}

export const skyLawOf = ({ outing, sun, outlook }: PlanInput): SkyLaw | null =>
  sun ? skyLaw(outing, sun, sun.skyAt, outlook) : null;

/** The law of a plan's sun. */
export function sunLaw(plan: PlanInput, edgesMs: Float64Array, batteryV: number): SunLaw {
  const sun = plan.sun!;
  const light = lightTable(sun, edgesMs, aimSpread(sun.aim));
  return sunLawIn(plan, light, edgesMs, batteryV);
}

/** The same over light that is known already. */
export function sunLawIn(
  plan: PlanInput,
  light: LightTable,
  edgesMs: Float64Array,
  batteryV: number,
): SunLaw {
  const sun = plan.sun!;
  const unlimited = { ...sun, controller: { ...sun.controller, maxA: NO_LIMIT_A } };
  return {
    light,
    output: outputTable(unlimited, light, edgesMs, batteryV),
    truthSpread: truthSpread(sun.truthFrom ?? { source: 'assumed' }),
    maxA: Math.min(NO_LIMIT_A, sun.controller.maxA),
  };
}

/** How far a pack may be off. */
export interface Weakness {
  readonly capacitySpread: number;
  readonly resistanceFrom: Trust;
}

export const weaknessOf = ({ capacityFrom, resistanceFrom }: PlanInput['packs'][number]): Weakness => ({
  capacitySpread: capacitySpread(capacityFrom ?? { source: 'datasheet' }),
  resistanceFrom: resistanceFrom ?? { source: 'assumed' },
});

export function tightPackOf(
  plan: PlanInput,
  { label, startSoc, reserveSoc }: PlanInput['packs'][number],
  steps: TightSteps,
  cellsV: number,
): TightPack {
  const { sharedOhm, radioOhm } = loadCables(plan);
  return tightPack(batteryPackAt(label, plan.temperatureC), steps, {
    startSoc,
    // The reserve ends nothing where nobody is there to stop at it.
    reserveSoc: plan.restart ? 0 : reserveSoc,
    radioDropoutV: plan.radio.dropoutV,
    cableOhm: radioOhm,
    sharedOhm,
    cellsV,
  });
}

/** The packs as they come into use: the first, then the fullest of the others. */
export function inOrder({ packs }: PlanInput): readonly PlanInput['packs'][number][] {
  const above = ({ startSoc, reserveSoc }: PlanInput['packs'][number]) => startSoc - reserveSoc;
  const [first, ...others] = packs;
  return [
    first,
    ...others.filter((pack) => above(pack) > WORTH_A_SWAP_SOC).sort((a, b) => above(b) - above(a)),
  ];
}

/** How many of each a plan's samples have. */
export const shapeOf = (plan: PlanInput): SampleShape => ({
  positions: positionsOf(plan).length,
  blocks: positionsOf(plan).reduce((sum, { blocks }) => sum + blocks.length, 0),
  accessories: plan.accessories.length,
});

export const sampleFor = ({ plan, sky, sampleAt }: ChanceLaw, seed: number, index: number): Sample =>
  sampleAt ? sampleAt(index) : sampleOf(seed, index, shapeOf(plan), sky);

/** The outing as it is expected: nothing off, under the typical sky by mean light. */
export function expectedFor({ plan, sky }: ChanceLaw): Sample {
  const skyAt = underTypicalSky(plan).sun?.skyAt;
  return expectedSample(shapeOf(plan), sky, (_hour, index) => {
    const timeMs = sky!.startMs + (index + 0.5) * HOUR_MS;
    const inside = Math.min(Math.max(timeMs, plan.outing.startMs), plan.outing.endMs - 1);
    const { cloud, rain, rainShare = 0, fog } = skyAt!(inside);
    return rain ? RAIN : fog ? FOG : rainShare > 0 ? OVERCAST + rainShare : skyIndex(cloud);
  });
}

/** A run of the tight loop whose arrays are filled anew for each sample. */
export function emptyRun({ steps, sun, edgesMs, plan }: ChanceLaw): TightRun {
  const count = edgesMs.length - 1;
  return {
    steps,
    ...(plan.restart && { restart: tightRestart(steps, plan.restart) }),
    loadA: new Float32Array(count),
    sunA: sun && new Float32Array(count),
    sunGain: 1,
    controllerMaxA: sun?.maxA ?? 0,
  };
}

/** Fills a run and the packs with a sample. */
export function take(law: ChanceLaw, sample: Sample, run: TightRun, packs: readonly TightPack[]): void {
  sampledLoad(law.load, sample, run.loadA);
  if (law.sun && run.sunA && sample.sky) {
    sampledSun(law.sun.light, law.sun.output, sample.sky, sample.aim, run.sunA);
    run.sunGain = truthGain(law.sun, sample);
  }
  packs.forEach((pack, index) => {
    weaken(pack, law.packs[index], law.weaknesses[index], law.load, sample);
    pack.startSoc = sample.socs?.[index] ?? law.packs[index].startSoc;
  });
}

const LEAST_GAIN = 0.2;

export const truthGain = ({ truthSpread: spread }: SunLaw, { truth }: Pick<Sample, 'truth'>): number =>
  Math.max(LEAST_GAIN, 1 + truth * spread);
export const capacityGain = (spread: number, { capacity }: Pick<Sample, 'capacity'>): number =>
  Math.max(LEAST_GAIN, 1 + capacity * spread);

/** A pack with more or less capacity and stiffness than it is said to have, under a radio that takes more or less with the key down. */
export function weaken(
  pack: TightPack,
  as: TightPack,
  { capacitySpread: spread, resistanceFrom }: Weakness,
  { blocks }: LoadLaw,
  sample: Sample,
): void {
  const gain = capacityGain(spread, sample);
  pack.storedAh = as.storedAh * gain;
  pack.deliverableAh = as.deliverableAh * gain;
  const keyDown = blocks.length > 0 ? keyDownFactor(blocks[0].keyDownFrom, sample.keyDown[0]) : 1;
  setLevels(pack, resistanceFactor(resistanceFrom, sample.resistance), keyDown);
}
