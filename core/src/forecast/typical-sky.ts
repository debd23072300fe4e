import { sampleSky, skyLaw, type SkyLaw } from '../chance/sampled-sky.js';
import { generator, seedOf } from '../random/generator.js';
import { HOUR_MS } from '../span.js';
import { clearSky, dayOfYear, underCloud } from '../sun/clear-sky.js';
import type { SkyNow, SunPlan } from '../sun/harvest.js';
import { cloudAt, FOG, OVERCAST, RAIN } from '../sun/light-table.js';
import { sunPosition } from '../sun/position.js';
import { SEED } from '../random/seed.js';
import type { PlanInput } from './plan-input.js';

/** Skies whose mean light is taken: the first of those that the samples have. */
const SKIES = 150;

/** How closed the sky is in an hour: its cloud amount, and above 1 the share of the hour in rain besides. */
type Closed = number;

/**
 * The plan under its typical sky: hour by hour the cloud amount whose light on the level equals the mean light of the simulated
 * skies of that hour. (Not their mean cloud, which would let 15 to 22 % more through: light falls faster than cloud grows.) A plan
 * whose sky is certain, or that has no panel, is as it was. Source: convention of this project, docs/model.md.
 *
 * @param factor on how closed the sky is, the same for all hours; 1 for the mean light
 */
export function underTypicalSky(plan: PlanInput, factor = 1): PlanInput {
  const { sun, outlook, outing } = plan;
  if (!sun || !outlook) return plan;
  const law = skyLaw(outing, sun, sun.skyAt, outlook);
  const closed = knownClosed(law, sun);
  const skyAt = (timeMs: number): SkyNow => {
    const { airC, windMS, turbidity = sun.turbidity } = sun.skyAt(timeMs);
    const hour = Math.min(closed.length - 1, Math.max(0, Math.floor((timeMs - law.startMs) / HOUR_MS)));
    const moved = Math.min(2, closed[hour] * factor);
    // Asked for in each step: an object made whole is many times faster than one that is spread.
    const rainShare = Math.max(0, moved - 1);
    return { cloud: Math.min(1, moved), rain: false, rainShare, airC, windMS, turbidity };
  };
  return { ...plan, sun: { ...sun, skyAt } };
}

/** The last sky that was worked out: while a block is dragged or the bag is changed, nothing of it changes. */
let known: { readonly key: string; readonly closed: readonly Closed[] } | null = null;

/** As meanClosed, from memory where the same sky is asked for again. */
function knownClosed(law: SkyLaw, sun: SunPlan): readonly Closed[] {
  const { latitudeDeg, longitudeDeg, heightM, turbidity } = sun;
  const key = JSON.stringify([law, latitudeDeg, longitudeDeg, heightM, turbidity]);
  if (known?.key !== key) known = { key, closed: meanClosed(law, sun) };
  return known.closed;
}

function meanClosed(
  law: SkyLaw,
  { latitudeDeg, longitudeDeg, heightM, turbidity }: SunPlan,
): readonly Closed[] {
  const hours = law.hours.length;
  const skies = Array.from({ length: SKIES }, (_, index) => {
    const places = new Float32Array(hours);
    sampleSky(law, generator(seedOf(`${SEED} ${index} sky`)), places);
    return places;
  });
  return law.hours.map((_, hour) => {
    const timeMs = law.startMs + (hour + 0.5) * HOUR_MS;
    const { altitudeDeg } = sunPosition(timeMs, latitudeDeg, longitudeDeg);
    // At night any sky is as good; that of a low sun.
    const height = Math.max(altitudeDeg, 5);
    const clear = clearSky(height, heightM, turbidity, dayOfYear(timeMs));
    const light = Array.from({ length: FOG + 1 }, (_unused, place) => {
      const cloud = cloudAt(Math.min(place, OVERCAST));
      return underCloud(clear, height, { cloud, rainShare: place === RAIN ? 1 : 0, fog: place === FOG }).ghi;
    });
    let sum = 0;
    for (const places of skies) {
      const row = Math.floor(places[hour]);
      const next = light[Math.min(row + 1, light.length - 1)];
      sum += light[row] + (places[hour] - row) * (next - light[row]);
    }
    return closedOf(sum / SKIES, light);
  });
}

/** Where the mean light lies among the rows, which fall from clear to rain; straight between them. */
function closedOf(mean: number, light: readonly number[]): Closed {
  for (let row = 1; row <= RAIN; row++) {
    if (light[row] > mean) continue;
    const part = light[row - 1] > light[row] ? (light[row - 1] - mean) / (light[row - 1] - light[row]) : 0;
    const place = row - 1 + Math.min(1, Math.max(0, part));
    return place <= OVERCAST ? cloudAt(place) : 1 + place - OVERCAST;
  }
  return 2;
}
