import { debriefOf, sayHowFar, sayHowItWent, sayReason, type Debrief } from '@knapsack/contract/debrief';
import { sayWeighed } from '@knapsack/contract/field';
import type { PlanInput } from '@knapsack/core';
import type { DebriefAnswer, DebriefQuestion, DebriefView, DebriefWork } from './debrief-protocol';
import type { FieldTrack } from './field-protocol';
import type { Work } from './work';

/** What really happened in an outing, why it differs from the plan, and what that teaches. */
export const debriefWork: Work<DebriefQuestion, DebriefAnswer> = ({ trip, log, shelf }, { say }) => {
  const found = debriefOf(trip, log, shelf);
  say(
    found.ok
      ? { ok: true, view: viewOf(found.value, trip.place.timeZone) }
      : { ok: false, problems: found.problems.map(({ sentence }) => sentence) },
  );
};

const SURE = 0.95;

function viewOf(debrief: Debrief, zone: string): DebriefView {
  const { waterfall, planned, now, lasted, lastKnownMs, notes } = debrief;
  const { stood } = now.followed;
  const track = (those: typeof stood): FieldTrack => ({
    timesMs: those.map(({ timeMs }) => timeMs),
    soc: those.map(({ soc }) => soc),
  });
  // They meet at the last that is known.
  const known = Math.max(1, stood.findLastIndex(({ timeMs }) => timeMs <= lastKnownMs) + 1);
  return {
    howItWent: sayHowItWent(debrief),
    howFar: sayHowFar(debrief, zone),
    reason: sayReason(waterfall),
    mark: lasted >= SURE ? 'fine' : lasted > 0.5 ? 'look' : 'stop',
    soc: now.soc,
    waterfall,
    past: track(stood.slice(0, known)),
    next: track(stood.slice(known - 1)),
    readings: now.readings,
    reserveSoc: planned.packs[0].reserveSoc,
    planned: workIn(planned),
    worked: workIn(now.plan),
    learned: now.learned,
    weighed: sayWeighed(now),
    notes,
  };
}

const workIn = ({ blocks }: PlanInput): readonly DebriefWork[] =>
  blocks.map(({ startMs, endMs, label }) => ({ startMs, endMs, words: label }));
