import { socketCurrent } from '../battery/pack-current.js';
import { sayQuantity } from '../say/quantity.js';
import { RUNS, type RunReport } from '../wire/runs.js';
import type { Finding, Run } from './finding.js';

const amps = (value: number) => sayQuantity({ value, unit: 'A' });

/** What the leads and terminals cannot carry or lose too much of. Source of the targets: design model, section 7. */
export function wireFindings(run: Run): Finding[] {
  return [
    loadTerminals(run),
    ...run.runs.flatMap((lead) => [thinWire(lead), noFuse(lead), drop(lead)]),
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
  if (controller.loadA === undefined) {
    return {
      severity: 'stop',
      code: 'load-terminals',
      sentence: `${controller.name} has no load terminals that anyone has described. Put the radio straight on the battery, with its own fuse, or say what they carry.`,
    };
  }
  return peak > controller.loadA
    ? {
        severity: 'stop',
        code: 'load-terminals',
        sentence: `Key-down takes ${amps(peak)} and the load terminals of ${controller.name} carry ${amps(controller.loadA)}. Put the radio straight on the battery, with its own fuse.`,
      }
    : null;
}

function thinWire({ run, name, safeForA, ampacityA }: RunReport): Finding | null {
  return ampacityA !== null && safeForA > ampacityA
    ? {
        severity: 'stop',
        code: `thin-wire-${run}`,
        sentence: `From ${RUNS[run].label}, up to ${amps(safeForA)} flow and ${name} may carry ${amps(ampacityA)}: it would get hot. Take a thicker lead.`,
      }
    : null;
}

function noFuse({ run, name, safeForA, ampacityA, fuseA }: RunReport): Finding | null {
  return fuseA === null && ampacityA !== null && safeForA <= ampacityA
    ? {
        severity: 'look',
        code: `no-fuse-${run}`,
        sentence: `No standard fuse both carries the ${amps(safeForA)} of ${RUNS[run].label} and guards ${name}. Take a thicker lead or a better connector.`,
      }
    : null;
}

function drop({ run, name, mostDropV, dropShare, most }: RunReport): Finding | null {
  return dropShare > most
    ? {
        severity: 'look',
        code: `drop-${run}`,
        sentence: `From ${RUNS[run].label}, ${name} loses ${sayQuantity({ value: mostDropV, unit: 'V' })}, ${sayQuantity({ value: dropShare, unit: 'share', digits: 1 })} where ${sayQuantity({ value: most, unit: 'share' })} is the aim. A shorter or thicker lead would do.`,
      }
    : null;
}
