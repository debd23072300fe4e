import { chanceLaw, type ChanceLaw } from '../chance/chance-law.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { generator, seedOf } from '../random/generator.js';
import { SEED } from '../random/seed.js';
import type { Mode } from '../load/mode.js';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import type { Band } from './band.js';
import { inOrderOfUse } from './change-battery.js';
import { asOne, chooseReadings, thinned } from './choose-readings.js';
import type { FieldMarch } from './field-march.js';
import { Follower, MISFIT, type Met, type Stood } from './follower.js';
import type { FieldEvent, FieldReading, ReadQuantity, SkyNote } from './reading.js';
import type { MeanAndSpread } from './weigh.js';

/** What was read and noted of an outing, in any order. */
export interface FieldLog {
  readonly readings: readonly FieldReading[];
  readonly events: readonly FieldEvent[];
}

export interface FollowOptions {
  readonly seed?: number;
  readonly particles?: number;
  /** How often besides it is told what the state of charge was taken for; only where something was read or happened if absent. */
  readonly standEveryMs?: number;
  /** What is known of the duty cycle up to now besides what was read, by mode: a contact log's. */
  readonly duties?: ReadonlyMap<Mode, MeanAndSpread>;
}

/** What became of a reading. */
export interface ReadingOutcome {
  readonly id: string;
  readonly timeMs: number;
  /** How often so odd a reading comes by chance, 0 to 1, before it was weighed. */
  readonly p: number;
  /** Whether it goes together with what was planned and read before. */
  readonly fits: boolean;
  /** By quantity: what it would be as planned, in the middle. */
  readonly planned: ReadonlyMap<ReadQuantity, number>;
  /** What state of charge it would mean on its own, 0 to 1; null where it tells nothing of it. */
  readonly alone: Band | null;
  /** Whether it was weighed. */
  readonly weighed: boolean;
}

/** An outing as it may have gone, up to now. */
export interface Followed {
  readonly march: FieldMarch;
  /** The same without a reading: what was assumed. */
  readonly assumed: FieldMarch;
  readonly readings: readonly ReadingOutcome[];
  /** What the state of charge was taken for, from the start to now. */
  readonly stood: readonly Stood[];
  readonly nowMs: number;
  /** The plan where nothing has happened yet: it is the start, and nothing was read or seen. Null once something has. */
  readonly untouched: PlanInput | null;
}

export const PARTICLES = 2000;
/** Skies are sampled by the hour: finer steps than these tell nothing new. */
const LEAST_STEP_MS = 15 * MINUTE_MS;
/** To tell what was assumed. */
const ASSUMED = 300;
/**
 * The outings that agree with what was read, by a particle filter. Source: Gordon, Salmond and Smith (1993), IEE Proceedings F 140,
 * 107; the scales and rules are a convention of this project, docs/model.md.
 *
 * @param plan what was really worked up to now, and what is planned from then on
 * @param nowMs UTC epoch ms; before the outing its start, after it its end
 */
export function follow(plan: PlanInput, log: FieldLog, nowMs: number, options: FollowOptions = {}): Followed {
  const { startMs, endMs } = plan.outing;
  const until = Math.min(endMs, Math.max(startMs, nowMs));
  const isPast = ({ timeMs }: { readonly timeMs: number }) => timeMs >= startMs && timeMs <= until;
  const events = log.events
    .filter(isPast)
    .flatMap((event) => (event.kind === 'battery' ? (inOrderOfUse(plan, event) ?? []) : event))
    .sort((a, b) => a.timeMs - b.timeMs);
  const resets = events.filter(({ kind }) => kind === 'reset').map(({ timeMs }) => timeMs);
  const taken = thinned(asOne(log.readings.filter(isPast)), resets);
  const momentsMs = [...taken, ...events].map(({ timeMs }) => timeMs);
  const stepMs = Math.max(plan.stepMs, LEAST_STEP_MS);
  const law = withFog(chanceLaw({ ...plan, stepMs, momentsMs: [...momentsMs, until] }), events);
  const { seed = SEED, particles = PARTICLES } = options;
  const run = (count: number, what: string, onlyAssumes: boolean) =>
    new Follower(law, count, generator(seedOf(`${seed} ${what}`)), onlyAssumes);
  const assumed = run(ASSUMED, 'assumed', true);
  // What it would be as planned is asked while the particles stand where it was read.
  const meant: Pick<ReadingOutcome, 'planned' | 'alone'>[] = [];
  const spreads: number[] = [];
  assumed.walk(
    taken,
    events,
    until,
    () => true,
    ({ middle, alone, spread }: Met) => {
      meant.push({ planned: middle(), alone: alone() });
      spreads.push(spread());
    },
  );
  const chosen = new Set(chooseReadings(taken, spreads, resets));
  const real = run(particles, 'field', false);
  real.standEveryMs = options.standEveryMs ?? Infinity;
  const seen = real.walk(taken, events, until, (place) => chosen.has(place));
  options.duties?.forEach((duty, mode) => real.learnDuty(mode, duty));
  return {
    march: real.march,
    assumed: assumed.march,
    stood: [startOf(real.march), ...real.stood],
    nowMs: until,
    untouched: until === startMs && momentsMs.length === 0 ? plan : null,
    readings: taken.flatMap(({ ids, timeMs, counts }, place) => {
      const { p } = seen[place];
      const fits = p >= MISFIT;
      const weighed = chosen.has(place) && (fits || counts === true);
      return ids.map((id): ReadingOutcome => ({ id, timeMs, p, fits, ...meant[place], weighed }));
    }),
  };
}

/** All packs as they are at the start. */
function startOf({ law: { plan, packs } }: FieldMarch): Stood {
  const all = packs.reduce((sum, { storedAh }) => sum + storedAh, 0);
  const soc = packs.reduce((sum, { startSoc, storedAh }) => sum + (startSoc * storedAh) / all, 0);
  return { timeMs: plan.outing.startMs, soc: { p10: soc, p50: soc, p90: soc } };
}

/** Where somebody saw fog there was fog: no forecast samples it. */
function withFog(law: ChanceLaw, events: readonly FieldEvent[]): ChanceLaw {
  const { sky } = law;
  const fog = events.filter((event): event is SkyNote => event.kind === 'sky' && event.fog);
  if (!sky || fog.length === 0) return law;
  const inFog = new Set(fog.map(({ timeMs }) => Math.floor((timeMs - sky.startMs) / HOUR_MS)));
  const hours = sky.hours.map((hour, index) =>
    inFog.has(index) ? { ...hour, fog: true, rain: false } : hour,
  );
  return { ...law, sky: { ...sky, hours } };
}
