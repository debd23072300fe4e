import {
  breakingKind,
  FUSE_KINDS,
  FUSE_MARGIN,
  fusesBefore,
  kindForVolts,
  smallestFuse,
  usualKind,
  type FuseKind,
} from '../wire/fuses.js';
import type { Answer } from './check.js';
import { amps, isOnlyAtFullPower, near, sayRated, sayMost, volts, type MostAmps } from './say.js';

/** A run as its fuse is looked at. */
export interface Fused extends MostAmps {
  /** For example "battery to radio". */
  readonly label: string;
  /** Its own fuse, A; null for none, undefined where it is not entered. */
  readonly fuseA: number | null | undefined;
  readonly fuseKind?: FuseKind;
  /** How far from the battery it sits, m. */
  readonly fuseAtM: number;
  /** It leaves a holder of small cells, and what they give into a short circuit, A. */
  readonly ofCells?: boolean;
  readonly faultA?: number;
  /** It leads to a radio, whose fuse is never the smallest that there is. */
  readonly isRadio?: boolean;
}

/** Largest distance of a fuse from the battery, m. Source: usual practice of marine and vehicle wiring. */
export const FUSE_REACH_M = 0.2;

/** Small cells that give no more than this into a short circuit get warm, A. Source: convention of this project, docs/model.md. */
const WARM_A = 50;

/** Every run that leaves a battery has a fuse of its own; before small cells it is worth a note, or a look where they are strong. */
export function fuseAtBattery({
  label,
  fuseA,
  safeForA,
  ofCells = false,
  faultA = 0,
  isRadio = false,
}: Fused): Answer {
  if (typeof fuseA === 'number') return null;
  const unknown = fuseA === undefined;
  const chosen = smallestFuse(safeForA, fusesBefore(isRadio));
  const common = {
    asks: chosen === null || safeForA === 0 ? 'a fuse' : `a fuse of ${sayRated(chosen)}`,
    has: unknown ? 'not entered' : 'none',
  };
  if (ofCells) {
    const isStrong = faultA > WARM_A;
    return {
      severity: isStrong ? 'look' : 'note',
      sentence: isStrong
        ? `From ${label} a short circuit takes some ${Math.round(faultA)} A out of these cells and melts thin wire. Put a small fuse at the holder.`
        : `From ${label} a small fuse keeps a short circuit from heating the cells.`,
      ...common,
    };
  }
  return {
    severity: unknown ? 'look' : 'stop',
    sentence: unknown
      ? `The fuse from ${label} is not entered. A short circuit there is fed by the whole battery: put one in the positive cable, within ${near(FUSE_REACH_M)}.`
      : `There is no fuse from ${label}. A short circuit there is fed by the whole battery and sets cables on fire. Put one in the positive cable, within ${near(FUSE_REACH_M)}.`,
    ...common,
  };
}

/** The fuse sits within reach of the battery: what lies before it is protected by nothing. */
export const fuseWithinReach = ({ label, fuseA, fuseAtM, ofCells }: Fused): Answer =>
  typeof fuseA === 'number' && !ofCells && fuseAtM > FUSE_REACH_M + 1e-9
    ? {
        severity: 'look',
        sentence: `From ${label}, ${near(fuseAtM)} of cable before the fuse are protected by nothing. Move it to within ${near(FUSE_REACH_M)} of the battery.`,
        asks: `at most ${near(FUSE_REACH_M)}`,
        has: near(fuseAtM),
        remedy: { description: `the fuse at ${near(0.15)}`, fuseAtM: 0.15 },
      }
    : null;

/**
 * Rating over the largest current of a radio, whose peaks are short: makers ship 25 A fuses with radios that draw 21 to 23 A.
 * Source: makers' practice.
 */
const RADIO_FUSE_MARGIN = 1.08;

/** Whether a fuse carries a current, A, with the margin that its load needs. */
export const fuseCarries = (fuseA: number, safeForA: number, isRadio: boolean): boolean =>
  fuseA >= (isRadio ? RADIO_FUSE_MARGIN : FUSE_MARGIN) * safeForA - 1e-9;

/** The fuse carries the largest steady current with a margin, or it opens when it should not. */
export function fuseCarriesLoad(fused: Fused): Answer {
  const { label, fuseA, safeForA, isCharge, isRadio = false } = fused;
  if (typeof fuseA !== 'number' || fuseCarries(fuseA, safeForA, isRadio)) return null;
  const wanted = (isRadio ? RADIO_FUSE_MARGIN : FUSE_MARGIN) * safeForA;
  const opens = fuseA < safeForA - 1e-9 && !isOnlyAtFullPower(fused, fuseA);
  const when = isCharge
    ? 'in full sun, and leaves the controller with a panel and no battery'
    : isRadio
      ? 'while the key is down'
      : 'at full load';
  return {
    severity: opens ? 'stop' : 'look',
    sentence: `From ${label}, ${sayMost(fused)} flow through a fuse of ${sayRated(fuseA)}: it ${opens ? 'opens' : 'may open'} ${when}. Take one of at least ${amps(wanted)}.`,
    asks: `at least ${amps(wanted)}`,
    has: sayRated(fuseA),
  };
}

/** From this capacity a battery's own protection does not replace a main fuse, Ah. Source: convention of this project. */
const LARGE_AH = 50;
/** Under this capacity a battery with a protection needs no fuse of another kind, Ah. Source: convention of this project. */
const SMALL_AH = 30;

/** The first fuse of a battery breaks its short-circuit current. */
export function fuseInterrupts({
  label,
  fuseA,
  fuseKind,
  faultA,
  protects,
  capacityAh,
}: {
  readonly label: string;
  readonly fuseA: number;
  readonly fuseKind?: FuseKind | undefined;
  /** Short-circuit current at the fuse, A. */
  readonly faultA: number;
  /** The battery's own protection opens on a short circuit; undefined where it is not entered. */
  readonly protects: boolean | undefined;
  readonly capacityAh: number;
}): Answer {
  const kind = fuseKind ?? usualKind(fuseA);
  const { label: kindLabel, breaksA } = FUSE_KINDS[kind];
  // An estimate: to the tenth of a kiloampere that is told.
  const tenths = (value: number) => Number((value / 1000).toFixed(1));
  if (tenths(faultA) <= tenths(breaksA)) return null;
  if (protects === true && capacityAh < SMALL_AH) return null;
  const kiloamps = (value: number) => `${tenths(value)} kA`;
  const isNote = protects === true && capacityAh < LARGE_AH;
  const own = isNote ? ' The BMS cuts off first; the fuse is there in case it fails.' : '';
  const better = breakingKind(fuseA, faultA);
  return {
    severity: isNote ? 'note' : 'look',
    sentence: `A short circuit from ${label} reaches about ${kiloamps(faultA)}, and its ${kindLabel} breaks ${kiloamps(breaksA)}: above that it may burn on as an arc. Put ${better ? `a ${FUSE_KINDS[better].label}` : 'a class T fuse'} at the battery as the main fuse.${own}`,
    asks: `breaks ${kiloamps(faultA)}`,
    has: kiloamps(breaksA),
    ...(better && {
      remedy: {
        description: `a ${sayRated(fuseA)} ${FUSE_KINDS[better].label}`,
        fuseA,
        fuseKind: better,
      },
    }),
  };
}

/** A fuse is made for the volts of its run. @param mostV highest volts of the run, V */
export function fuseWithinVolts(
  label: string,
  fuseA: number | null | undefined,
  kind: FuseKind | undefined,
  mostV: number,
): Answer {
  if (typeof fuseA !== 'number') return null;
  const facts = FUSE_KINDS[kind ?? usualKind(fuseA)];
  if (mostV <= facts.mostV) return null;
  const better = kindForVolts(fuseA, mostV);
  return {
    severity: 'stop',
    sentence: `From ${label} there are up to ${volts(mostV)}, and a ${facts.label} breaks direct current up to ${facts.mostV} V only: it would burn on as an arc. Take a fuse made for the volts.`,
    asks: `a fuse for ${volts(mostV)}`,
    has: `${facts.mostV} V`,
    ...(better && {
      remedy: {
        description: `a ${sayRated(fuseA)} ${FUSE_KINDS[better].label}`,
        fuseA,
        fuseKind: better,
      },
    }),
  };
}

/** A run as its wire and connectors are protected. */
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
  const thicker = weakest === ampacityA ? 'Take a thicker cable.' : 'Take a connector that carries it.';
  return {
    severity: 'stop',
    sentence: `From ${label}, ${what} may carry ${amps(weakest)} and the fuse ${ownFuse ? '' : 'before it '}opens at ${sayRated(guardA)}: in a short circuit it gets hot first. ${fits ? `Put a ${sayRated(wantsA)} fuse in.` : thicker}`,
    asks: `at most ${amps(weakest)}`,
    has: sayRated(guardA),
  };
}

/** A fuse that both carries the load and protects the wire can be had. */
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
        sentence: `No standard fuse both carries the ${amps(safeForA)} of ${label} and protects ${name} and its connectors. Take a thicker cable or a connector that carries more.`,
        asks: `a fuse of at least ${amps(FUSE_MARGIN * safeForA)}`,
        has: 'none is sold',
      }
    : null;
