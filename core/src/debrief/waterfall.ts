import { forecast } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { factorBy, accessorySpread } from '../chance/spreads.js';
import type { FieldMarch } from '../field/field-march.js';
import { follow, type Followed, type FollowOptions } from '../field/follow.js';
import { learnedFrom } from '../field/learned.js';
import { sharesOf, weightedMean } from '../field/weigh.js';
import {
  withLearnedAccessories,
  withLearnedDuty,
  withLearnedKeyDown,
  withLearnedReceive,
} from './learned-plan.js';

/** Why more or less was used than planned, in the order in which one is replaced after the other. */
export const WATERFALL_STEPS = [
  'work',
  'dutyCycle',
  'receive',
  'keyDown',
  'otherLoads',
  'sunOffered',
  'sunNotTaken',
  'chargers',
  'losses',
  'rest',
] as const;
export type WaterfallStep = (typeof WATERFALL_STEPS)[number];

/** From the charge that was planned to be used to that which was. */
export interface Waterfall {
  /** Charge out of the batteries less what came back in, Ah. */
  readonly plannedAh: number;
  readonly actualAh: number;
  /** They sum up to actual less planned. */
  readonly steps: readonly { readonly what: WaterfallStep; readonly ah: number }[];
}

/** What became of the charge, so that used = loads − offered + not taken − from chargers + lost, Ah: the mean of outings. */
export interface OutingBooks {
  readonly usedAh: number;
  readonly loadsAh: number;
  readonly offeredAh: number;
  readonly notTakenAh: number;
  readonly fedAh: number;
  readonly lostAh: number;
}

/** The books of outings where they stand. */
export function outingBooks({ march }: Pick<Followed, 'march'>): OutingBooks {
  const { particles, law } = march;
  const shares = sharesOf(particles.weight);
  const mean = (column: Float64Array) => weightedMean(column, shares).mean;
  const used = Float64Array.from(shares, (_, index) => {
    march.take(index);
    return particles.socs.reduce(
      (sum, soc, pack) => sum + (law.packs[pack].startSoc - soc[index]) * march.packs[pack].storedAh,
      0,
    );
  });
  const [usedAh, loadsAh, offeredAh, takenAh, fedAh] = [
    used,
    particles.loadsAh,
    particles.offeredAh,
    particles.takenAh,
    particles.fedAh,
  ].map(mean);
  return {
    ...{ usedAh, loadsAh, offeredAh, fedAh },
    notTakenAh: offeredAh - takenAh,
    lostAh: usedAh - loadsAh + takenAh + fedAh,
  };
}

/** What the loads take over a plan, Ah. */
const loadsIn = (plan: PlanInput): number => forecast(plan).march.books.loadsAh;

/**
 * Why the charge that was used differs from that which was planned: what was worked, then the learned figures, one replaced after the
 * other. What the sun offered, what of it was not taken and what was lost are what came of all of it. The rest is what the loads took and no figure
 * explains. Source: convention of this project, docs/model.md.
 *
 * @param planned as it was planned
 * @param followed the outing as it was worked and read, to its end
 */
export function waterfall(planned: PlanInput, followed: Followed, options: FollowOptions = {}): Waterfall {
  const lessons = learnedFrom(followed);
  const { endMs } = planned.outing;
  const before = outingBooks(follow(planned, { readings: [], events: [] }, endMs, options));
  const after = outingBooks(followed);
  // What was worked, under the sun as it was planned: the loads are compared one by one.
  const { sun: _asWorked, momentsMs: _read, ...bare } = followed.march.law.plan;
  const worked: PlanInput = {
    ...bare,
    stepMs: planned.stepMs,
    ...(planned.sun && { sun: planned.sun }),
  };
  const duty = withLearnedDuty(worked, lessons);
  const receive = withLearnedReceive(duty, lessons);
  const keyDown = withLearnedKeyDown(receive, lessons);
  const others = withLearnedAccessories(keyDown, accessoryFactors(followed.march));
  const loads = [planned, worked, duty, receive, keyDown, others].map(loadsIn);
  const [work, dutyCycle, receiveAh, keyDownAh, otherLoads] = loads
    .slice(1)
    .map((ah, index) => ah - loads[index]);
  const all: Readonly<Record<WaterfallStep, number>> = {
    ...{ work, dutyCycle, receive: receiveAh, keyDown: keyDownAh, otherLoads },
    sunOffered: before.offeredAh - after.offeredAh,
    sunNotTaken: after.notTakenAh - before.notTakenAh,
    chargers: before.fedAh - after.fedAh,
    losses: after.lostAh - before.lostAh,
    rest: after.loadsAh - before.loadsAh - (loads[5] - loads[0]),
  };
  return {
    plannedAh: before.usedAh,
    actualAh: after.usedAh,
    steps: WATERFALL_STEPS.map((what) => ({ what, ah: all[what] })),
  };
}

/** How likely it is that the loads were carried to where the outings stand, 0 to 1. */
export const chanceCarried = ({ march: { particles } }: Followed): number =>
  weightedMean(Float64Array.from(particles.isOn), sharesOf(particles.weight)).mean;

/** What each accessory takes of what it was assumed to, in the order of the plan. */
function accessoryFactors({ particles, law }: FieldMarch): readonly number[] {
  const shares = sharesOf(particles.weight);
  return law.load.accessories.map(({ from }, place) => {
    const spread = accessorySpread(from);
    const factors = particles.accessories[place].map((off) => factorBy(spread, off));
    return weightedMean(factors, shares).mean;
  });
}
