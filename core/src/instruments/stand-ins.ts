import type { PlanInput } from '../forecast/plan-input.js';
import { play, type PlayedAct } from '../field/play.js';
import type { BatteryEvent, ReadingState, ReadQuantity } from '../field/reading.js';
import { generator, normal, seedOf } from '../random/generator.js';
import { hoursOf, MINUTE_MS } from '../span.js';
import { cloudAt, OVERCAST, RAIN, type SkyIndex } from '../sun/light-table.js';
import {
  instrumentLine,
  type ControllerStage,
  type InstrumentReading,
  type LineSource,
} from './instrument-lines.js';

/** What was true at an instant of a played outing. */
export interface PlayedTruth {
  /** UTC epoch ms. */
  readonly timeMs: number;
  /** State of charge of all packs, 0 to 1. */
  readonly soc: number;
  /** What somebody sees who looks up; null where the plan has no sky. */
  readonly sky: { readonly cloud: number; readonly rain: boolean } | null;
}

/** A line that a stand-in sends, and when. */
export interface PlayedLine {
  /** UTC epoch ms. */
  readonly timeMs: number;
  readonly line: string;
}

/** What the stand-ins of the instruments send during an outing, and what was true meanwhile. */
export interface PlayedInstruments {
  readonly lines: readonly PlayedLine[];
  readonly truth: readonly PlayedTruth[];
}

/** How an outing is played. */
export interface PlayOptions {
  /** How often each instrument sends. */
  readonly everyMs?: number;
  /** Those that send; monitor and controller if absent. There is no controller where there is no panel. */
  readonly sources?: readonly LineSource[];
  /** What was done with batteries, ascending in time; packs by their place in the plan. */
  readonly batteries?: readonly BatteryEvent[];
}

/** Of a battery monitor: how far it drifts from the truth, share of the charge an hour, one standard deviation. Convention of this project. */
const DRIFT_PER_HOUR = 0.003;
/** A monitor takes a battery above this, that is charged, for full. */
const FULL = 0.985;
const ABSORBS_FROM = 0.95;
const LEAST_PANEL_A = 0.02;

const READS: Readonly<Record<LineSource, readonly ReadQuantity[]>> = {
  meter: ['volts', 'amps'],
  monitor: ['volts', 'amps'],
  controller: ['volts', 'panelAmps', 'panelWatts', 'inAh'],
};

/**
 * Plays an outing by chance, its sky and its operators as they may be, with a battery monitor and, where there is a panel, a charge controller
 * that send lines. To try the estimate on, and to learn to read: the truth comes along. What is worked or done otherwise from an instant
 * on leaves all before it as it was.
 */
export function playInstruments(
  plan: PlanInput,
  seed: number,
  { everyMs = MINUTE_MS, batteries = [], sources: asked = ['monitor', 'controller'] }: PlayOptions = {},
): PlayedInstruments {
  const { startMs, endMs } = plan.outing;
  const of = (what: string) => generator(seedOf(`${seed} ${what}`));
  const hands = of('hands');
  const times: number[] = [];
  for (let timeMs = startMs + everyMs; timeMs < endMs; timeMs += everyMs) times.push(timeMs);
  const sources = asked.filter((source) => source !== 'controller' || plan.sun);
  const reads = times.flatMap((timeMs) => {
    const state = stateAt(plan, timeMs, hands());
    return sources.map((source): PlayedAct => ({
      ...{ kind: 'reading', timeMs, state, source },
      quantities: READS[source],
      // A counter never runs backwards.
      toTheDigit: source === 'controller',
    }));
  });
  const acts = [...batteries.filter(({ timeMs }) => timeMs < endMs), ...reads].sort(
    (a, b) => a.timeMs - b.timeMs,
  );
  const { log, march, ...was } = play(plan, acts, endMs, seed);
  const isRead = acts.map(({ kind }) => kind === 'reading');
  const socs = was.socs.filter((_, place) => isRead[place]);
  const skies = was.skies.filter((_, place) => isRead[place]);
  const storedAh = march.packs.reduce((sum, pack) => sum + pack.storedAh, 0);
  const lines: PlayedLine[] = [];
  const truth: PlayedTruth[] = [];
  const monitor = new Monitor(storedAh, hoursOf({ startMs: 0, endMs: everyMs }), of('drift'));
  let peakW = 0;
  log.readings.forEach(({ timeMs, source, values }, index) => {
    const soc = socs[index];
    const ms = timeMs - startMs;
    const { volts = 0, amps = 0, panelAmps = 0, panelWatts = 0, inAh = 0 } = values;
    if (index % sources.length === 0) truth.push({ timeMs, soc, sky: seenIn(skies[index]) });
    const tell = (reading: InstrumentReading) => lines.push({ timeMs, line: instrumentLine(reading) });
    if (source === 'meter') tell({ source, ms, volts, amps });
    else if (source === 'monitor') tell({ source, ms, ...monitor.tell(soc, volts, -amps) });
    else {
      const panelA = Math.max(0, panelAmps);
      const watts = Math.max(0, panelWatts);
      peakW = Math.max(peakW, watts);
      tell({
        ...{ source: 'controller', ms, panelA, batteryV: volts, peakW, inAh: Math.max(0, inAh) },
        panelV: panelA > LEAST_PANEL_A ? watts / panelA : 0,
        batteryA: volts > 0 ? watts / volts : 0,
        stage: stageOf(soc, panelA),
      });
    }
  });
  return { lines, truth };
}

function seenIn(sky: SkyIndex | null): PlayedTruth['sky'] {
  return sky === null ? null : { cloud: cloudAt(Math.min(sky, OVERCAST)), rain: sky === RAIN };
}

/**
 * What is on: of the time of a block, its share is key down.
 *
 * @param chance 0 to 1
 */
function stateAt({ blocks }: PlanInput, timeMs: number, chance: number): ReadingState {
  const block = blocks.find(({ startMs, endMs }) => startMs <= timeMs && timeMs < endMs);
  if (!block) return 'off';
  return chance < block.share ? 'keyDown' : 'listening';
}

function stageOf(soc: number, panelA: number): ControllerStage {
  if (panelA <= LEAST_PANEL_A) return 'off';
  if (soc > FULL) return 'float';
  return soc > ABSORBS_FROM ? 'absorption' : 'bulk';
}

/** A battery monitor: it counts, drifts, and takes a full battery for a new beginning. */
class Monitor {
  private off = 0;

  constructor(
    private readonly storedAh: number,
    private readonly hours: number,
    private readonly next: () => number,
  ) {}

  /** @param amps into the battery */
  tell(soc: number, volts: number, amps: number) {
    this.off += DRIFT_PER_HOUR * Math.sqrt(this.hours) * normal(this.next);
    if (soc > FULL && amps > 0) this.off = 1 - soc;
    const shown = Math.min(1, Math.max(0, soc + this.off));
    const minutes = amps < 0 ? (60 * shown * this.storedAh) / -amps : null;
    return {
      ...{ volts, amps, percent: 100 * shown, ampereHours: -(1 - shown) * this.storedAh },
      minutesLeft: minutes !== null && minutes < 60_000 ? minutes : null,
    };
  }
}
