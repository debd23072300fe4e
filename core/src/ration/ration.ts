import { chanceOf, oddsOf, type Odds } from '../chance/chance.js';
import { SEED } from '../random/seed.js';
import {
  capacityGain,
  chanceLaw,
  emptyRun,
  inOrder,
  sampleFor,
  take,
  type ChanceLaw,
} from '../chance/chance-law.js';
import type { Sample } from '../chance/sample.js';
import { sampledRest } from '../chance/sampled-load.js';
import { generator, normal, seedOf } from '../random/generator.js';
import { batteryPackAt } from '../battery/battery-pack.js';
import { copyOf } from '../march/tight-pack.js';
import { loadCables, type PlanInput } from '../forecast/plan-input.js';
import { cutoffLevel, dropoutLevel, insideDip } from '../march/end-points.js';
import {
  bestPolicy,
  bySchedule,
  byTable,
  follow,
  LEVELS,
  TOLD_STEP,
  type RationPolicy,
  type RationRun,
  type RationWorld,
} from './ration-policy.js';
import { cautiousOutings, MOST_CAUTION } from './cautious-outings.js';
import { rationSlots, type RationSlot, type RationWorth } from './ration-slots.js';

/** An hour of the ration as it is expected to go, and what to do where the charge stands elsewhere. */
export interface RationHour {
  readonly startMs: number;
  readonly endMs: number;
  /** Index of the block among the first operating position's; −1 where its radio is off anyway. */
  readonly block: number;
  /** What is proposed with everything as expected; null with the radio off. */
  readonly proposed: RationChoice | null;
  readonly planned: RationChoice | null;
  /** What to do from a state of charge on, 0 to 1, ascending; choice null: keep the radio off. */
  readonly rules: readonly { readonly fromSoc: number; readonly choice: RationChoice | null }[];
}

export interface RationChoice {
  readonly powerW: number;
  readonly share: number;
}

/**
 * What keeps a ration from its target: more than was planned is not asked for, the steps of power and share are coarse, one
 * setting has to do for the whole outing, or nothing that is allowed reaches it.
 */
export type RationBinds = 'ceilings' | 'steps' | 'single' | 'nothing';

/** How to spend the energy of a kit. */
export interface Ration {
  readonly hours: readonly RationHour[];
  /** State of charge at each hour's start and at the end, as expected. */
  readonly socs: readonly number[];
  /** How often its table keeps above the reserve where the charge is read at each hour, over samples that it was not made from. */
  readonly odds: Odds;
  /** The same of its hours as proposed, followed without checking the battery, and of the plan as it is. */
  readonly blindOdds: Odds;
  readonly plannedOdds: Odds;
  /** The chance that it was to reach, and why it does not come out at that; null where it does. */
  readonly target: number;
  readonly binds: RationBinds | null;
  /** Weighted hours on the air, the mean over the same samples. */
  readonly worth: number;
  readonly plannedWorth: number;
}

/** Samples that a caution is judged by, and as many fresh ones that the result is told from; fewer where the outing is long. */
const JUDGED_BY = 2000;
const TOLD_FROM = 2000;
const MOST_SAMPLED_STEPS = 1.5e6;
const CAUTIONS = 8;
/** A policy is made for one world: outings up to this many standard deviations better or worse than expected. */
const LEAST_CAUTION = -2;
/** Of an outing under way much is known already: a standard deviation is little, and the search goes further. */
const LEAST_CAUTION_UNDER_WAY = -8;
/** Standard deviation of a charge that is read off a meter, a share of a full one. */
export const READING_ERROR = 0.05;
/** Surer than its target by this much a ration says what keeps it from spending more. */
const NEAR = 0.02;

/**
 * The schedule of power and share by hour that is worth the most and still keeps above the reserve with the target chance, for
 * somebody who reads the charge at each hour and follows the table, with the error that such readings have. The policy is the
 * best for a world somewhat better or worse than expected; which one is found by trying policies on samples, so that the chance
 * comes out as asked. Source: convention of this project, docs/model.md; the search for the caution is ours.
 *
 * @param target chance, above 0 and below 1
 * @param law of the plan's chances; one that gives its own samples, as what is left of an outing by what was read, is followed
 */
export function ration(
  plan: PlanInput,
  worth: RationWorth,
  target: number,
  seed = SEED,
  law = chanceLaw(plan),
): Ration {
  const slots = rationSlots(plan, law.edgesMs, worth);
  const outings = cautiousOutings(law, seed);
  const samples = Math.min(JUDGED_BY, Math.floor(MOST_SAMPLED_STEPS / law.steps.hours.length));
  const judged = Array.from({ length: samples }, (_, index) => worldOf(law, sampleFor(law, seed, index)));
  const held = (policy: RationPolicy) =>
    judged.filter((world, index) => follow(world, slots, byTable(policy, errors(seed, index))).held).length;
  const mayRest = worth.leastShare === 0;
  const policyAt = (caution: number) => bestPolicy(worldOf(law, outings(caution)), slots, mayRest);
  const holds = (policy: RationPolicy) => held(policy) >= target * samples;
  let policy = policyAt(MOST_CAUTION);
  const reached = holds(policy);
  let bold: RationPolicy | null = null;
  const least = law.sampleAt ? LEAST_CAUTION_UNDER_WAY : LEAST_CAUTION;
  for (let trial = 0, low = least, high = MOST_CAUTION; reached && trial < CAUTIONS; trial++) {
    const caution = (low + high) / 2;
    const tried = policyAt(caution);
    if (holds(tried)) [high, policy] = [caution, tried];
    else [low, bold] = [caution, tried];
  }
  if (bold) policy = between(bold, policy, holds);
  return told(law, slots, policy, {
    target,
    reached,
    isBound: bold === null,
    from: samples,
    seed,
    expected: outings(0),
  });
}

/**
 * Between a policy that is too bold and one that holds the chance jumps, since a step of power is a step in every hour: bold in
 * as many of the last hours as still hold.
 */
function between(
  bold: RationPolicy,
  safe: RationPolicy,
  holds: (policy: RationPolicy) => boolean,
): RationPolicy {
  const boldFrom = (slot: number) => safe.map((choices, index) => (index < slot ? choices : bold[index]));
  let [low, high] = [0, safe.length];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (holds(boldFrom(middle))) high = middle;
    else low = middle;
  }
  return boldFrom(high);
}

/** Errors of the readings in one sample, by its number. */
function errors(seed: number, index: number): () => number {
  const next = generator(seedOf(`${seed} ${index} readings`));
  return () => READING_ERROR * normal(next);
}

function told(
  law: ChanceLaw,
  slots: readonly RationSlot[],
  policy: RationPolicy,
  {
    target,
    reached,
    isBound,
    from,
    seed,
    expected: middle,
  }: {
    target: number;
    reached: boolean;
    isBound: boolean;
    from: number;
    seed: number;
    /** The outing as it is expected. */
    expected: Sample;
  },
): Ration {
  const fresh = Array.from({ length: Math.min(TOLD_FROM, from) }, (_, index) =>
    worldOf(law, sampleFor(law, seed, from + index)),
  );
  const expected = follow(worldOf(law, middle), slots, byTable(policy));
  const kept = fresh.map((world, index) => follow(world, slots, byTable(policy, errors(seed, from + index))));
  const blind = fresh.map((world) => follow(world, slots, bySchedule(expected.actions)));
  const asPlanned = fresh.map((world) => follow(world, slots, null));
  const mean = (runs: readonly RationRun[]) => runs.reduce((sum, run) => sum + run.worth, 0) / runs.length;
  const odds = (runs: readonly RationRun[]) => oddsOf(runs.filter(({ held }) => held).length, runs.length);
  const following = odds(kept);
  return {
    hours: slots.map((slot, index): RationHour => ({
      startMs: slot.startMs,
      endMs: slot.endMs,
      block: slot.block,
      proposed: choiceOf(slot, expected.actions[index]),
      planned: slot.planned && { powerW: slot.planned.powerW, share: slot.planned.share },
      rules: slot.block === -1 ? [] : rulesOf(slot, policy[index]),
    })),
    socs: expected.socs,
    odds: following,
    blindOdds: odds(blind),
    // The plan without a ration has Plan's own figure, on Plan's samples; an outing under way has only these.
    plannedOdds: law.sampleAt ? odds(asPlanned) : chanceOf(law.plan),
    target,
    binds: !reached ? 'nothing' : following.chance <= target + NEAR ? null : isBound ? 'ceilings' : 'steps',
    worth: mean(kept),
    plannedWorth: mean(asPlanned),
  };
}

function choiceOf({ actions }: RationSlot, choice: number): RationChoice | null {
  const action = actions[choice];
  return action ? { powerW: action.powerW, share: action.share } : null;
}

function rulesOf(slot: RationSlot, choices: Int16Array): RationHour['rules'] {
  const rules: { fromSoc: number; choice: RationChoice | null }[] = [];
  let last: number | null = null;
  for (let level = 0; level <= LEVELS; level += TOLD_STEP) {
    const choice = choices[level];
    if (choice === last) continue;
    last = choice;
    rules.push({ fromSoc: level / LEVELS, choice: choiceOf(slot, choice) });
  }
  return rules;
}

/** One sampled outing as a ration meets it: the radio's part of the load is taken out, its error kept as a factor. */
function worldOf(law: ChanceLaw, sample: Sample): RationWorld {
  const { plan, load, steps } = law;
  const run = emptyRun(law);
  const [as] = law.packs;
  const pack = copyOf(as);
  take(law, sample, run, law.packs.length > 1 ? [] : [pack]);
  if (law.packs.length > 1) joinInto(law, pack, sample);
  const sampledRestA = new Float32Array(run.loadA.length);
  sampledRest(load.accessories, sample, sampledRestA);
  const restA = sampledRestA.slice();
  const own = plan.blocks.length;
  let [drawn, planned] = [0, 0];
  load.blocks.forEach(({ fromStep, toStep }, index) => {
    const mean = load.load.byConsumer[0].amps;
    for (let step = fromStep; step < toStep; step++) {
      const radioA = run.loadA[step] - sampledRestA[step];
      if (index < own) {
        drawn += radioA * steps.hours[step];
        planned += mean[step] * steps.hours[step];
      } else if (mean[step] === 0) restA[step] = run.loadA[step];
    }
  });
  const { sharedOhm, radioOhm } = loadCables(plan);
  const at = batteryPackAt(plan.packs[0].label, plan.temperatureC);
  const reserveSoc = joinedReserve(law);
  return {
    hours: steps.hours,
    restA,
    radioGain: planned > 0 ? drawn / planned : 1,
    sunA: run.sunA,
    fedA: steps.fedA,
    sunGain: run.sunGain,
    controllerMaxA: run.controllerMaxA,
    pack,
    reserveSoc,
    levelOf: (keyDownA) => {
      const dipV = insideDip(at, keyDownA / 2, keyDownA) + keyDownA * (sharedOhm + radioOhm);
      return Math.max(reserveSoc, dropoutLevel(at, plan.radio.dropoutV, dipV), cutoffLevel(at, keyDownA / 2));
    },
  };
}

/** The reserve of all packs together, 0 to 1: their own reserves weighted by the charge that they store. */
function joinedReserve({ plan, packs }: ChanceLaw): number {
  const stored = packs.reduce((sum, { storedAh }) => sum + storedAh, 0);
  const reserves = inOrder(plan).map(({ reserveSoc }) => reserveSoc);
  return packs.reduce((sum, { storedAh }, index) => sum + storedAh * reserves[index], 0) / stored;
}

/** Joins packs that are used in turn into one large pack with their total charge. */
function joinInto(law: ChanceLaw, pack: RationWorld['pack'], sample: Sample): void {
  const gain = capacityGain(law.weaknesses[0].capacitySpread, sample);
  const stored = law.packs.reduce((sum, { storedAh }) => sum + storedAh, 0);
  const held = law.packs.reduce(
    (sum, { storedAh, startSoc }, index) => sum + storedAh * (sample.socs?.[index] ?? startSoc),
    0,
  );
  pack.storedAh = stored * gain;
  pack.deliverableAh = law.packs.reduce((sum, { deliverableAh }) => sum + deliverableAh, 0) * gain;
  pack.startSoc = held / stored;
}
