import type { PlanInput, PlannedBlock } from '../forecast/plan-input.js';
import { assumedBlock } from '../forecast/plan-load.js';
import { slotTiming } from '../load/mode.js';
import { radioCurrent } from '../load/radio-current.js';
import { assumedCurrents } from '../load/assumption.js';
import { bestPoints } from '../load/transmit-points.js';
import { HOUR_MS, type Span } from '../span.js';
import { firstStepFrom } from '../time-grid.js';

/** A way to work the radio for an hour. */
export interface RationAction {
  readonly powerW: number;
  /** Share of the time on transmit, 0 to 1. */
  readonly share: number;
  /** Mean current of the radio, and while the key is down, A. */
  readonly meanA: number;
  readonly keyDownA: number;
  /** What an hour of it is worth, the hour's own worth left out. */
  readonly worth: number;
}

/** Up to an hour of the outing: one block of work, or none. */
export interface RationSlot extends Span {
  readonly fromStep: number;
  readonly toStep: number;
  /** Index of the block among the first operating position's; −1 where its radio is off. */
  readonly block: number;
  /** Ways to work it, that of least current first; empty where the radio is off. */
  readonly actions: readonly RationAction[];
  /** The action that was planned. */
  readonly planned: RationAction | null;
  /** What the hour counts. */
  readonly worth: number;
}

/** What hours and watts are worth to the user, and how far the ration may go. */
export interface RationWorth {
  /** What an hour counts at an instant; 1 for an ordinary one. */
  readonly worthAt: (timeMs: number) => number;
  /** How much more an hour is worth with twice the power, as a share: 0.3 for a third more. */
  readonly doubling: number;
  /** A share on transmit that no hour of work goes under, as for a relay that must stay up; 0 lets the radio only listen. */
  readonly leastShare: number;
  /** More power, or a larger share, than was planned may be used; what was planned is the most if absent. */
  readonly morePower?: boolean;
  readonly moreShare?: boolean;
}

/** Shares that are tried, as parts of the planned one: below it, and where more is allowed above. */
const LESS = [0, 0.25, 0.5, 0.75];
const MORE = [1.25, 1.5];
/** Nobody transmits for longer than this. */
const MOST_SHARE = 0.95;

/** The hours of a plan as the ration sees them. */
export function rationSlots(plan: PlanInput, edgesMs: Float64Array, worth: RationWorth): RationSlot[] {
  const edges = new Set([plan.outing.startMs, plan.outing.endMs]);
  for (const { startMs, endMs } of plan.blocks) {
    edges.add(startMs);
    edges.add(endMs);
    for (let timeMs = Math.ceil(startMs / HOUR_MS) * HOUR_MS; timeMs < endMs; timeMs += HOUR_MS)
      edges.add(timeMs);
  }
  const times = [...edges].sort((a, b) => a - b);
  return times.slice(0, -1).map((startMs, index): RationSlot => {
    const endMs = times[index + 1];
    const block = plan.blocks.findIndex((one) => one.startMs <= startMs && startMs < one.endMs);
    const actions = block === -1 ? [] : actionsOf(plan, plan.blocks[block], worth);
    const planned =
      block === -1
        ? null
        : actionOf(plan, plan.blocks[block], worth, plan.blocks[block].powerW, plan.blocks[block].share);
    return {
      startMs,
      endMs,
      fromStep: firstStepFrom(edgesMs, startMs),
      toStep: firstStepFrom(edgesMs, endMs),
      block,
      actions,
      planned,
      worth: worth.worthAt((startMs + endMs) / 2),
    };
  });
}

/**
 * The ways to work an hour, from listening to all that is allowed. Power is what changes first: the share is cut only at the
 * least power, and raised only at the most.
 */
export function actionsOf(plan: PlanInput, block: PlannedBlock, worth: RationWorth): readonly RationAction[] {
  const known = bestPoints(plan.radio.figures.transmit).map(({ rfW }) => rfW);
  const powers = [...new Set([...known, block.powerW])]
    .filter((watts) => worth.morePower || watts <= block.powerW)
    .sort((a, b) => a - b);
  const timing = block.mode && slotTiming(block.mode);
  const most = Math.max(block.share, timing ? timing.onAirS / timing.slotS : MOST_SHARE);
  const shareOf = (part: number) =>
    Math.round(Math.min(most, Math.max(Math.min(worth.leastShare, most), part * block.share)) * 1000) / 1000;
  const rungs = [
    ...LESS.map((part) => [powers[0], shareOf(part)] as const),
    ...powers.map((watts) => [watts, shareOf(1)] as const),
    ...(worth.moreShare ? MORE.map((part) => [powers[powers.length - 1], shareOf(part)] as const) : []),
  ];
  return rungs
    .filter(
      ([powerW, share], index) => !rungs.slice(0, index).some(([w, of]) => w === powerW && of === share),
    )
    .map(([powerW, share]) => actionOf(plan, block, worth, powerW, share))
    .sort((a, b) => a.meanA - b.meanA);
}

export function actionOf(
  plan: PlanInput,
  block: PlannedBlock,
  { doubling }: RationWorth,
  powerW: number,
  share: number,
): RationAction {
  const rated = assumedBlock({ ...block, powerW, share }, plan.radio, plan.assumption);
  const { meanA, keyDownA, receiveA } = radioCurrent(
    rated.currents ?? assumedCurrents(plan.radio.figures, plan.assumption),
    rated,
  );
  const leastW = bestPoints(plan.radio.figures.transmit)[0].rfW;
  return {
    powerW,
    share,
    meanA,
    keyDownA: share > 0 ? keyDownA : receiveA,
    worth: share * Math.max(0.1, 1 + doubling * Math.log2(powerW / leastW)),
  };
}
