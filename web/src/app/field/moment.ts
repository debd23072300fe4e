import type { LogEntry, Trip } from '@knapsack/contract';

type Hours = Pick<Trip, 'start' | 'end'>;

/** Whether an instant lies within the outing. */
export const isUnderWay = ({ start, end }: Hours, timeMs: number): boolean =>
  timeMs >= Date.parse(start) && timeMs <= Date.parse(end);

export const clampToOuting = ({ start, end }: Hours, timeMs: number): number =>
  Math.min(Date.parse(end), Math.max(Date.parse(start), timeMs));

/** The moment to look at where the clock stands elsewhere: that of the last entry, else the start. */
export const momentWithoutClock = (trip: Hours, standing: readonly Pick<LogEntry, 'at'>[]): number => {
  const last = standing.at(-1);
  return last ? clampToOuting(trip, Date.parse(last.at)) : Date.parse(trip.start);
};

const MINUTE_MS = 60_000;

/** A moment of whole minutes with what was entered within its minute: nobody waits a minute for what was just pressed. */
export const withItsMinute = (momentMs: number, standing: readonly Pick<LogEntry, 'at'>[]): number =>
  standing
    .map(({ at }) => Date.parse(at))
    .filter((atMs) => atMs < momentMs + MINUTE_MS)
    .reduce((latest, atMs) => Math.max(latest, atMs), momentMs);
