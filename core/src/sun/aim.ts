import { MINUTE_MS } from '../span.js';
import type { Aim } from './plane-of-panel.js';
import type { SunPosition } from './position.js';

/** The tilts that a stand allows, degrees from the horizontal, 0 to 90. */
export interface Stand {
  readonly leastDeg: number;
  readonly mostDeg: number;
}

/** How a panel is laid out over the outing; on a stand, within its tilts. */
export type AimPlan =
  | { readonly how: 'flat' }
  | {
      readonly how: 'fixed';
      readonly tiltDeg: number;
      readonly azimuthDeg: number;
      readonly stand?: Stand;
    }
  /** Turned to the sun every so many minutes from the start. */
  | { readonly how: 'every'; readonly minutes: number; readonly stand?: Stand }
  /** Turned to the sun at these instants, UTC epoch ms, ascending; until the first as it was laid out at the start. */
  | { readonly how: 'at'; readonly timesMs: readonly number[]; readonly stand?: Stand }
  /** Hung on a pack that wanders. */
  | { readonly how: 'hung' }
  /** Laid out otherwise from an instant on, UTC epoch ms. */
  | { readonly how: 'then'; readonly first: AimPlan; readonly fromMs: number; readonly then: AimPlan };

const HUNG_TILT_DEG = 70;
const HUNG_DIRECTIONS = 12;
const FLAT: Aim = { tiltDeg: 0, azimuthDeg: 180 };

/** Towards the sun; flat while it is down. */
export const towards = ({ altitudeDeg, azimuthDeg }: SunPosition): Aim =>
  altitudeDeg > 0 ? { tiltDeg: 90 - altitudeDeg, azimuthDeg } : FLAT;

/** An aim as far as a stand allows it. */
export const onStand = (aim: Aim, stand: Stand | undefined): Aim =>
  stand ? { ...aim, tiltDeg: Math.min(stand.mostDeg, Math.max(stand.leastDeg, aim.tiltDeg)) } : aim;

/** All directions that a panel hung on a pack looks in, in turn. */
const WANDERING: readonly Aim[] = Array.from({ length: HUNG_DIRECTIONS }, (_, index) => ({
  tiltDeg: HUNG_TILT_DEG,
  azimuthDeg: (360 / HUNG_DIRECTIONS) * index,
}));

/**
 * The aims of a panel at an instant: one, or several that it takes in turn and whose light is averaged.
 *
 * @param startMs start of the outing, UTC epoch ms
 * @param sunAt where the sun stands at an instant
 */
export function aimsAt(
  plan: AimPlan,
  timeMs: number,
  startMs: number,
  sunAt: (timeMs: number) => SunPosition,
): readonly Aim[] {
  switch (plan.how) {
    case 'flat':
      return [FLAT];
    case 'fixed':
      return [onStand(plan, plan.stand)];
    case 'every': {
      const everyMs = plan.minutes * MINUTE_MS;
      const turnedMs = startMs + Math.floor((timeMs - startMs) / everyMs) * everyMs;
      return [onStand(towards(sunAt(turnedMs)), plan.stand)];
    }
    case 'at':
      return [
        onStand(towards(sunAt(plan.timesMs.findLast((time) => time <= timeMs) ?? startMs)), plan.stand),
      ];
    case 'hung':
      return WANDERING;
    case 'then':
      return timeMs < plan.fromMs
        ? aimsAt(plan.first, timeMs, startMs, sunAt)
        : aimsAt(plan.then, timeMs, plan.fromMs, sunAt);
  }
}

/** How far a panel lies from where it is meant to, degrees. */
export interface AimError {
  readonly tiltDeg: number;
  readonly azimuthDeg: number;
}

/** An aim with an error on it; tilted past the level it looks the other way. */
export function misaimed({ tiltDeg, azimuthDeg }: Aim, error: AimError): Aim {
  const tilt = tiltDeg + error.tiltDeg;
  const azimuth = azimuthDeg + error.azimuthDeg + (tilt < 0 ? 180 : 0);
  return { tiltDeg: Math.min(90, Math.abs(tilt)), azimuthDeg: (azimuth + 360) % 360 };
}
