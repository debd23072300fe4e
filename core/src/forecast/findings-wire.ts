import { socketCurrent } from '../battery/pack-current.js';
import { fuseExists } from '../checks/fuse-checks.js';
import { dropWithinTarget, wireCarries } from '../checks/run-checks.js';
import { terminalsCarry } from '../checks/sun-checks.js';
import { RUNS, type RunReport } from '../wire/runs.js';
import { finding, type Finding, type Run } from './finding.js';

/** What the leads and terminals cannot carry or lose too much of. Source of the targets: convention of this project, docs/model.md */
export function wireFindings(run: Run): Finding[] {
  return [
    loadTerminals(run),
    ...run.runs.flatMap((lead) => [
      thinWire(lead, run.plan.temperatureC),
      noFuse(lead, run.plan.temperatureC),
      drop(lead, run.plan.temperatureC),
    ]),
  ].filter((finding) => finding !== null);
}

/** A radio on load terminals that cannot carry its key-down current. */
function loadTerminals({ plan, packs, load, march }: Run): Finding | null {
  const { controller, onLoadTerminals } = plan;
  if (!onLoadTerminals || !controller) return null;
  let peak = 0;
  for (let step = 0; step < march.cellsV.length; step++) {
    peak = Math.max(
      peak,
      socketCurrent(packs[0], load.keyDown.amps[step], load.keyDown.watts[step], march.cellsV[step]),
    );
  }
  return finding('load-terminals', terminalsCarry(controller, peak));
}

function thinWire({ run, name, safeForA, ampacityA }: RunReport, temperatureC: number): Finding | null {
  const { label } = RUNS[run];
  return finding(
    `thin-wire-${run}`,
    wireCarries({ label, name, safeForA, ampacityA, surroundings: { temperatureC, bundled: false } }),
  );
}

function noFuse({ run, name, safeForA, ampacityA, fuseA }: RunReport, temperatureC: number): Finding | null {
  if (fuseA === undefined) return null;
  const { label } = RUNS[run];
  return finding(
    `no-fuse-${run}`,
    fuseExists({
      label,
      name,
      safeForA,
      ampacityA,
      wantsA: fuseA,
      surroundings: { temperatureC, bundled: false },
    }),
  );
}

function drop(
  { run, name, mostDropV, dropShare, most, ohm }: RunReport,
  temperatureC: number,
): Finding | null {
  const { label } = RUNS[run];
  return finding(
    `drop-${run}`,
    dropWithinTarget({ label, name, dropV: mostDropV, dropShare, most, wire: null, temperatureC, ohm }),
  );
}
