import { chanceOf, type Odds } from '../chance/chance.js';
import type { PlanInput, PlannedBlock } from '../forecast/plan-input.js';
import { stepEdges } from '../forecast/forecast.js';
import { bestPoints } from '../load/transmit-points.js';
import { SEED } from '../random/seed.js';
import { hoursOf } from '../span.js';
import type { Ration, RationChoice, RationHour } from './ration.js';
import { actionOf, actionsOf, rationSlots, type RationAction, type RationWorth } from './ration-slots.js';

/**
 * One setting for the whole outing, for an operating position where nobody can turn a knob: the best rung of a ladder of power and share
 * that reaches the target chance, or none (binds 'nothing') where not even the lowest does. Power changes first, as in the
 * ration by the hour. Source: convention of this project, docs/model.md
 *
 * @param target chance, above 0 and below 1
 */
export function singleSetting(plan: PlanInput, worth: RationWorth, target: number, seed = SEED): Ration {
  const rungs = ladder(plan, worth);
  const at = (rung: Rung): PlanInput => ({
    ...plan,
    targetChance: target,
    blocks: plan.blocks.map((block) => ({ ...block, ...choiceIn(plan, worth, block, rung) })),
  });
  const holds = (rung: Rung) => chanceOf(at(rung), seed).chance >= target;
  const reached = holds(rungs[0]);
  let [low, high] = [0, rungs.length];
  while (reached && high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (holds(rungs[middle])) low = middle;
    else high = middle;
  }
  const rung = rungs[low];
  const isTop = low === rungs.length - 1;
  const odds = chanceOf(at(rung), seed + 1);
  return {
    ...hoursAt(plan, worth, rung),
    odds,
    blindOdds: odds,
    plannedOdds: oddsOfPlan(plan, target, seed + 1),
    target,
    binds: !reached ? 'nothing' : isTop ? 'ceilings' : 'single',
  };
}

const oddsOfPlan = (plan: PlanInput, targetChance: number, seed: number): Odds =>
  chanceOf({ ...plan, targetChance }, seed);

/** A power that no block goes over, and a part of each block's own share. */
interface Rung {
  readonly powerW: number;
  readonly part: number;
}

const LESS = [0.25, 0.5, 0.75];
const MORE = [1.25, 1.5];

/** From the least current to the most: the share is cut only at the least power, and raised only at the most. */
function ladder(plan: PlanInput, { morePower = false, moreShare = false }: RationWorth): readonly Rung[] {
  const planned = Math.max(...plan.blocks.map(({ powerW }) => powerW));
  const powers = [...new Set([...bestPoints(plan.radio.figures.transmit).map(({ rfW }) => rfW), planned])]
    .filter((watts) => morePower || watts <= planned)
    .sort((a, b) => a - b);
  return [
    ...LESS.map((part) => ({ powerW: powers[0], part })),
    ...powers.map((powerW) => ({ powerW, part: 1 })),
    ...(moreShare ? MORE.map((part) => ({ powerW: powers[powers.length - 1], part })) : []),
  ];
}

/** What a rung means for a block: never more than was planned for it, unless that is allowed. */
function choiceIn(
  plan: PlanInput,
  worth: RationWorth,
  block: PlannedBlock,
  { powerW, part }: Rung,
): RationChoice {
  const ways = actionsOf(plan, block, worth);
  const most = Math.max(...ways.map(({ share }) => share));
  return {
    powerW: worth.morePower ? powerW : Math.min(block.powerW, powerW),
    share: Math.min(most, Math.max(Math.min(worth.leastShare, most), part * block.share)),
  };
}

/** The hours of the outing under one setting, and what they are worth. */
function hoursAt(
  plan: PlanInput,
  worth: RationWorth,
  rung: Rung,
): Pick<Ration, 'hours' | 'socs' | 'worth' | 'plannedWorth'> {
  let [at, planned] = [0, 0];
  const hours = rationSlots(plan, stepEdges(plan), worth).map((slot): RationHour => {
    const { startMs, endMs, block, worth: counts } = slot;
    const own = plan.blocks[block];
    const choice = own ? choiceIn(plan, worth, own, rung) : null;
    const worthOf = (action: RationAction | null) => hoursOf(slot) * counts * (action?.worth ?? 0);
    at += worthOf(own && choice ? actionOf(plan, own, worth, choice.powerW, choice.share) : null);
    planned += worthOf(slot.planned);
    return {
      startMs,
      endMs,
      block,
      proposed: choice,
      planned: slot.planned && { powerW: slot.planned.powerW, share: slot.planned.share },
      rules: choice ? [{ fromSoc: 0, choice }] : [],
    };
  });
  return { hours, socs: [], worth: at, plannedWorth: planned };
}
