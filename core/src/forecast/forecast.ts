import { packAt, type Pack } from '../battery/pack.js';
import { chargeBetween, loadSeries, type LoadSeries } from '../load/load-series.js';
import { march, type March } from '../march/march.js';
import { socAt } from '../march/soc-at.js';
import { timeGrid } from '../march/time-grid.js';
import { HOUR_MS, hoursOf } from '../span.js';
import { harvest, type Harvest } from '../sun/harvest.js';
import { findings, lowestOver } from './findings.js';
import type { PlanInput } from './plan-input.js';
import type { Binding, Blaze, SunVerdict, Verdict } from './verdict.js';

export interface Forecast {
  readonly plan: PlanInput;
  readonly pack: Pack;
  readonly load: LoadSeries;
  /** Null without a panel. */
  readonly sun: Harvest | null;
  readonly march: March;
  readonly verdict: Verdict;
}

/** Spare charge under this share of what the plan draws is worth a second look. */
const THIN_MARGIN = 0.1;

/** Marches a plan and reads the verdict off it. The same input gives the same bits. */
export function forecast(plan: PlanInput): Forecast {
  const spans = [...plan.blocks, ...plan.steady.flatMap((load) => load.spans)];
  const edgesMs = timeGrid(plan.outing, plan.stepMs, spans);
  const load = loadSeries(
    {
      radioName: plan.radio.name,
      radio: plan.radio.currents,
      blocks: plan.blocks,
      steady: plan.steady,
    },
    edgesMs,
  );
  const pack = packAt(plan.pack.label, plan.temperatureC);
  const sun = plan.sun ? harvest(plan.sun, edgesMs) : null;
  const run = march({
    pack,
    load,
    startSoc: plan.startSoc,
    floorSoc: plan.floorSoc,
    radioDropoutV: plan.radio.dropoutV,
    leadOhm: plan.leadOhm,
    ...offers(plan, sun, edgesMs),
  });
  return { plan, pack, load, sun, march: run, verdict: readVerdict(plan, pack, load, run) };
}

function readVerdict(plan: PlanInput, pack: Pack, load: LoadSeries, run: March): Verdict {
  const { outing, floorSoc } = plan;
  const { endMs, binds } = firstEnd(run);
  const lasts = endMs === null;
  const untilMs = endMs ?? outing.endMs;

  const plannedAh = chargeBetween(load.edgesMs, load.meanA, outing.startMs, outing.endMs);
  const meanA = plannedAh / hoursOf(outing);
  const endSoc = run.soc[run.soc.length - 1];
  const marginAh = lasts
    ? (endSoc - floorSoc) * pack.deliverableAh
    : -shortfall(load, run, endMs).ampereHours;
  const marginHours = lasts ? (meanA > 0 ? marginAh / meanA : Infinity) : (endMs - outing.endMs) / HOUR_MS;

  const lowest = lowestCharge(run);
  const lowestRadioV = lowestOver(run, untilMs, (step) =>
    load.keyDownRadioA[step] > 0 ? run.radioV[step] : Infinity,
  );
  const found = findings({ plan, pack, load, march: run, untilMs });
  return {
    blaze: blaze(lasts, marginAh < THIN_MARGIN * plannedAh, found),
    lasts,
    planEndMs: outing.endMs,
    endMs,
    binds,
    stopSoc: endMs === null ? null : socAt(run, endMs),
    ...run.ends,
    marginAh,
    marginHours,
    lowestSoc: lowest.soc,
    lowestMs: lowest.timeMs,
    endSoc,
    lowestRadioV: Number.isFinite(lowestRadioV) ? lowestRadioV : null,
    plannedAh,
    meanA,
    consumers: load.consumers.map((name, index) => ({
      name,
      ampereHours: chargeBetween(load.edgesMs, load.byConsumerA[index], outing.startMs, outing.endMs),
    })),
    sun: plan.sun || plan.offeredA ? readSun(load, run) : null,
    findings: found,
  };
}

/** What the sun gave, and the hours in which it carried the load. */
function readSun(load: LoadSeries, run: March): SunVerdict {
  const { edgesMs, offeredA } = run;
  let balanceHours = 0;
  let best = 0;
  for (let step = 0; step < offeredA.length; step++) {
    if (offeredA[step] > 0 && offeredA[step] >= load.meanA[step]) {
      balanceHours += (edgesMs[step + 1] - edgesMs[step]) / HOUR_MS;
    }
    if (offeredA[step] > offeredA[best]) best = step;
  }
  return {
    offeredAh: run.books.offeredAh,
    usedAh: run.books.offeredAh - run.books.curtailedAh,
    curtailedAh: run.books.curtailedAh,
    balanceHours,
    bestA: offeredA[best],
    bestMs: edgesMs[best],
  };
}

/**
 * What the rest of the plan lacks after an instant, Ah: the most that its loads run ahead of what is offered, and when
 * that is, UTC epoch ms. Without a source it is all that the rest would have drawn.
 */
export function shortfall(
  load: LoadSeries,
  { edgesMs, offeredA }: March,
  fromMs: number,
): { ampereHours: number; untilMs: number } {
  let ahead = 0;
  let most = { ampereHours: 0, untilMs: fromMs };
  for (let step = 0; step < offeredA.length; step++) {
    const hours = (edgesMs[step + 1] - Math.max(edgesMs[step], fromMs)) / HOUR_MS;
    if (hours <= 0) continue;
    ahead += (load.meanA[step] - offeredA[step]) * hours;
    if (ahead > most.ampereHours) most = { ampereHours: ahead, untilMs: edgesMs[step + 1] };
  }
  return most;
}

/** The first of the three end points; at the same instant the radio's drop-out is named before the floor. */
function firstEnd({ ends }: March): { endMs: number | null; binds: Binding | null } {
  const candidates: readonly [Binding, number | null][] = [
    ['cutoff', ends.cutoffMs],
    ['radioDropout', ends.radioDropoutMs],
    ['floor', ends.floorMs],
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

function blaze(lasts: boolean, thin: boolean, found: Verdict['findings']): Blaze {
  if (!lasts || found.some(({ severity }) => severity === 'stop')) return 'stop';
  return thin || found.some(({ severity }) => severity === 'look') ? 'look' : 'fine';
}

function lowestCharge({ soc, edgesMs }: March): { soc: number; timeMs: number } {
  let at = 0;
  for (let edge = 1; edge < soc.length; edge++) if (soc[edge] < soc[at]) at = edge;
  return { soc: soc[at], timeMs: edgesMs[at] };
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
