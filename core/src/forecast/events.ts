import type { BatteryPack } from '../battery/battery-pack.js';
import type { March } from '../march/march-data.js';
import type { Harvest } from '../sun/harvest.js';
import { RISE_AND_SET_DEG, sunCrossings } from '../sun/twilight.js';
import type { PlanInput } from './plan-input.js';

/** What happens over an outing. */
export const EVENTS = {
  sunrise: 'the sun rises',
  sunset: 'the sun sets',
  balanceGained: 'solar covers the load',
  balanceLost: 'solar no longer covers the load',
  chargerOn: 'the charger goes on',
  chargerOff: 'the charger is off',
  full: 'full',
  controllerLimit: 'the controller is at its limit',
  coldBlock: 'too cold to charge',
  swap: 'the next battery',
  reserve: 'down to the reserve',
  radioDropout: 'the radio drops out',
  cutoff: 'the battery cuts off',
  back: 'the loads come back',
  empty: 'empty',
} as const;

export type EventKind = keyof typeof EVENTS;

export interface PlanEvent {
  readonly kind: EventKind;
  /** UTC epoch ms. */
  readonly timeMs: number;
  /** The pack that a swap brings into use. */
  readonly pack?: string;
}

/** Charge this near to all is full. */
const FULL_SOC = 1 - 1e-6;

/** Everything that happens in a run, in order of time. Ends and swaps are found inside their step, sunrise to the second. */
export function planEvents(
  plan: PlanInput,
  packs: readonly BatteryPack[],
  run: March,
  sun: Harvest | null,
): PlanEvent[] {
  const events: PlanEvent[] = [];
  if (plan.site) {
    for (const { timeMs, rising } of sunCrossings(plan.outing, plan.site, RISE_AND_SET_DEG)) {
      events.push({ kind: rising ? 'sunrise' : 'sunset', timeMs });
    }
  }
  const { startMs, endMs } = plan.outing;
  for (const feed of plan.feeds ?? []) {
    events.push({ kind: 'chargerOn', timeMs: Math.max(startMs, feed.startMs) });
    if (feed.endMs < endMs) events.push({ kind: 'chargerOff', timeMs: feed.endMs });
  }
  for (const { timeMs, to } of run.swaps) {
    events.push({ kind: 'swap', timeMs, pack: plan.packs[to].name });
  }
  const { reserveMs, radioDropoutMs, cutoffMs } = run.ends;
  if (reserveMs !== null) events.push({ kind: 'reserve', timeMs: reserveMs });
  if (radioDropoutMs !== null) events.push({ kind: 'radioDropout', timeMs: radioDropoutMs });
  if (cutoffMs !== null) {
    events.push({ kind: run.socInUse[run.socInUse.length - 1] <= 0 ? 'empty' : 'cutoff', timeMs: cutoffMs });
  }
  for (const timeMs of run.backMs) events.push({ kind: 'back', timeMs });
  events.push(...stepEvents(packs, run, sun));
  return events.sort((a, b) => a.timeMs - b.timeMs);
}

/** What begins or ends with a step: balance, full, the controller's limit, cold. */
function stepEvents(packs: readonly BatteryPack[], run: March, sun: Harvest | null): PlanEvent[] {
  const { edgesMs, soc, offeredA, fedA, fedTakenA, wantedA, curtailedA, terminalV, inUse } = run;
  const events: PlanEvent[] = [];
  const begins = { full: false, controllerLimit: false, coldBlock: false, balanceGained: false };
  const note = (kind: keyof typeof begins, now: boolean, timeMs: number) => {
    if (now && !begins[kind]) events.push({ kind, timeMs });
    else if (!now && begins[kind] && kind === 'balanceGained') events.push({ kind: 'balanceLost', timeMs });
    begins[kind] = now;
  };
  begins.full = soc[0] >= FULL_SOC;
  for (let step = 0; step < offeredA.length; step++) {
    const startMs = edgesMs[step];
    const offered = offeredA[step] > 0;
    note('balanceGained', offered && offeredA[step] >= wantedA[step], startMs);
    note('full', soc[step + 1] >= FULL_SOC, edgesMs[step + 1]);
    const refused = curtailedA[step] > 0 || fedA[step] > fedTakenA[step];
    note('coldBlock', refused && packs[inUse[step]].charge === null, startMs);
    note('controllerLimit', offered && sun?.stateAt(step, terminalV[step]) === 'current_limit', startMs);
  }
  return events;
}
