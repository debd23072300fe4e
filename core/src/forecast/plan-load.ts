import { loadSeries, type LoadSeries, type LoadPosition, type WorkBlock } from '../load/load-series.js';
import { assumedCurrents, assumedFactor, type Assumption } from '../load/assumption.js';
import {
  loadCables,
  positionsOf,
  type PlanInput,
  type PlannedBlock,
  type PlannedRadio,
} from './plan-input.js';

/** A block as its assumption has it: its mode factor, and the radio's currents where its assumption is another than the plan's. */
export function assumedBlock(
  block: PlannedBlock,
  { figures }: PlannedRadio,
  assumption: Assumption,
): PlannedBlock & WorkBlock {
  const by = block.assumption ?? assumption;
  return {
    ...block,
    modeFactor: assumedFactor(block, by),
    ...(by !== assumption && { currents: assumedCurrents(figures, by) }),
  };
}

/** The same plan with one assumption for every block. */
export function assumedThroughout(plan: PlanInput, assumption: Assumption): PlanInput {
  const bare = (blocks: readonly PlannedBlock[]) => blocks.map(({ assumption: _own, ...block }) => block);
  return {
    ...plan,
    assumption,
    blocks: bare(plan.blocks),
    ...(plan.others && {
      others: plan.others.map(({ radio, blocks }) => ({ radio, blocks: bare(blocks) })),
    }),
  };
}

/** The load of a plan, each block under its assumption. */
export function planLoad(plan: PlanInput, edgesMs: Float64Array): LoadSeries {
  const [first, ...others] = positionsOf(plan).map(({ radio, blocks }): LoadPosition => ({
    name: radio.name,
    radio: assumedCurrents(radio.figures, plan.assumption),
    blocks: blocks.map((block) => assumedBlock(block, radio, plan.assumption)),
    dropoutV: radio.dropoutV,
  }));
  const { name, radio, blocks, dropoutV } = first;
  return loadSeries(
    {
      radioName: name,
      radio,
      blocks,
      accessories: plan.accessories,
      ...(others.length > 0 && { others, dropoutV, cableOhm: loadCables(plan).radioOhm }),
      ...(plan.oneSpeaks && { oneSpeaks: true }),
    },
    edgesMs,
  );
}
