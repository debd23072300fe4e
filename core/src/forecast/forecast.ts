import { batteryPackAt, type BatteryPack } from '../battery/battery-pack.js';
import { fedAmps } from '../charge-up/feed.js';
import type { LoadSeries } from '../load/load-series.js';
import type { Assumption } from '../load/assumption.js';
import { march } from '../march/march.js';
import type { March } from '../march/march-data.js';
import { timeGrid } from '../time-grid.js';
import { harvest, type Harvest } from '../sun/harvest.js';
import { loadCables, positionsOf, type PlanInput } from './plan-input.js';
import { planLoad, assumedThroughout } from './plan-load.js';
import { readOutcome, readVerdict } from './read-verdict.js';
import { underTypicalSky } from './typical-sky.js';
import type { Outcome, Verdict } from './verdict.js';

export interface Forecast {
  readonly plan: PlanInput;
  /** The packs at the trip's temperature, in the order of the plan. */
  readonly packs: readonly BatteryPack[];
  readonly load: LoadSeries;
  /** Null without a panel. */
  readonly sun: Harvest | null;
  readonly march: March;
  readonly verdict: Verdict;
}

/**
 * Marches a plan under its typical sky and reads the verdict off it. The same input gives the same bits.
 *
 * @param skyFactor on how closed that sky is (see typicalFactor); 1 while the samples run
 */
export function forecast(asked: PlanInput, skyFactor = 1): Forecast {
  const plan = underTypicalSky(asked, skyFactor);
  const edgesMs = stepEdges(plan);
  const sun = plan.sun ? harvest(plan.sun, edgesMs) : null;
  const marched = marchOver(plan, edgesMs, sun);
  const { packs, load, march: run } = marched;
  return { plan, sun, ...marched, verdict: readVerdict(plan, packs, load, run, sun) };
}

/** The same plan under another assumption: how it ends, over the steps and the harvest that are known already. */
export function outcomeRated({ plan, march: { edgesMs }, sun }: Forecast, assumption: Assumption): Outcome {
  const assumed = assumedThroughout(plan, assumption);
  const { packs, march: run } = marchOver(assumed, edgesMs, sun);
  return readOutcome(assumed, packs, run);
}

function marchOver(
  plan: PlanInput,
  edgesMs: Float64Array,
  sun: Harvest | null,
): Pick<Forecast, 'packs' | 'load' | 'march'> {
  const load = planLoad(plan, edgesMs);
  const packs = plan.packs.map(({ label }) => batteryPackAt(label, plan.temperatureC));
  const { sharedOhm, radioOhm } = loadCables(plan);
  const run = march({
    bank: plan.packs.map(({ startSoc, reserveSoc }, index) => ({ pack: packs[index], startSoc, reserveSoc })),
    ...(plan.chargeIdle && { chargeIdle: true }),
    ...(plan.restart && { reconnectV: plan.restart.reconnectV }),
    load,
    radioDropoutV: plan.radio.dropoutV,
    cableOhm: radioOhm,
    sharedOhm,
    ...offers(plan, sun, edgesMs),
    fedA: fedAmps(plan.feeds ?? [], edgesMs),
  });
  return { packs, load, march: run };
}

/** Edges of the steps: no step straddles the edge of a block, of an accessory's stretch, of hours of shade or of a charger, nor a moment. */
export function stepEdges(plan: PlanInput): Float64Array {
  const spans = [
    ...positionsOf(plan).flatMap(({ blocks }) => blocks),
    ...plan.accessories.flatMap(({ pieces }) => pieces),
    ...(plan.sun?.shade.spans ?? []),
    ...(plan.feeds ?? []),
    ...(plan.momentsMs ?? []).map((timeMs) => ({ startMs: timeMs, endMs: timeMs })),
  ];
  return timeGrid(plan.outing, plan.stepMs, spans);
}

/** What is offered in each step: the panel's current, and any other source's. */
function offers(
  { offeredA }: PlanInput,
  sun: Harvest | null,
  edgesMs: Float64Array,
): { offeredAt?: (step: number, batteryV: number) => number } {
  if (!offeredA) return sun ? { offeredAt: (step, batteryV) => sun.offeredAt(step, batteryV) } : {};
  const middle = (step: number) => (edgesMs[step] + edgesMs[step + 1]) / 2;
  return {
    offeredAt: (step, batteryV) => offeredA(middle(step)) + (sun?.offeredAt(step, batteryV) ?? 0),
  };
}
