import type { Gear, LogDocument, SecondsSent, Trip } from '@knapsack/contract';
import {
  contactTable,
  correctionId,
  debriefOf,
  disagreements,
  sayCorrection,
  sayHowFar,
  sayHowItWent,
  sayMiddle,
  sayReason,
  saySure,
  withCorrection,
  workedHours,
  type Correction,
  type Debrief,
} from '@knapsack/contract/debrief';
import { sayWeighed, standingEntries } from '@knapsack/contract/field';
import { effectOn } from '@knapsack/contract/gear';
import type { PlanInput } from '@knapsack/core';
import type {
  CorrectionView,
  DebriefAnswer,
  DebriefQuestion,
  DebriefView,
  DebriefWork,
} from './debrief-protocol';
import type { FieldTrack } from './field-protocol';
import type { Work } from './work';

/** What really happened in an outing, why it differs from the plan, and what that teaches. */
export const debriefWork: Work<DebriefQuestion, DebriefAnswer> = (
  { trip, log, shelf, aside, seconds },
  { say },
) => {
  const found = debriefOf(trip, log, shelf, { aside, seconds });
  say(
    found.ok
      ? { ok: true, view: viewOf(found.value, trip, log, seconds) }
      : { ok: false, problems: found.problems.map(({ sentence }) => sentence) },
  );
};

const SURE = 0.95;

function viewOf(
  debrief: Debrief,
  trip: Trip,
  log: LogDocument,
  seconds: readonly SecondsSent[],
): DebriefView {
  const { waterfall, planned, now, lasted, ended, lastKnownMs, notes } = debrief;
  const { stood } = now.followed;
  const track = (those: typeof stood): FieldTrack => ({
    timesMs: those.map(({ timeMs }) => timeMs),
    soc: those.map(({ soc }) => soc),
  });
  // They meet at the last that is known.
  const known = Math.max(1, stood.findLastIndex(({ timeMs }) => timeMs <= lastKnownMs) + 1);
  return {
    howItWent: sayHowItWent(debrief),
    howFar: sayHowFar(debrief, trip.place.timeZone),
    reason: sayReason(waterfall),
    mark: ended.came === 'lasted' && lasted >= SURE ? 'fine' : ended.came === 'endedEarly' ? 'stop' : 'look',
    soc: now.soc,
    waterfall,
    past: track(stood.slice(0, known)),
    next: track(stood.slice(known - 1)),
    readings: now.readings,
    reserveSoc: planned.packs[0].reserveSoc,
    planned: workIn(planned),
    worked: workIn(now.plan),
    known: debrief.shelf,
    contacts: contactTable(debrief, seconds),
    corrections: debrief.corrections.map((correction) => correctionView(correction, trip, debrief.shelf)),
    disagreements: disagreements(standingEntries(log), planned.sun !== undefined, workedHours(now.plan)),
    weighed: sayWeighed(now),
    notes,
  };
}

function correctionView(correction: Correction, trip: Trip, known: readonly Gear[]): CorrectionView {
  const gear = known.find(({ id }) => id === correction.gear)!;
  const taught = withCorrection(gear, correction, trip);
  const { after } = correction;
  return {
    id: correctionId(correction),
    correction,
    sentence: sayCorrection(correction, gear.name),
    sure: `${saySure(after)}, ${sayMiddle(correction, after)}`,
    effect: (taught.ok && effectOn({ ...trip, name: 'This plan' }, known, taught.value)) || '',
  };
}

const workIn = ({ blocks }: PlanInput): readonly DebriefWork[] =>
  blocks.map(({ startMs, endMs, label }) => ({ startMs, endMs, words: label }));
