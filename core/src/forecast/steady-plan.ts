import { HOUR_MS, type Span } from '../span.js';
import type { PlanInput } from './plan-input.js';

/** Step of plans that are looked at over many days, ms. */
const STEP_MS = HOUR_MS / 4;

/**
 * The same batteries, cables and panel under a load that never changes, over other hours: what questions about many days are
 * asked of. The radio's drop-out is not looked for, since nothing keys it.
 */
export function steadyPlan(plan: PlanInput, outing: Span, loadA: number): PlanInput {
  const draw = { amps: loadA, watts: 0 };
  const { others: _others, offeredA: _offered, feeds: _feeds, ...rest } = plan;
  return {
    ...rest,
    outing,
    stepMs: STEP_MS,
    blocks: [],
    accessories: [{ name: 'mean load', pieces: [{ ...outing, mean: draw, keyDown: draw }] }],
  };
}
