import { packCurrent, socketCurrent } from '../battery/pack-current.js';
import type { Pack } from '../battery/pack.js';
import { openCircuitVolts } from '../battery/pack.js';
import { dischargingVolts } from '../battery/terminal-volts.js';
import type { LoadSeries } from '../load/load-series.js';
import type { March } from '../march/march-data.js';
import { controllerRunAmps, panelRunAmps } from '../wire/source-runs.js';
import { RUN_NAMES, runReport, type RunCurrents, type RunName, type RunReport } from '../wire/runs.js';
import type { PlanInput } from './plan-input.js';
import { planLoad, ratedThroughout } from './plan-load.js';

/** The leads of a plan: what flows through each, what is lost on it, and the fuse that it wants. */
export function readRuns(
  plan: PlanInput,
  packs: readonly Pack[],
  load: LoadSeries,
  run: March,
): readonly RunReport[] {
  const currents: Record<RunName, () => RunCurrents> = {
    panel: () => panelCurrents(plan, run),
    controller: () => controllerCurrents(plan, packs, run),
    distribution: () => loadCurrents(plan, packs, load, run, false),
    radio: () => loadCurrents(plan, packs, load, run, true),
  };
  return RUN_NAMES.flatMap((name) => {
    const lead = plan.wiring[name];
    return lead ? [runReport(name, lead, currents[name](), plan.temperatureC)] : [];
  });
}

/** What flows through the panel's lead, and what it is fed with. */
export function panelCurrents({ sun }: PlanInput, run: March): RunCurrents {
  if (!sun) return { meanA: 0, mostA: 0, safeForA: 0, feedV: 0 };
  // What flows to the battery came through the panel's lead at the panel's volts.
  const { vmpV, impA } = sun.panel;
  const volts = sun.controller.kind === 'pwm' ? run.terminalV[0] : vmpV;
  const scale = (batteryA: number) => Math.min(impA, (batteryA * run.terminalV[0]) / volts);
  return {
    meanA: scale(meanWhileOn(run)),
    mostA: scale(most(run.offeredA)),
    safeForA: panelRunAmps(sun.panel),
    feedV: volts,
  };
}

/** What flows from the controller to the battery. */
export function controllerCurrents({ sun }: PlanInput, packs: readonly Pack[], run: March): RunCurrents {
  return {
    meanA: meanWhileOn(run),
    mostA: most(run.offeredA),
    safeForA: sun ? controllerRunAmps(sun.controller, sun.panel, packs[0]) : most(run.offeredA),
    feedV: run.terminalV[0],
  };
}

/** Through the shared lead or the radio's own; what it must be safe for is the sheet's worst, all of it key-down. */
function loadCurrents(
  plan: PlanInput,
  packs: readonly Pack[],
  load: LoadSeries,
  run: March,
  radioOnly: boolean,
): RunCurrents {
  const cautious = planLoad(ratedThroughout(plan, 'cautious'), load.edgesMs);
  const [pack] = packs;
  const volts = openCircuitVolts(pack, plan.packs[0].floorSoc);
  const out = ({ keyDown, mean, keyDownRadioA }: LoadSeries, step: number) =>
    radioOnly
      ? keyDownRadioA[step]
      : Math.max(
          socketCurrent(pack, keyDown.amps[step], keyDown.watts[step], volts),
          socketCurrent(pack, mean.amps[step], mean.watts[step], volts),
        );
  let mostA = 0;
  let safeForA = 0;
  let meanSum = 0;
  let onSteps = 0;
  for (let step = 0; step < load.keyDownRadioA.length; step++) {
    mostA = Math.max(mostA, out(load, step));
    safeForA = Math.max(safeForA, out(cautious, step));
    const meanA = radioOnly
      ? load.byConsumer[0].amps[step]
      : socketCurrent(pack, load.mean.amps[step], load.mean.watts[step], volts);
    if (meanA === 0) continue;
    meanSum += meanA;
    onSteps += 1;
  }
  const meanA = onSteps > 0 ? meanSum / onSteps : 0;
  return { meanA, mostA, safeForA, feedV: feedVolts(pack, plan, run) };
}

/** Volts that the load's leads are fed with, at the planning floor. */
function feedVolts(pack: Pack, plan: PlanInput, run: March): number {
  if (pack.socket) return pack.socket.volts;
  const restV = openCircuitVolts(pack, plan.packs[0].floorSoc);
  return dischargingVolts(pack, plan.packs[0].floorSoc, packCurrent(pack, most(run.wantedA), 0, restV));
}

function meanWhileOn({ offeredA }: March): number {
  let sum = 0;
  let count = 0;
  for (const amps of offeredA) {
    if (amps <= 0) continue;
    sum += amps;
    count += 1;
  }
  return count > 0 ? sum / count : 0;
}

const most = (values: Float64Array): number => values.reduce((largest, value) => Math.max(largest, value), 0);
