import { assessTrip, sayMissing, stopSentences, type Gear, type Trip } from '@knapsack/contract';
import { describeTarget, sayLastingShort, stopClause, type PlanMark } from '@knapsack/core';
import type { Work } from './work';

/** A trip in the list: its own small ridge and how it ends, in a few words. */
export interface TripLine {
  readonly mark: PlanMark;
  readonly words: string;
  /** Charge over the outing at even distances, 0 to 1; empty where it cannot be calculated. */
  readonly soc: readonly number[];
  readonly reserveSoc: number;
}

export interface LineQuestion {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
}

export const tripLineWork: Work<LineQuestion, TripLine> = ({ trip, shelf }, { say }) =>
  say(tripLine(trip, shelf));

/** Points of a small ridge. */
const POINTS = 60;

/** The line of a trip in the list. */
export function tripLine(trip: Trip, shelf: readonly Gear[]): TripLine {
  const { status: mark, found, wire, missing, problems } = assessTrip(trip, shelf);
  if (!found || !wire) {
    const words = missing.length > 0 ? sayMissing(missing) : problems[0].sentence;
    return { mark, words, soc: [], reserveSoc: 0 };
  }
  const { run, chance } = found;
  const { edgesMs, soc } = run.march;
  const { startMs, endMs } = run.plan.outing;
  let edge = 0;
  const points = Array.from({ length: POINTS + 1 }, (_, point) => {
    const timeMs = startMs + ((endMs - startMs) * point) / POINTS;
    while (edge + 1 < edgesMs.length && edgesMs[edge + 1] <= timeMs) edge++;
    return Math.round(soc[edge] * 1000) / 1000;
  });
  const [stop] = stopSentences(run.verdict, wire);
  const words = stop ? stopClause(stop) : `${sayLastingShort(chance)}${describeTarget(chance.target)}`;
  return { mark, words, soc: points, reserveSoc: run.verdict.reserveSoc };
}
