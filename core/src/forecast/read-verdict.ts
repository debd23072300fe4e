import type { BatteryPack } from '../battery/battery-pack.js';
import { packCurrent } from '../battery/pack-current.js';
import { chargeBetween, type LoadSeries } from '../load/load-series.js';
import type { March } from '../march/march-data.js';
import { availabilityOf, type Availability } from '../march/availability.js';
import { valueAt } from '../time-grid.js';
import { HOUR_MS, hoursOf } from '../span.js';
import type { Harvest } from '../sun/harvest.js';
import { planEvents } from './events.js';
import { lowestOver } from './finding.js';
import { findings } from './findings.js';
import type { PlanInput, PlannedRestart } from './plan-input.js';
import { readSun } from './read-sun.js';
import { schools } from './schools.js';
import type { Binding, Consumed, Outcome, Verdict } from './verdict.js';

/** How a plan ends, read off its march. */
export function readOutcome(plan: PlanInput, packs: readonly BatteryPack[], run: March): Outcome {
  const { outing } = plan;
  const { endMs, binds } = plan.restart ? firstOutage(plan.restart, run) : firstEnd(run);
  const lasts = endMs === null;
  const plannedAh = chargeBetween(run.edgesMs, run.wantedA, outing.startMs, outing.endMs);
  const meanA = plannedAh / hoursOf(outing);
  const marginAh = lasts
    ? leftAboveReserve(plan, packs, run)
    : -(plan.restart ? notCarried(run) : shortfall(run, endMs).ampereHours);
  const lacksHours = plan.restart ? downHours(run) : (outing.endMs - (endMs ?? outing.endMs)) / HOUR_MS;
  const marginHours = lasts ? (meanA > 0 ? marginAh / meanA : Infinity) : -lacksHours;
  return { lasts, endMs, binds, marginAh, marginHours, plannedAh, meanA };
}

/** Reads the verdict off a march. */
export function readVerdict(
  plan: PlanInput,
  packs: readonly BatteryPack[],
  load: LoadSeries,
  run: March,
  sun: Harvest | null,
): Verdict {
  const outcome = readOutcome(plan, packs, run);
  const { endMs } = outcome;
  const untilMs = plan.restart ? plan.outing.endMs : (endMs ?? plan.outing.endMs);
  const lowest = lowestCharge(run);
  const lowestRadioV = lowestOver(run, untilMs, (step) =>
    load.keyDownRadioA[step] > 0 ? run.radioV[step] : Infinity,
  );
  const consumers = consumed(packs, load, run);
  const events = planEvents(plan, packs, run, sun);
  const found = findings({ plan, packs, load, march: run, untilMs, events });
  return {
    ...outcome,
    availability: plan.restart ? availabilityIn(run) : null,
    planEndMs: plan.outing.endMs,
    stopSoc: endMs === null ? null : valueAt(run.edgesMs, run.socInUse, endMs),
    ...run.ends,
    lowestSoc: lowest.soc,
    lowestMs: lowest.timeMs,
    endSoc: run.soc[run.soc.length - 1],
    reserveSoc: reserveOf(plan, packs),
    lowestRadioV: Number.isFinite(lowestRadioV) ? lowestRadioV : null,
    plannedWh: consumers.reduce((sum, { wattHours }) => sum + wattHours, 0),
    consumers,
    fedAh: run.books.fedAh,
    sun: plan.sun || plan.offeredA ? readSun(run, sun, packs[0].charge?.efficiency ?? 0) : null,
    schools: schools(plan, packs, load, run),
    events,
    findings: found,
  };
}

/** Charge above the reserves that the packs would still give, Ah at the rated current. */
function leftAboveReserve(plan: PlanInput, packs: readonly BatteryPack[], run: March): number {
  let ampereHours = 0;
  packs.forEach((pack, index) => {
    const above = run.endSoc[index] - plan.packs[index].reserveSoc;
    ampereHours += (packs.length > 1 ? Math.max(0, above) : above) * pack.deliverableAh;
  });
  return ampereHours;
}

/** Reserve of all packs together as a share of what they store, 0 to 1. */
function reserveOf(plan: PlanInput, packs: readonly BatteryPack[]): number {
  if (packs.length === 1) return plan.packs[0].reserveSoc;
  const storesAh = packs.reduce((sum, { storedAh }) => sum + storedAh, 0);
  return packs.reduce((sum, pack, index) => sum + plan.packs[index].reserveSoc * pack.storedAh, 0) / storesAh;
}

/** What each consumer takes out of the packs over the plan, at the volts that the march calculated with. */
function consumed(packs: readonly BatteryPack[], load: LoadSeries, run: March): Consumed[] {
  const { edgesMs, cellsV, inUse } = run;
  const sum = (name: string, ampsAt: (pack: BatteryPack, step: number) => number): Consumed => {
    let ampereHours = 0;
    let wattHours = 0;
    for (let step = 0; step < cellsV.length; step++) {
      const ah = (ampsAt(packs[inUse[step]], step) * (edgesMs[step + 1] - edgesMs[step])) / HOUR_MS;
      ampereHours += ah;
      wattHours += ah * cellsV[step];
    }
    return { name, ampereHours, wattHours };
  };
  const idleA = (pack: BatteryPack, step: number) => packCurrent(pack, 0, 0, cellsV[step]);
  const rows = load.byConsumer.map(({ amps, watts }, index) =>
    sum(
      load.consumers[index],
      (pack, step) => packCurrent(pack, amps[step], watts[step], cellsV[step]) - idleA(pack, step),
    ),
  );
  return packs.some(({ socket }) => socket) ? [...rows, sum('the power station itself', idleA)] : rows;
}

/**
 * What the rest of the plan lacks after an instant, Ah: the most that its loads run ahead of what is offered, and when
 * that is, UTC epoch ms. Without a source it is all that the rest would have drawn.
 */
export function shortfall(
  { edgesMs, offeredA, fedA, wantedA }: March,
  fromMs: number,
): { ampereHours: number; untilMs: number } {
  let ahead = 0;
  let most = { ampereHours: 0, untilMs: fromMs };
  for (let step = 0; step < offeredA.length; step++) {
    const hours = (edgesMs[step + 1] - Math.max(edgesMs[step], fromMs)) / HOUR_MS;
    if (hours <= 0) continue;
    ahead += (wantedA[step] - offeredA[step] - fedA[step]) * hours;
    if (ahead > most.ampereHours) most = { ampereHours: ahead, untilMs: edgesMs[step + 1] };
  }
  return most;
}

/** How much of the wanted hours a march of gear that comes back was up. */
function availabilityIn({ edgesMs, upHours, wanted }: March): Availability {
  const hours = Float64Array.from(wanted, (_, step) => (edgesMs[step + 1] - edgesMs[step]) / HOUR_MS);
  return availabilityOf(hours, wanted, upHours!);
}

/** When gear that comes back is first down, and what took it off; nothing where it is up for its share of the wanted hours. */
function firstOutage(
  { targetUp }: PlannedRestart,
  run: March,
): { endMs: number | null; binds: Binding | null } {
  const { share, firstH } = availabilityIn(run);
  if (share >= targetUp || firstH === null) return { endMs: null, binds: null };
  const endMs = run.edgesMs[0] + firstH * HOUR_MS;
  const { cutoffMs } = run.ends;
  return { endMs, binds: cutoffMs !== null && cutoffMs <= endMs ? 'cutoff' : 'radioDropout' };
}

/** Load that was wanted and not carried, Ah. */
const notCarried = ({ edgesMs, wantedA, loadA }: March): number =>
  wantedA.reduce(
    (sum, amps, step) => sum + ((amps - loadA[step]) * (edgesMs[step + 1] - edgesMs[step])) / HOUR_MS,
    0,
  );

const downHours = (run: March): number => {
  const { share, wantedHours } = availabilityIn(run);
  return (1 - share) * wantedHours;
};

/** The first of the three end points; at the same instant the cut-off is named before the drop-out, that before the reserve. */
function firstEnd({ ends }: March): { endMs: number | null; binds: Binding | null } {
  const candidates: readonly [Binding, number | null][] = [
    ['cutoff', ends.cutoffMs],
    ['radioDropout', ends.radioDropoutMs],
    ['reserve', ends.reserveMs],
  ];
  let endMs: number | null = null;
  let binds: Binding | null = null;
  for (const [name, timeMs] of candidates) {
    if (timeMs !== null && (endMs === null || timeMs < endMs)) {
      endMs = timeMs;
      binds = name;
    }
  }
  return { endMs, binds };
}

function lowestCharge({ soc, edgesMs }: March): { soc: number; timeMs: number } {
  let at = 0;
  for (let edge = 1; edge < soc.length; edge++) if (soc[edge] < soc[at]) at = edge;
  return { soc: soc[at], timeMs: edgesMs[at] };
}
