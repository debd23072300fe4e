import {
  cablingOhm,
  lightAt,
  HOUR_MS,
  hiddenSky,
  loopOhm,
  sayQuantity,
  sunPosition,
  type Span,
  type SunPlan,
} from '@knapsack/core';
import type { LoadoutItem } from '../documents/trip.js';

/** Copper in the sun, C; a pair of contacts at each end. */
const WARM_C = 40;
const PAIRS = 2;
/** What a cable is shortened to where it is too long, m. */
const SHORT_M = 0.6;
/** Less than this is not worth a word, W. */
const WORTH_W = 0.5;
const EVERY_MS = HOUR_MS / 2;
const FULL_LIGHT_W_M2 = 1000;

/** What panels' own cables add to the way to the controller, ohm; nothing where none are entered. */
export function panelCablesOhm(
  { cabling, count, inSeries = 1 }: LoadoutItem,
  lengthM = cabling?.lengthM ?? 0,
): number {
  if (!cabling) return 0;
  const { how, areaMm2 } = cabling;
  const cableOhm = loopOhm({ areaMm2, runM: lengthM, temperatureC: WARM_C, contactPairs: PAIRS, fusesA: [] });
  return cablingOhm(how, count / inSeries, cableOhm);
}

/** What they lose in full sun, and what a shorter cable brings back; nothing where that is little. */
export function sayPanelCables(item: LoadoutItem, sun: SunPlan): readonly string[] {
  const { cabling } = item;
  if (!cabling) return [];
  const lost = (lengthM: number) => sun.panel.impA ** 2 * panelCablesOhm(item, lengthM);
  const lostW = lost(cabling.lengthM);
  if (lostW < WORTH_W) return [];
  const watts = (value: number) => sayQuantity({ value, unit: 'W' });
  const backW = cabling.lengthM > SHORT_M ? lostW - lost(SHORT_M) : 0;
  const shorter =
    backW >= WORTH_W
      ? `: shorten each to ${sayQuantity({ value: SHORT_M, unit: 'm' })} for ${watts(backW)} more`
      : '';
  return [`In full sun the panels’ own cables lose ${watts(lostW)}${shorter}.`];
}

/** What a stand that cannot tilt as far as the sun asks costs on average while the sun is up; nothing where that is little. */
export function sayStand(sun: SunPlan, { startMs, endMs }: Span): readonly string[] {
  const { aim } = sun;
  if (!('stand' in aim) || !aim.stand) return [];
  const { stand, ...free } = aim;
  const hidden = hiddenSky(sun.shade.horizon);
  let [lost, hours] = [0, 0];
  for (let timeMs = startMs + EVERY_MS / 2; timeMs < endMs; timeMs += EVERY_MS) {
    const at = sunPosition(timeMs, sun.latitudeDeg, sun.longitudeDeg);
    if (at.altitudeDeg <= 0) continue;
    hours += 1;
    lost +=
      lightAt({ ...sun, aim: free }, timeMs, startMs, at, hidden) - lightAt(sun, timeMs, startMs, at, hidden);
  }
  const lostW = hours > 0 ? ((lost / hours) * sun.panel.watts * sun.truth) / FULL_LIGHT_W_M2 : 0;
  return lostW < WORTH_W
    ? []
    : [
        `The stand tilts from ${stand.leastDeg} to ${stand.mostDeg}°, not as far as the sun asks: ${sayQuantity({ value: lostW, unit: 'W' })} less on average. Prop the panel up by hand.`,
      ];
}
