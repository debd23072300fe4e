import { forecast } from '../forecast/forecast.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { labelFromWatts } from '../panel/panel.js';
import { atChance, smallestAh } from '../size/ideal.js';
import { HOUR_MS, MINUTE_MS } from '../span.js';
import { measuredRadio, steadyLoad, whiteboardPlan } from './plans.js';
import { clearLight, evenly, panelAmps, seasonOf } from './seasons.js';
import { sunPlan } from './sun-plans.js';

const LATITUDE_DEG = 50;
const PANEL_W = 20;
const RECEIVE_A = 0.25;
const START_MS = Date.UTC(2027, 5, 1);
const DAYS = 2;
const outing = { startMs: START_MS, endMs: START_MS + DAYS * 24 * HOUR_MS };
const hourOf = (timeMs: number) => Math.min(DAYS * 24 - 1, Math.floor((timeMs - START_MS) / HOUR_MS));

const block = {
  ...outing,
  label: 'calling',
  powerW: 10,
  modeFactor: 0.44,
  keyUpAtReceive: true,
  share: 0.3,
};

/** Two days on a small pack and a level panel, all measured but the sky. */
function plan(change: Partial<PlanInput>): PlanInput {
  return whiteboardPlan({
    outing,
    stepMs: 15 * MINUTE_MS,
    radio: { name: 'Curlew', figures: measuredRadio(RECEIVE_A, [10, 2]), dropoutV: 9 },
    blocks: [block],
    accessories: [steadyLoad('lamp', 0.05, outing)],
    ...change,
  });
}

/** A plan as it is made before a season: under its forecast. */
export const plannedFor = ({ saidCloud }: { readonly saidCloud: readonly number[] }): PlanInput =>
  plan({
    sun: sunPlan({
      latitudeDeg: LATITUDE_DEG,
      aim: { how: 'flat' },
      panel: labelFromWatts(PANEL_W, 'good_mono'),
      skyAt: (timeMs) => ({ cloud: saidCloud[hourOf(timeMs)], rain: false, airC: 15, windMS: 2 }),
    }),
  });

/**
 * How many of so many seasons an outing lasts whose battery was chosen for a chance, by chance.
 *
 * @param fairLight share of the clear light that fair-weather days let through
 * @param from seed of the first season
 */
export function lastedAt(
  chances: readonly number[],
  fairLight: number,
  from: number,
  seasons: number,
): readonly number[] {
  const lasted = chances.map(() => 0);
  for (let index = 0; index < seasons; index++) {
    const season = seasonOf(from + index, DAYS, fairLight);
    const smallest = smallestAh(plannedFor(season), 200);
    const { next, lightShare } = season;
    const receiveA = RECEIVE_A * evenly(next, 0.05);
    const keyDownA = 2 * evenly(next, 0.05);
    const share = 0.3 * evenly(next, 0.45);
    const modeFactor = 0.44 * evenly(next, 0.2);
    const capacity = evenly(next, 0.09);
    const truth = 0.9 * evenly(next, 0.14);
    const real = plan({
      radio: { name: 'Curlew', figures: measuredRadio(receiveA, [10, keyDownA]), dropoutV: 9 },
      blocks: [{ ...block, share, modeFactor }],
      offeredA: (timeMs) =>
        panelAmps(clearLight(timeMs, LATITUDE_DEG) * lightShare[hourOf(timeMs)], PANEL_W, truth),
    });
    chances.forEach((chance, which) => {
      const ratedAh = atChance(smallest, chance)! * capacity;
      const [pack] = real.packs;
      const packs = [{ ...pack, label: { ...pack.label, ratedAh } }];
      if (forecast({ ...real, packs }).verdict.lasts) lasted[which] += 1;
    });
  }
  return lasted;
}
