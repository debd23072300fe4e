import { HOUR_MS } from '../span.js';

/** One thing to be charged. */
export interface ChargeJob {
  readonly id: string;
  /** What it is charged on; what shares it is charged one after the other. */
  readonly source: string;
  /** How long it takes, h, 0 or more; infinite where the source cannot charge it. */
  readonly hours: number;
  /** Share of its charge that leaks away in a month, 0 to 1. */
  readonly leaksAMonth: number;
}

/** When a job runs at the latest. */
export interface ChargeTurn {
  readonly job: ChargeJob;
  /** UTC epoch ms. */
  readonly startMs: number;
  readonly endMs: number;
}

/**
 * The latest times at which everything can be charged by a departure: on each source one after the other, the leakiest last,
 * so that it leaves the fullest. What takes no time, or never gets done, has no turn.
 *
 * @param departureMs UTC epoch ms
 * @returns the turns by their start
 */
export function chargeTimetable(jobs: readonly ChargeJob[], departureMs: number): readonly ChargeTurn[] {
  const sources = new Map<string, ChargeJob[]>();
  for (const job of jobs) {
    if (job.hours <= 0 || !Number.isFinite(job.hours)) continue;
    sources.set(job.source, [...(sources.get(job.source) ?? []), job]);
  }
  const turns = [...sources.values()].flatMap((sharing) => {
    let endMs = departureMs;
    return sharing
      .toSorted((a, b) => b.leaksAMonth - a.leaksAMonth || a.hours - b.hours)
      .map((job): ChargeTurn => {
        const startMs = endMs - job.hours * HOUR_MS;
        const turn = { job, startMs, endMs };
        endMs = startMs;
        return turn;
      });
  });
  return turns.sort((a, b) => a.startMs - b.startMs);
}
