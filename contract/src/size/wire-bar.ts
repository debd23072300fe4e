import { planLoad, RULES, stepEdges, type LoadSeries, type PlanInput, type Reason } from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { checkedHarness } from '../harness/harness-checks.js';
import { lookUp } from '../resolve/look-up.js';

/**
 * Asks Wire about kits of one plan: what it would stop, no search offers. The load is the same for all of them, so it is worked
 * out once, and none is marched for this.
 */
export class WireBar {
  private readonly load: LoadSeries;

  constructor(
    private readonly plan: PlanInput,
    private readonly gear: readonly Gear[],
  ) {
    this.load = planLoad(plan, stepEdges(plan));
  }

  /**
   * The first rule of Wire that stops a trip, or null.
   *
   * @param trip with the kit in its bag
   * @param parts the kit's packs and its panel, as a plan has them
   */
  stopOf(trip: Trip, parts: Pick<PlanInput, 'packs' | 'sun'>): Reason | null {
    const { carried } = lookUp(trip, this.gear);
    const run = { plan: { ...this.plan, ...parts }, load: this.load };
    const stop = checkedHarness(trip, carried, run).checks.find(({ severity }) => severity === 'stop');
    return stop ? { rule: RULES[stop.rule].title, sentence: stop.sentence } : null;
  }
}
