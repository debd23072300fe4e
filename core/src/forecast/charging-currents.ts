import type { BatteryPack } from '../battery/battery-pack.js';
import type { March } from '../march/march-data.js';
import { controllerCableAmps, panelCableAmps } from '../wire/source-cables.js';
import type { CableRunCurrents } from '../wire/cable-runs.js';
import type { PlanInput } from './plan-input.js';

/** What flows through the panel's cable, and what it is fed with. */
export function panelCurrents({ sun }: PlanInput, run: March): CableRunCurrents {
  if (!sun) return { meanA: 0, mostA: 0, safeForA: 0, feedV: 0 };
  // What flows to the battery came through the panel's cable at the panel's volts.
  const { vmpV, impA } = sun.panel;
  const volts = sun.controller.kind === 'pwm' ? run.terminalV[0] : vmpV;
  const scale = (batteryA: number) => Math.min(impA, (batteryA * run.terminalV[0]) / volts);
  return {
    meanA: scale(meanWhileOn(run)),
    mostA: scale(most(run.offeredA)),
    safeForA: panelCableAmps(sun.panel),
    feedV: volts,
  };
}

/** What flows from the controller to the battery. */
export function controllerCurrents(
  { sun }: PlanInput,
  packs: readonly BatteryPack[],
  run: March,
): CableRunCurrents {
  return {
    meanA: meanWhileOn(run),
    mostA: most(run.offeredA),
    safeForA: sun ? controllerCableAmps(sun.controller, sun.panel, packs[0]) : most(run.offeredA),
    feedV: run.terminalV[0],
  };
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
