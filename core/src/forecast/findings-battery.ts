import { socketCurrent } from '../battery/pack-current.js';
import { continuousDischarge, dischargeLimitKnown, peakDischarge } from '../checks/discharge-checks.js';
import { isLead } from '../battery/chemistry.js';
import { heldLonger } from '../load/held-key.js';
import { HOUR_MS } from '../span.js';
import { sayQuantity } from '../say/quantity.js';
import { finding, lowestOver, type Finding, type ForecastRun } from './finding.js';
import { positionsOf, type PlannedBlock } from './plan-input.js';

const volts = (value: number) => sayQuantity({ value, unit: 'V' });

/** Larger than any battery that is carried, Ah at 12 V: perhaps mAh were meant. */
const HARDLY_CARRIED_AH = 400;

/** What the battery cannot do or should be watched for. */
export function batteryFindings(run: ForecastRun): Finding[] {
  return [dischargeLimit(run), belowReserve(run), keyDownCutoff(run), boxNoise(run), ...tooLarge(run)].filter(
    (finding) => finding !== null,
  );
}

/** A pack whose discharge limit is under what the key-down asks for: its protection opens. */
function dischargeLimit({ plan, packs, load, march }: ForecastRun): Finding | null {
  const blocks = positionsOf(plan).flatMap((position) => position.blocks);
  for (const [index, pack] of packs.entries()) {
    // What passes a socket, and what its mains outlet, only the harness knows: Wire says it.
    if (pack.socket) continue;
    const { name, continuousA, peakA, peakS } = plan.packs[index];
    const held = blocks.filter((block) => heldLonger(block, peakS));
    const at = (of: ForecastRun['load']['mean'], step: number) =>
      socketCurrent(pack, of.amps[step], of.watts[step], march.cellsV[step] || pack.cutoffV);
    let peak = 0;
    let long = 0;
    let mean = 0;
    for (let step = 0; step < march.cellsV.length; step++) {
      const keyDown = at(load.keyDown, step);
      peak = Math.max(peak, keyDown);
      mean = Math.max(mean, at(load.mean, step));
      if (keyDown > long && isWithin(held, march.edgesMs[step])) long = keyDown;
    }
    const over =
      peakDischarge({ name, needA: peak, limitA: peakA ?? continuousA }) ??
      continuousDischarge(
        { name, needA: long, limitA: continuousA },
        `Key-down for longer than ${peakS} s`,
      ) ??
      continuousDischarge({ name, needA: mean, limitA: continuousA });
    if (over) return finding('discharge-limit', over);
    const { chemistry } = plan.packs[index].label;
    const unknown = dischargeLimitKnown(
      { name, chemistry, capacityAh: pack.storedAh, continuousA, peakA },
      peak,
    );
    // Short of a stop it belongs to Wire, which says it.
    if (unknown?.severity === 'stop') return finding('discharge-limit', unknown);
  }
  return null;
}

/** Less than this under the cut-off is the same figure, V. */
const WORTH_SAYING_V = 0.05;

const isWithin = (blocks: readonly PlannedBlock[], timeMs: number): boolean =>
  blocks.some(({ startMs, endMs }) => startMs <= timeMs && timeMs < endMs);

/** This far below the reserve is within the march's step, a share of the charge. */
const BELOW_RESERVE = 0.005;

/** A station that comes back by itself may run through its reserve: that is a warning, since lead-acid ages by it. */
function belowReserve({ plan, march }: ForecastRun): Finding | null {
  if (!plan.restart) return null;
  const [{ reserveSoc, label, name }] = plan.packs;
  const { soc, edgesMs } = march;
  let below = 0;
  let lowest = 1;
  for (let step = 0; step < soc.length - 1; step++) {
    lowest = Math.min(lowest, soc[step + 1]);
    if (soc[step + 1] < reserveSoc - BELOW_RESERVE) below += edgesMs[step + 1] - edgesMs[step];
  }
  if (below === 0) return null;
  const all = edgesMs[edgesMs.length - 1] - edgesMs[0];
  const hours = (ms: number) => sayQuantity({ value: ms / HOUR_MS, unit: 'duration' });
  const share = (value: number) => sayQuantity({ value, unit: 'share' });
  const harm = isLead(label.chemistry)
    ? 'Lead-acid that is emptied so far loses capacity for good'
    : 'Nothing is kept for a darker day';
  return {
    severity: 'look',
    code: 'below-reserve',
    sentence: `The typical outing takes ${name} down to ${share(lowest)}, below its reserve of ${share(reserveSoc)} for ${hours(below)} of ${hours(all)}. ${harm}: take a larger battery or panel, or less load.`,
  };
}

/** A dip under the cut-off while the key is down: the mean current stays above it, a protection may still open. */
function keyDownCutoff({ plan, packs, load, march, untilMs }: ForecastRun): Finding | null {
  const pack = packs[packs.length - 1];
  if (pack.socket) return null;
  const shared = plan.onLoadTerminals ? plan.wiring.controller : plan.wiring.distribution;
  const lowest = lowestOver(march, untilMs, (step) => {
    const radioA = load.keyDownRadioA[step];
    if (radioA === 0) return Infinity;
    const outA = socketCurrent(pack, load.keyDown.amps[step], load.keyDown.watts[step], march.cellsV[step]);
    return march.radioV[step] + radioA * (plan.wiring.radio?.ohm ?? 0) + outA * (shared?.ohm ?? 0);
  });
  return lowest < pack.cutoffV - WORTH_SAYING_V
    ? {
        severity: 'look',
        code: 'key-down-cutoff',
        sentence: `Key-down pulls the pack to ${volts(lowest)}, under its cut-off of ${volts(pack.cutoffV)}: a protection that acts fast would open.`,
      }
    : null;
}

/** The converters of a boxed power station are heard on some bands. */
function boxNoise({ plan, packs }: ForecastRun): Finding | null {
  const index = packs.findIndex(({ socket }) => socket);
  return index === -1
    ? null
    : {
        severity: 'note',
        code: 'box-noise',
        sentence: `${plan.packs[index].name} has converters inside that may hiss on some bands: listen with it at home first.`,
      };
}

function tooLarge({ plan }: ForecastRun): Finding[] {
  return plan.packs
    .filter(({ label }) => label.ratedAh > HARDLY_CARRIED_AH && label.cellsInSeries > 1)
    .map(({ name, label }) => ({
      severity: 'look',
      code: 'too-large',
      sentence: `${name} counts with ${Math.round(label.ratedAh)} Ah, more than anyone carries. Were mAh meant?`,
    }));
}
