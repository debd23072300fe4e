import { BLADE_FUSES_A, smallestFuse } from '../wire/wire.js';
import type { Answer } from './check.js';
import { amps, rating } from './say.js';

/** A run as its fuse is looked at. */
export interface Fused {
  /** For example "battery to radio". */
  readonly label: string;
  /** Its own fuse, A; null for none, undefined where nobody has said. */
  readonly fuseA: number | null | undefined;
  /** How far from the battery it sits, m. */
  readonly fuseAtM: number;
  /** The largest current that it must be safe for, A. */
  readonly safeForA: number;
}

/** Largest distance of a fuse from the battery, m. Source: convention of this project, docs/model.md. */
export const FUSE_REACH_M = 0.2;
/** Rating over the largest steady current. Source: convention of this project, docs/model.md. */
const MARGIN = 1.25;

/** Every run that leaves a battery has a fuse of its own. */
export function fuseAtBattery({ label, fuseA, safeForA }: Fused): Answer {
  if (typeof fuseA === 'number') return null;
  const unknown = fuseA === undefined;
  const chosen = smallestFuse(safeForA);
  return {
    severity: unknown ? 'look' : 'stop',
    sentence: unknown
      ? `The fuse from ${label} is not entered. A short circuit there is fed by the whole battery: put one in the positive cable, within 20 cm.`
      : `No fuse stands from ${label}. A short circuit there is fed by the whole battery and sets cables on fire. Put one in the positive cable, within 20 cm.`,
    asks: chosen === null ? 'a fuse' : `a fuse of ${rating(chosen)}`,
    has: unknown ? 'not entered' : 'none',
  };
}

/** The fuse sits within reach of the battery: what lies before it is guarded by nothing. */
export const fuseWithinReach = ({ label, fuseA, fuseAtM }: Fused): Answer =>
  typeof fuseA === 'number' && fuseAtM > FUSE_REACH_M + 1e-9
    ? {
        severity: 'look',
        sentence: `From ${label}, ${Math.round(fuseAtM * 100)} cm of lead lie before the fuse and are guarded by nothing. Move it to within 20 cm of the battery.`,
        asks: 'at most 20 cm',
        has: `${Math.round(fuseAtM * 100)} cm`,
        remedy: { words: 'the fuse at 15 cm', fuseAtM: 0.15 },
      }
    : null;

/** The fuse carries the largest steady current with a quarter to spare, or it opens when it should not. */
export function fuseCarriesLoad({ label, fuseA, safeForA }: Fused): Answer {
  const wanted = MARGIN * safeForA;
  if (typeof fuseA !== 'number' || fuseA >= wanted - 1e-9) return null;
  return {
    severity: fuseA < safeForA ? 'stop' : 'look',
    sentence: `From ${label}, up to ${amps(safeForA)} flow through a fuse of ${rating(fuseA)}: it ${fuseA < safeForA ? 'opens' : 'may open'} while the key is down. A quarter more than the largest current is right.`,
    asks: `at least ${amps(wanted)}`,
    has: rating(fuseA),
  };
}

/** A run as its wire and connectors are guarded. */
export interface Guarded {
  readonly label: string;
  /** The fuse nearest towards the battery, A; null or undefined where there is none or it is not known. */
  readonly guardA: number | null | undefined;
  readonly ownFuse: boolean;
  readonly ampacityA: number | null;
  readonly connectorA: number | null;
  readonly wantsA: number | null;
}

/** The fuse opens before the wire and its connectors get hot. */
export function fuseGuardsWire({ label, guardA, ownFuse, ampacityA, connectorA, wantsA }: Guarded): Answer {
  const weakest = Math.min(ampacityA ?? Infinity, connectorA ?? Infinity);
  if (typeof guardA !== 'number' || guardA <= weakest) return null;
  const what = weakest === ampacityA ? 'its wire' : 'its connectors';
  const fits = wantsA !== null && wantsA <= weakest;
  return {
    severity: 'stop',
    sentence: `From ${label}, ${what} may carry ${amps(weakest)} and the fuse ${ownFuse ? '' : 'before it '}opens at ${rating(guardA)}: in a short circuit it gets hot first. ${fits ? `Put a ${rating(wantsA)} fuse in.` : 'Take a thicker lead or a better connector.'}`,
    asks: `at most ${amps(weakest)}`,
    has: rating(guardA),
  };
}

/** A fuse that both carries the load and guards the wire can be had. */
export const fuseExists = ({
  label,
  name,
  safeForA,
  ampacityA,
  wantsA,
}: {
  readonly label: string;
  readonly name: string;
  readonly safeForA: number;
  readonly ampacityA: number | null;
  readonly wantsA: number | null;
}): Answer =>
  wantsA === null && ampacityA !== null && safeForA <= ampacityA
    ? {
        severity: 'look',
        sentence: `No standard fuse both carries the ${amps(safeForA)} of ${label} and guards ${name}. Take a thicker lead or a better connector.`,
        asks: `a fuse from ${amps(MARGIN * safeForA)} to ${amps(ampacityA)}`,
        has: 'none is sold',
      }
    : null;

/** Why a fuse cannot be had, in a sentence; null for a rating that is sold. */
export function fuseNotSold(fuseA: number): string | null {
  if (BLADE_FUSES_A.some((sold) => sold === fuseA)) return null;
  const above = BLADE_FUSES_A.find((sold) => sold >= fuseA) ?? BLADE_FUSES_A.at(-1)!;
  return `Nobody sells a blade fuse of ${rating(fuseA)}: they come as ${BLADE_FUSES_A.join(', ')} A. The next is ${rating(above)}.`;
}
