import { sayWeighed, underNotedSky, whatNow, type WhatNow } from '@knapsack/contract/field';
import { USUAL_TARGET, wouldDoNow, type Odds, type Result } from '@knapsack/core';

import type { FieldAnswer, FieldQuestion, FieldTrack, FieldView } from './field-protocol';
import type { Work } from './work';

/** Outings of a coarse estimate, which comes at once. */
const ROUGH = 300;
/** Points of what comes: as many as can be seen. */
const MOST_POINTS = 120;

/** The state of an outing in full, then the advice if it does not last; or a coarse estimate alone, for a reading that is typed. */
export const fieldWork: Work<FieldQuestion, FieldAnswer> = async (question, { say, isNewest }) => {
  const { trip, log, shelf, nowMs } = question;
  const zone = trip.place.timeZone;
  // A coarse estimate is never shown as the state: the full one could contradict it.
  if (question.onlyRough) {
    const rough = whatNow(trip, log, shelf, nowMs, { particles: ROUGH });
    return say(rough.ok ? { ok: true, view: viewOf(rough.value, zone, true, null, null) } : refused(rough));
  }
  const full = whatNow(trip, log, shelf, nowMs);
  if (!full.ok) return say(refused(full));
  const now = full.value;
  if (question.onlyFull) return say({ ok: true, view: viewOf(now, zone, false, [], null) });
  const { ahead, followed } = now;
  const isShort = ahead !== null && ahead.chance.chance < ahead.chance.target;
  say({ ok: true, view: viewOf(now, zone, false, isShort ? null : [], null) }, true);
  if (!(await isNewest())) return;
  const noted = underNotedSky(now)?.chance ?? null;
  const wouldDo = isShort ? wouldDoNow(followed, ahead) : [];
  say({ ok: true, view: viewOf(now, zone, false, wouldDo, noted) });
};

type Failed = Extract<Result<never>, { ok: false }>;

const refused = ({ problems }: Failed): FieldAnswer => ({
  ok: false,
  problems: problems.map(({ sentence }) => sentence),
});

function viewOf(
  now: WhatNow,
  zone: string,
  isRough: boolean,
  wouldDo: FieldView['wouldDo'],
  oddsUnderNotedSky: Odds | null,
): FieldView {
  const { ahead, followed, plan, soc, ah, netA, loadA, sunA, readings, learned, nowMs } = now;
  return {
    ...{ nowMs, soc, ah, loadA, sunA, readings, learned, zone, isRough, wouldDo, oddsUnderNotedSky },
    netA: netA.p50,
    weighed: sayWeighed(now),
    odds: ahead?.chance ?? null,
    target: ahead?.chance.target ?? plan.targetChance ?? USUAL_TARGET,
    reserveSoc: plan.packs[0].reserveSoc,
    past: {
      timesMs: followed.stood.map(({ timeMs }) => timeMs),
      soc: followed.stood.map((stood) => stood.soc),
    },
    next: trackAhead(now),
  };
}

function trackAhead({ ahead }: WhatNow): FieldTrack {
  if (!ahead) return { timesMs: [], soc: [] };
  const { edgesMs, p10, p50, p90 } = ahead.chance;
  const every = Math.max(1, Math.ceil(edgesMs.length / MOST_POINTS));
  const places = Array.from(edgesMs, (_, place) => place).filter(
    (place) => place % every === 0 || place === edgesMs.length - 1,
  );
  return {
    timesMs: places.map((place) => edgesMs[place]),
    soc: places.map((place) => ({ p10: p10[place], p50: p50[place], p90: p90[place] })),
  };
}
