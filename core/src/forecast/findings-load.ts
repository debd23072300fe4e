import { hoursAlone } from '../load/internal-battery.js';
import { slotTiming } from '../load/mode.js';
import { sayDuration, sayQuantity } from '../say/quantity.js';
import type { Span } from '../span.js';
import { positionsOf } from './plan-input.js';
import { lowestOver, type Finding, type ForecastRun } from './finding.js';

const volts = (value: number) => sayQuantity({ value, unit: 'V' });

/** What the radio and the figures behind it should be looked at for. */
export function loadFindings(run: ForecastRun): Finding[] {
  return [
    fullPower(run),
    moreThanEverySlot(run),
    moreThanOneSpeaks(run),
    ownBattery(run),
    oneTransmitPoint(run),
    ...remarks(run),
    assumedFigures(run),
  ].filter((finding) => finding !== null);
}

/** Volts at the radio under what it needs for full power. */
function fullPower({ plan, load, march, untilMs }: ForecastRun): Finding | null {
  const { fullPowerV } = plan.radio;
  if (fullPowerV === undefined) return null;
  const lowest = lowestOver(march, untilMs, (step) =>
    load.keyDownRadioA[step] > 0 ? march.radioV[step] : Infinity,
  );
  return lowest < fullPowerV
    ? {
        severity: 'look',
        code: 'full-power',
        sentence: `Key-down leaves ${volts(lowest)} at the radio at the worst, under the ${volts(fullPowerV)} it needs for full power.`,
      }
    : null;
}

const spanHolds = ({ startMs, endMs }: Span, timeMs: number): boolean => startMs <= timeMs && timeMs < endMs;

/** Radios that send more than all of the time between them, where one speaks at a time. */
function moreThanOneSpeaks({ plan }: ForecastRun): Finding | null {
  if (!plan.oneSpeaks) return null;
  const all = positionsOf(plan).flatMap(({ blocks }) => blocks);
  for (const block of all) {
    // Those of its own position do not overlap it.
    const beside = all.filter((other) => other !== block && spanHolds(other, block.startMs));
    const share = beside.reduce((sum, other) => sum + other.share, block.share);
    if (share > 1)
      return {
        severity: 'look',
        code: 'one-speaks',
        sentence: `One sends at a time, and during ${block.label} the radios together are to send for ${sayQuantity({ value: share, unit: 'share' })} of it. Lower their transmit duty cycles to 100 % in all.`,
      };
  }
  return null;
}

/** A share that no slot timing allows. */
function moreThanEverySlot({ plan }: ForecastRun): Finding | null {
  const block = positionsOf(plan)
    .flatMap(({ blocks }) => blocks)
    .find(({ mode, share }) => {
      const timing = mode && slotTiming(mode);
      return timing && share > timing.onAirS / timing.slotS + 0.005;
    });
  if (!block?.mode) return null;
  const { onAirS, slotS } = slotTiming(block.mode)!;
  return {
    severity: 'look',
    code: 'more-than-every-slot',
    sentence: `${block.label} transmits ${sayQuantity({ value: block.share, unit: 'share' })} of the time, more than every slot; ${block.mode} can be on the air ${sayQuantity({ value: onAirS / slotS, unit: 'share' })} at the most.`,
  };
}

function ownBattery({ plan, load }: ForecastRun): Finding | null {
  const { internal, name } = plan.radio;
  const radioA = load.byConsumer[0].amps;
  let sum = 0;
  let count = 0;
  for (const amps of radioA) {
    if (amps <= 0) continue;
    sum += amps;
    count += 1;
  }
  if (!internal || count === 0) return null;
  const hours = hoursAlone(internal, sum / count, plan.radio.dropoutV);
  return {
    severity: 'note',
    code: 'own-battery',
    sentence: `${name} has ${sayQuantity({ value: internal.wattHours, unit: 'Wh' })} of its own: full, it would work about ${sayDuration(hours)} longer. The forecast does not count it.`,
  };
}

function oneTransmitPoint({ plan }: ForecastRun): Finding | null {
  const single = positionsOf(plan).find(
    ({ radio, blocks }) =>
      new Set(radio.figures.transmit.map(({ rfW }) => rfW)).size === 1 &&
      blocks.some((block) => block.share > 0),
  );
  return single
    ? {
        severity: 'note',
        code: 'transmit-estimated',
        sentence: `${single.radio.name} has one transmit figure; other powers are estimated from it.`,
      }
    : null;
}

const remarks = ({ plan }: ForecastRun): Finding[] =>
  (plan.remarks ?? []).map((sentence, index) => ({ severity: 'note', code: `remark-${index}`, sentence }));

function assumedFigures({ plan }: ForecastRun): Finding | null {
  return plan.assumed.length > 0
    ? {
        severity: 'note',
        code: 'assumed',
        sentence: `Assumed, not measured: ${plan.assumed.join('; ')}.`,
      }
    : null;
}
