import {
  cablingOhm,
  lightAt,
  HOUR_MS,
  hiddenSky,
  loopOhm,
  sayQuantity,
  shadeLoss,
  shadeSensitivity,
  sunPosition,
  type AimPlan,
  type Span,
  type SunPlan,
} from '@knapsack/core';
import { notSimulated } from '../documents/figure.js';
import type { Panel } from '../documents/gear.js';
import type { LoadoutItem } from '../documents/trip.js';
import type { Carried } from './look-up.js';
import { panelsTogether, stringsOf } from './panels-of.js';

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

/**
 * What partial shade takes of a panel in full sun, and what folding the shaded part away brings back: one cell in the dark holds back
 * its whole string. Nothing of thin film, which loses no more than its shaded share, and where that is little.
 */
export function sayPartialShade(panels: Carried<Panel>, sun: SunPlan): readonly string[] {
  const { gear } = panels;
  const partial = sun.shade.spans.filter(({ fraction }) => fraction < 1);
  const worst = partial.reduce((most, { fraction }) => Math.max(most, fraction), 0);
  const fullW = stringsOf(panels).watts * (notSimulated(gear.truth)?.value ?? sun.truth);
  const sensitivity = shadeSensitivity(gear.technology, gear.diodes === true);
  const lost = (by: number) => fullW * shadeLoss(worst, by);
  const lostW = lost(sensitivity);
  const backW = lostW - lost(1);
  if (backW < WORTH_W) return [];
  const watts = (value: number) => sayQuantity({ value: Math.round(value), unit: 'W' });
  const diodes = shadeSensitivity(gear.technology, true);
  const withDiodes = sensitivity > diodes ? `, ${watts(lost(diodes))} with a diode to each leaf` : '';
  return [
    `Shade on ${sayQuantity({ value: worst, unit: 'share' })} of ${gear.name} takes ${watts(lostW)} of ${watts(fullW)} in full sun${withDiodes}. Fold the shaded part away for ${watts(backW)} more, or move it.`,
  ];
}

/** What unlike panels in parallel lose to each other; nothing where that is little. */
export function sayUnlikePanels(panels: readonly Carried<Panel>[]): readonly string[] {
  if (panels.length < 2) return [];
  const together = panelsTogether(panels);
  if (!together.ok || together.value.lostW < WORTH_W) return [];
  const watts = (value: number) => sayQuantity({ value: Math.round(value), unit: 'W' });
  const { label, lostW } = together.value;
  const names = panels.map(({ gear }) => gear.name).join(' and ');
  return [
    `${names} differ: in parallel they give ${watts(label.watts)} of ${watts(label.watts + lostW)}. Panels of like volts, or a controller for each, bring ${watts(lostW)} back.`,
  ];
}

/** Light on a panel on average while the sun is up, W/m2, as it is aimed and as it might be instead. */
function meanLight(sun: SunPlan, aims: readonly AimPlan[], { startMs, endMs }: Span): readonly number[] {
  const hidden = hiddenSky(sun.shade.horizon);
  const sums = aims.map(() => 0);
  let hours = 0;
  for (let timeMs = startMs + EVERY_MS / 2; timeMs < endMs; timeMs += EVERY_MS) {
    const at = sunPosition(timeMs, sun.latitudeDeg, sun.longitudeDeg);
    if (at.altitudeDeg <= 0) continue;
    hours += 1;
    aims.forEach((aim, index) => (sums[index] += lightAt({ ...sun, aim }, timeMs, startMs, at, hidden)));
  }
  return sums.map((sum) => (hours > 0 ? sum / hours : 0));
}

/** Watts that a light on a panel is worth. */
const wattsOf = ({ panel, truth }: SunPlan, lightWM2: number): number =>
  (lightWM2 * panel.watts * truth) / FULL_LIGHT_W_M2;

/** What a panel that is turned at set hours, or hung on a pack, gets less than one that is turned every hour; nothing where that is little. */
export function sayAim(sun: SunPlan, outing: Span): readonly string[] {
  const { aim } = sun;
  if (aim.how !== 'at' && aim.how !== 'hung') return [];
  const stand = 'stand' in aim && aim.stand ? { stand: aim.stand } : {};
  const [mine, hourly] = meanLight(sun, [aim, { how: 'every', minutes: 60, ...stand }], outing);
  const lostW = wattsOf(sun, hourly - mine);
  if (lostW < WORTH_W) return [];
  const words = sayQuantity({ value: lostW, unit: 'W' });
  return aim.how === 'at'
    ? [`Turned at set hours alone the panel gets ${words} less on average than turned every hour.`]
    : [
        `Hung on a pack the panel gets ${words} less on average than turned every hour: lay it out when you rest.`,
      ];
}

/** What a stand that cannot tilt as far as the sun asks costs on average while the sun is up; nothing where that is little. */
export function sayStand(sun: SunPlan, outing: Span): readonly string[] {
  const { aim } = sun;
  if (!('stand' in aim) || !aim.stand) return [];
  const { stand, ...free } = aim;
  const [mine, anyTilt] = meanLight(sun, [aim, free], outing);
  const lostW = wattsOf(sun, anyTilt - mine);
  return lostW < WORTH_W
    ? []
    : [
        `The stand tilts from ${stand.leastDeg} to ${stand.mostDeg}°, not as far as the sun asks: ${sayQuantity({ value: lostW, unit: 'W' })} less on average. Prop the panel up by hand.`,
      ];
}
