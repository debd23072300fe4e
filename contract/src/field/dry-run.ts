import {
  fixed,
  MINUTE_MS,
  playInstruments,
  sayQuantity,
  succeed,
  underOtherSky,
  type Band,
  type BatteryEvent,
  type CloudWord,
  type OtherSky,
  type PlayedInstruments,
  type PlayedTruth,
  type Result,
} from '@knapsack/core';
import type { Gear } from '../documents/gear.js';
import type { LogEntry } from '../documents/log.js';
import type { Trip } from '../documents/trip.js';
import { cloudWord } from '../edits/weather.js';
import { expandBlocks } from '../resolve/expand-blocks.js';
import { fieldLog } from './field-log.js';
import { standingEntries } from './standing.js';
import { workedPlan } from './worked-plan.js';

/** How a dry run is played. */
export interface DryRunSetup {
  /** Another one, another outing. */
  readonly seed: number;
  readonly sky: OtherSky;
}

/** Sendings of an instrument in a dry run at the most. */
const MOST_SENDINGS = 720;

/** How often the instruments of a dry run send, ms: each minute, in a longer outing as often as is still quick. */
export function dryRunStepMs({ start, end }: Pick<Trip, 'start' | 'end'>): number {
  const minutes = (Date.parse(end) - Date.parse(start)) / MINUTE_MS;
  return MINUTE_MS * Math.max(1, Math.ceil(minutes / MOST_SENDINGS));
}

/**
 * An outing played at home: what simulated instruments would send, and what is true. It follows what was entered: whoever stops
 * work or turns down the power sees it in the readings that come after.
 *
 * @param entries of the dry run's own log
 */
export function dryRun(
  trip: Trip,
  shelf: readonly Gear[],
  entries: readonly LogEntry[],
  { seed, sky }: DryRunSetup,
): Result<PlayedInstruments> {
  const standing = standingEntries({ entries });
  const plan = workedPlan(trip, standing, shelf);
  if (!plan.ok) return plan;
  const batteries = fieldLog(standing, plan.value).events.filter(
    (event): event is BatteryEvent => event.kind === 'battery',
  );
  const everyMs = dryRunStepMs(trip);
  const sources = ['meter', 'monitor', 'controller'] as const;
  return succeed(playInstruments(underOtherSky(plan.value, sky), seed, { everyMs, batteries, sources }));
}

/** What was true at an instant; null before the first. */
export const truthAt = (truth: readonly PlayedTruth[], timeMs: number): PlayedTruth | null =>
  truth.findLast((one) => one.timeMs <= timeMs) ?? null;

/** "True: 61 %, within the estimate." */
export function sayTruth({ soc }: Pick<PlayedTruth, 'soc'>, told: Band): string {
  const how =
    soc < told.p10
      ? 'less than the estimate'
      : soc > told.p90
        ? 'more than the estimate'
        : 'within the estimate';
  return `True: ${sayQuantity({ value: soc, unit: 'share' })}, ${how}.`;
}

/** Whether the truth lies in the range that eight of ten lie in. */
export const isWithin = ({ soc }: Pick<PlayedTruth, 'soc'>, { p10, p90 }: Band): boolean =>
  soc >= p10 && soc <= p90;

/** "Within it at 17 of 20 looks; about 16 would be usual." */
export const sayLooks = (within: number, looks: number): string =>
  `Within it at ${within} of ${looks} looks; about ${fixed(0.8 * looks, 0)} would be usual.`;

const SKY_WORDS: Readonly<Record<CloudWord, string>> = {
  clear: 'a clear sky',
  few: 'a few clouds',
  scattered: 'scattered clouds',
  broken: 'broken cloud',
  overcast: 'an overcast sky',
};

/** "You look up: broken cloud." */
export function sayLookUp(sky: PlayedTruth['sky']): string {
  if (!sky) return '';
  return sky.rain ? 'You look up: rain.' : `You look up: ${SKY_WORDS[cloudWord(sky.cloud)]}.`;
}

const BEFORE_WORK_MS = 15 * MINUTE_MS;

/** When a dry run begins: shortly before the first block, so that nobody waits for it. UTC epoch ms. */
export function dryRunStartMs(trip: Trip): number {
  const startMs = Date.parse(trip.start);
  const first = Math.min(...expandBlocks(trip).map((block) => block.startMs));
  return Number.isFinite(first) ? Math.max(startMs, first - BEFORE_WORK_MS) : startMs;
}
