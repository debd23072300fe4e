import { forecast } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';
import type { PlayedAct } from '../field/play.js';
import type { FieldLog } from '../field/follow.js';
import type { FieldReading, SkyNote } from '../field/reading.js';
import { labelFromWatts } from '../panel/panel.js';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import type { SunPlan } from '../sun/harvest.js';
import { stepAt } from '../time-grid.js';
import { measuredRadio, steadyLoad, whiteboardPlan, type WhiteboardChange } from './plans.js';
import { clearLight, evenly, panelAmps, seasonOf, seenCloud } from './seasons.js';
import { sunPlan } from './sun-plans.js';

export const FIELD_START_MS = Date.UTC(2027, 5, 1, 6);
export const fieldHour = (hour: number): number => FIELD_START_MS + hour * HOUR_MS;
const LATITUDE_DEG = 50;
const PANEL_W = 12;
/** Share of the clear light that fair days of the other make let through. */
const FAIR_LIGHT = 0.85;
const outing = { startMs: FIELD_START_MS, endMs: fieldHour(40) };

const LAMP_A = 0.05;
const RECEIVE_A = 0.4;
const KEY_DOWN_A = 3;
const CW = {
  label: 'CW 10 W',
  mode: 'CW',
  powerW: 10,
  modeFactor: 0.44,
  keyUpAtReceive: true,
  share: 0.3,
} as const;
const SSB = {
  label: 'SSB 10 W',
  mode: 'SSB',
  powerW: 10,
  modeFactor: 0.35,
  keyUpAtReceive: false,
  share: 0.2,
} as const;
const BLOCKS: readonly PlanInput['blocks'][number][] = [
  { ...CW, startMs: fieldHour(1), endMs: fieldHour(5) },
  { ...SSB, startMs: fieldHour(7), endMs: fieldHour(11) },
  { ...CW, startMs: fieldHour(25), endMs: fieldHour(30) },
  { ...SSB, startMs: fieldHour(32), endMs: fieldHour(38) },
];

/** Forty hours of CW and voice with a small panel under half a sky, on a pack that has some to spare. */
export const fieldPlan = (change: WhiteboardChange = {}): PlanInput =>
  whiteboardPlan({
    outing,
    stepMs: 15 * MINUTE_MS,
    radio: { name: 'Curlew', figures: measuredRadio(RECEIVE_A, [10, KEY_DOWN_A]), dropoutV: 9 },
    blocks: BLOCKS,
    accessories: [steadyLoad('lamp', LAMP_A, outing)],
    sun: sunPlan({
      latitudeDeg: LATITUDE_DEG,
      aim: { how: 'flat' },
      panel: labelFromWatts(PANEL_W, 'good_mono'),
      skyAt: () => ({ cloud: 0.5, rain: false, airC: 15, windMS: 2 }),
    }),
    pack: {
      label: { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh: 15, health: 1 },
      capacityFrom: { source: 'datasheet' },
    },
    ...change,
  });

/** The same without a panel. */
export function darkFieldPlan(change: WhiteboardChange = {}): PlanInput {
  const { sun: _none, ...dark } = fieldPlan(change);
  return dark;
}

/** Ten readings and looks at the sky, of all kinds, and a reset. */
export const FIELD_ACTS: readonly PlayedAct[] = [
  { kind: 'reading', timeMs: fieldHour(1.2), state: 'listening', source: 'typed', quantities: ['volts'] },
  { kind: 'reading', timeMs: fieldHour(2.1), state: 'keyDown', source: 'typed', quantities: ['amps'] },
  { kind: 'look', timeMs: fieldHour(3.3) },
  { kind: 'reading', timeMs: fieldHour(4.9), state: 'listening', source: 'typed', quantities: ['outAh'] },
  { kind: 'reset', timeMs: fieldHour(7.1), source: 'typed' },
  {
    kind: 'reading',
    timeMs: fieldHour(8.5),
    state: 'listening',
    source: 'typed',
    quantities: ['outAh', 'volts'],
  },
  {
    kind: 'reading',
    timeMs: fieldHour(10.2),
    state: 'listening',
    source: 'controller',
    quantities: ['inAh'],
  },
  { kind: 'reading', timeMs: fieldHour(25.7), state: 'unknown', source: 'typed', quantities: ['volts'] },
  { kind: 'look', timeMs: fieldHour(27.4) },
  {
    kind: 'reading',
    timeMs: fieldHour(28.2),
    state: 'listening',
    source: 'monitor',
    quantities: ['percent', 'amps'],
  },
  { kind: 'reading', timeMs: fieldHour(29.9), state: 'listening', source: 'typed', quantities: ['outAh'] },
];
export const FIELD_NOW_MS = fieldHour(30.5);

/** An outing's panel under a sky of another make: its plan's sun by the forecast, and what it gives if it gives all that its label says, Ah. */
export function otherHarvest(seed: number): { readonly sun: SunPlan; readonly offered: number } {
  const sky = otherSky(seed);
  let offered = 0;
  for (let timeMs = outing.startMs + MINUTE_MS / 2; timeMs < outing.endMs; timeMs += MINUTE_MS) {
    offered += (panelAmps(sky.lightAt(timeMs), PANEL_W, 1) * MINUTE_MS) / HOUR_MS;
  }
  return { sun: { ...fieldPlan().sun!, skyAt: sky.skyAt }, offered };
}

/** A sky of another make: its forecast, its light, and how somebody sees it. */
function otherSky(seed: number) {
  const { lightShare, saidCloud, next } = seasonOf(seed, 3, FAIR_LIGHT);
  const midnight = Math.floor(FIELD_START_MS / (24 * HOUR_MS)) * 24 * HOUR_MS;
  const hourOf = (timeMs: number) => Math.floor((timeMs - midnight) / HOUR_MS);
  const shareAt = (timeMs: number) => lightShare[hourOf(timeMs)];
  return {
    next,
    lightAt: (timeMs: number) => clearLight(timeMs, LATITUDE_DEG) * shareAt(timeMs),
    seenAt: (timeMs: number) => seenCloud(shareAt(timeMs), FAIR_LIGHT),
    skyAt: (timeMs: number) => ({ cloud: saidCloud[hourOf(timeMs)], rain: false, airC: 15, windMS: 2 }),
  };
}

/** An outing of another make, and the state of charge that it really had, 0 to 1. */
export interface OtherOuting {
  /** As it was planned, under its forecast. */
  readonly plan: PlanInput;
  readonly log: FieldLog;
  readonly soc: number;
  /** What its loads took, Ah. */
  readonly usedAh: number;
}

/** What is so of the gear and of its operator, outing for outing. */
export interface RealKit {
  readonly truth: number;
  readonly ratedAh: number;
  readonly receiveA: number;
  readonly keyDownA: number;
  /** On the duty cycles that are planned. */
  readonly habit: number;
}

/** How far it may be from what is planned, in shares. */
const MEASURED_KIT: RealKit = { truth: 0.14, ratedAh: 0.08, receiveA: 0.05, keyDownA: 0.05, habit: 0.4 };

/** A kit of another make, off by so much at the most. */
export const realKit = (next: () => number, off = MEASURED_KIT): RealKit => ({
  truth: 0.9 * evenly(next, off.truth),
  ratedAh: 15 * evenly(next, off.ratedAh),
  receiveA: RECEIVE_A * evenly(next, off.receiveA),
  keyDownA: KEY_DOWN_A * evenly(next, off.keyDownA),
  habit: evenly(next, off.habit),
});

/**
 * An outing as it goes in a season of another make: its own sun, its own laws of error, its own meter.
 *
 * @param known its plan, as far as the kit is known
 * @param own the kit as it really is; one of its own by chance if absent
 */
export function otherOuting(
  seed: number,
  known: PlanInput = fieldPlan(),
  own?: RealKit,
  acts = FIELD_ACTS,
): OtherOuting {
  const { next, lightAt, seenAt, skyAt } = otherSky(seed);
  const { truth, ratedAh, receiveA, keyDownA, habit } = own ?? realKit(next);
  const label = { chemistry: 'lifepo4', cellsInSeries: 4, ratedAh, health: 1 } as const;
  const figures = measuredRadio(receiveA, [10, keyDownA]);
  const real = darkFieldPlan({
    radio: { name: 'Curlew', figures, dropoutV: 9 },
    blocks: BLOCKS.map((block) => ({ ...block, share: block.share * habit * evenly(next, 0.15) })),
    pack: { label },
  });
  const { march } = forecast({
    ...real,
    momentsMs: [...acts.map(({ timeMs }) => timeMs), FIELD_NOW_MS],
    offeredA: (timeMs) => panelAmps(lightAt(timeMs), PANEL_W, truth),
  });
  const { edgesMs, loadA, soc, offeredA, curtailedA } = march;
  const takenA = offeredA.map((amps, step) => amps - curtailedA[step]);
  const gain = evenly(next, 0.02);
  const sumUp = (fromMs: number, toMs: number, amps: Float64Array) => {
    let ampereHours = 0;
    for (let step = 0; step < amps.length; step++) {
      if (edgesMs[step] >= fromMs && edgesMs[step] < toMs) {
        ampereHours += (amps[step] * (edgesMs[step + 1] - edgesMs[step])) / HOUR_MS;
      }
    }
    return ampereHours;
  };
  const socAt = (timeMs: number) => soc[stepAt(edgesMs, timeMs)];
  const readings: FieldReading[] = [];
  const looks: SkyNote[] = [];
  let resetMs = FIELD_START_MS;
  for (const act of acts) {
    const { timeMs } = act;
    if (act.kind === 'reset') resetMs = timeMs;
    else if (act.kind === 'look') {
      const cloud = Math.min(1, seenAt(timeMs) * evenly(next, 0.2));
      looks.push({ kind: 'sky', timeMs, cloud, rain: false, fog: false });
    } else if (act.kind === 'battery') throw new Error('This generator has one battery.');
    else if (act.quantities.includes('outAh')) {
      const outAh = gain * sumUp(resetMs, timeMs, loadA) + 0.03 * (next() - 0.5);
      readings.push({ ...bare(act), values: { outAh } });
    } else if (act.quantities.includes('inAh')) {
      const inAh = evenly(next, 0.02) * sumUp(FIELD_START_MS, timeMs, takenA);
      readings.push({ ...bare(act), values: { inAh } });
    } else if (act.quantities.includes('amps') && act.source === 'typed') {
      const amps = evenly(next, 0.03) * ((act.state === 'keyDown' ? keyDownA : receiveA) + LAMP_A);
      if (own) readings.push({ ...bare(act), values: { amps } });
    } else if (act.quantities.includes('percent')) {
      const percent = 100 * socAt(timeMs) + 12 * (next() - 0.5);
      readings.push({ ...bare(act), values: { percent } });
    }
  }
  const resets = acts.filter((act) => act.kind === 'reset');
  return {
    plan: { ...known, sun: { ...known.sun!, skyAt } },
    log: { readings, events: [...looks, ...resets] },
    soc: socAt(FIELD_NOW_MS),
    usedAh: sumUp(FIELD_START_MS, outing.endMs, loadA),
  };
}

const bare = ({ timeMs, state, source }: Extract<PlayedAct, { kind: 'reading' }>) => ({
  id: `at ${timeMs}`,
  timeMs,
  state,
  source,
});
