import { chemistryOf } from '../battery/chemistry.js';
import type { BatteryPack } from '../battery/battery-pack.js';
import { cutoffLevel, dropoutLevel, insideDip } from '../march/end-points.js';
import type { LoadSeries } from '../load/load-series.js';
import type { March } from '../march/march-data.js';
import { packCurrent, socketCurrent } from '../battery/pack-current.js';
import { loadCables, type PlanInput } from './plan-input.js';

/** How people say what of a battery can be used. */
export const SCHOOLS = {
  whole: 'all of the rated capacity',
  fixed: 'a fixed share of it',
  volts: 'down to the volts at which the radio quits',
} as const;

export type SchoolName = keyof typeof SCHOOLS;

/** One school's answer to the same run. */
export interface School {
  readonly school: SchoolName;
  /** Lowest state of charge that it goes to, 0 to 1, of the pack that is used last. */
  readonly toSoc: number;
  /** What it calls usable, Ah: from full, all packs together. */
  readonly usableAh: number;
  /** When the run gets there, UTC epoch ms; null where it does not within the outing. */
  readonly endMs: number | null;
}

/**
 * The three schools of usable capacity from one run: all of the rating; a fixed share (0.9, lead 0.5); down to the volts
 * at which the radio quits or the battery cuts off, at the plan's heaviest key-down. Source: convention of this project, docs/model.md.
 */
export function schools(
  plan: PlanInput,
  packs: readonly BatteryPack[],
  load: LoadSeries,
  run: March,
): readonly School[] {
  const levels = packs.map((pack, index) => {
    const { chemistry } = plan.packs[index].label;
    return { whole: 0, fixed: 1 - chemistryOf(chemistry).usable, volts: voltsLevel(plan, pack, load, run) };
  });
  return (['whole', 'fixed', 'volts'] as const).map((school) => {
    const last = run.inUse.length > 0 ? run.inUse[run.inUse.length - 1] : 0;
    const toSoc = levels[last][school];
    return {
      school,
      toSoc,
      usableAh: packs.reduce((sum, pack, index) => sum + (1 - levels[index][school]) * pack.deliverableAh, 0),
      endMs: school === 'volts' ? voltsEnd(run) : firstAt(run, last, toSoc),
    };
  });
}

/** Where the volts end it: the drop-out at the heaviest key-down of the plan, or the cut-off. */
function voltsLevel(plan: PlanInput, pack: BatteryPack, load: LoadSeries, run: March): number {
  const { sharedOhm, radioOhm } = loadCables(plan);
  let level = cutoffLevel(
    pack,
    run.wantedA.reduce((most, amps) => Math.max(most, amps), 0),
  );
  for (let step = 0; step < load.keyDownRadioA.length; step++) {
    const radioA = load.keyDownRadioA[step];
    if (radioA === 0) continue;
    const { amps, watts } = load.keyDown;
    const cellsV = run.cellsV[step];
    const outA = socketCurrent(pack, amps[step], watts[step], cellsV);
    const inside = insideDip(pack, run.wantedA[step], packCurrent(pack, amps[step], watts[step], cellsV));
    const dipV = inside + outA * sharedOhm + radioA * radioOhm;
    level = Math.max(
      level,
      Math.min(1, dropoutLevel(pack, load.dropoutV?.[step] ?? plan.radio.dropoutV, dipV)),
    );
  }
  return level;
}

function voltsEnd({ ends }: March): number | null {
  const { radioDropoutMs, cutoffMs } = ends;
  if (radioDropoutMs === null || cutoffMs === null) return radioDropoutMs ?? cutoffMs;
  return Math.min(radioDropoutMs, cutoffMs);
}

/** When the pack that is used last first falls to a state of charge; empty is also where the cut-off opens before. */
function firstAt({ edgesMs, socInUse, inUse, ends }: March, pack: number, soc: number): number | null {
  for (let step = 0; step < inUse.length; step++) {
    const [before, after] = [socInUse[step], socInUse[step + 1]];
    if (inUse[step] !== pack || after > soc || after >= before) continue;
    const share = Math.max(0, Math.min(1, (before - soc) / (before - after)));
    const timeMs = edgesMs[step] + share * (edgesMs[step + 1] - edgesMs[step]);
    return Math.min(timeMs, ends.cutoffMs ?? timeMs);
  }
  return ends.cutoffMs;
}
