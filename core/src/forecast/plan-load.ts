import { loadSeries, type LoadSeries, type LoadStation, type WorkBlock } from '../load/load-series.js';
import { ratedCurrents, ratedFactor, type Rating } from '../load/rating.js';
import { loadLeads, stationsOf, type PlanInput, type PlannedBlock, type PlannedRadio } from './plan-input.js';

/** A block as its rating has it: its mode factor, and the radio's currents where it is rated otherwise than the plan. */
export function ratedBlock(
  block: PlannedBlock,
  { figures }: PlannedRadio,
  rating: Rating,
): PlannedBlock & WorkBlock {
  const by = block.rating ?? rating;
  return {
    ...block,
    modeFactor: ratedFactor(block, by),
    ...(by !== rating && { currents: ratedCurrents(figures, by) }),
  };
}

/** The same plan with every block rated one way. */
export function ratedThroughout(plan: PlanInput, rating: Rating): PlanInput {
  const bare = (blocks: readonly PlannedBlock[]) => blocks.map(({ rating: _own, ...block }) => block);
  return {
    ...plan,
    rating,
    blocks: bare(plan.blocks),
    ...(plan.others && {
      others: plan.others.map(({ radio, blocks }) => ({ radio, blocks: bare(blocks) })),
    }),
  };
}

/** The load of a plan, each block by its rating. */
export function planLoad(plan: PlanInput, edgesMs: Float64Array): LoadSeries {
  const [first, ...others] = stationsOf(plan).map(({ radio, blocks }): LoadStation => ({
    name: radio.name,
    radio: ratedCurrents(radio.figures, plan.rating),
    blocks: blocks.map((block) => ratedBlock(block, radio, plan.rating)),
    dropoutV: radio.dropoutV,
  }));
  const { name, radio, blocks, dropoutV } = first;
  return loadSeries(
    {
      radioName: name,
      radio,
      blocks,
      accessories: plan.accessories,
      ...(others.length > 0 && { others, dropoutV, leadOhm: loadLeads(plan).radioOhm }),
    },
    edgesMs,
  );
}
