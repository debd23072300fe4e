import { hiddenSky } from './shade.js';
import type { Aim } from './plane-of-panel.js';
import { sunPosition } from './position.js';
import { lightAt, type SunPlan } from './harvest.js';
import { HOUR_MS, type Span } from '../span.js';

/** Coarse steps of the search, degrees, each halved until it is finer than a hand can lay a panel. */
const FIRST_STEP_DEG = 20;
const LAST_STEP_DEG = 1;
const ANY_TILT = { leastDeg: 0, mostDeg: 90 };
/** How often the sky is looked at. */
const EVERY_MS = HOUR_MS / 2;

/**
 * The fixed aim that gathers the most light over an outing, clouds and shade included; null where the sun does not rise.
 * The light is a smooth hill over tilt and azimuth, so a search that climbs by halving steps finds its top.
 */
export function bestFixedAim(plan: SunPlan, { startMs, endMs }: Span): Aim | null {
  const { leastDeg, mostDeg } = ('stand' in plan.aim ? plan.aim.stand : undefined) ?? ANY_TILT;
  const hidden = hiddenSky(plan.shade.horizon);
  const sunny: { timeMs: number; sun: ReturnType<typeof sunPosition> }[] = [];
  for (let timeMs = startMs + EVERY_MS / 2; timeMs < endMs; timeMs += EVERY_MS) {
    const sun = sunPosition(timeMs, plan.latitudeDeg, plan.longitudeDeg);
    if (sun.altitudeDeg > 0) sunny.push({ timeMs, sun });
  }
  if (sunny.length === 0) return null;

  const gathered = (aim: Aim): number =>
    sunny.reduce(
      (sum, { timeMs, sun }) =>
        sum + lightAt({ ...plan, aim: { how: 'fixed', ...aim } }, timeMs, startMs, sun, hidden),
      0,
    );
  const south = plan.latitudeDeg >= 0 ? 180 : 0;
  let best: Aim = {
    tiltDeg: Math.min(80, mostDeg, Math.max(leastDeg, Math.abs(plan.latitudeDeg))),
    azimuthDeg: south,
  };
  let most = gathered(best);
  for (let step = FIRST_STEP_DEG; step >= LAST_STEP_DEG;) {
    const tries = [
      { tiltDeg: best.tiltDeg + step, azimuthDeg: best.azimuthDeg },
      { tiltDeg: best.tiltDeg - step, azimuthDeg: best.azimuthDeg },
      { tiltDeg: best.tiltDeg, azimuthDeg: (best.azimuthDeg + step) % 360 },
      { tiltDeg: best.tiltDeg, azimuthDeg: (best.azimuthDeg - step + 360) % 360 },
    ].filter(({ tiltDeg }) => tiltDeg >= leastDeg && tiltDeg <= mostDeg);
    const before = most;
    for (const aim of tries) {
      const light = gathered(aim);
      if (light > most) [best, most] = [aim, light];
    }
    if (most === before) step /= 2;
  }
  return best;
}
