import { sayQuantity } from '../say/quantity.js';
import {
  BARRELS,
  CONNECTORS,
  isBarePin,
  MAY_REVERSE,
  mateOf,
  mates,
  sayConnector,
  type Connector,
} from '../harness/connectors.js';
import type { Answer } from './check.js';
import { UNSURE_V } from './model-error.js';
import { amps, isOnlyAtFullPower, metres, sayShare, sayMost, volts, type MostAmps } from './say.js';

/** A run as its wire is held against its currents. */
export interface WireLoad extends MostAmps {
  readonly label: string;
  /** What the cable is called. */
  readonly name: string;
  /** What the wire may carry, A; null where it is not known. */
  readonly ampacityA: number | null;
}

/** The wire carries the largest current that may flow without getting hot. */
export function wireCarries(wire: WireLoad): Answer {
  const { label, name, safeForA, ampacityA } = wire;
  if (ampacityA === null || safeForA <= ampacityA) return null;
  return {
    severity: isOnlyAtFullPower(wire, ampacityA) ? 'look' : 'stop',
    sentence: `From ${label}, ${sayMost(wire)} flow and ${name} may carry ${amps(ampacityA)}: it would get hot. Take a thicker cable.`,
    asks: `at least ${amps(safeForA)}`,
    has: amps(ampacityA),
  };
}

/** A run as its drop is looked at. */
export interface Dropping {
  readonly label: string;
  readonly name: string;
  readonly dropV: number;
  /** Share of the volts that it starts with, and what it should not pass, 0 to 1. */
  readonly dropShare: number;
  readonly most: number;
  /** Longest that it may be of the same wire, m; null where it cannot be made shorter by enough. */
  readonly longestM: number | null;
}

/** A run loses no more than its target share of the volts. */
export function dropWithinTarget({ label, name, dropV, dropShare, most, longestM }: Dropping): Answer {
  // As volts: what the aim allows and a tenth more.
  if (dropShare <= most || dropV * (1 - most / dropShare) <= UNSURE_V) return null;
  const shorter = longestM === null ? '' : `at most ${metres(longestM)} of the same wire, or `;
  return {
    severity: 'look',
    sentence: `From ${label}, ${name} loses ${volts(dropV)}, ${sayShare(dropShare)} where ${sayQuantity({ value: most, unit: 'share' })} is the aim. Take ${shorter}a thicker cable.`,
    asks: `at most ${sayShare(most)}`,
    has: sayShare(dropShare),
  };
}

/** A run as its connectors are looked at. */
export interface Connected extends MostAmps {
  readonly label: string;
  readonly near: Connector | null;
  readonly far: Connector | null;
  /** What its connectors may carry, A: as the cable states it, else by their kind; null if not known. */
  readonly ratedA: number | null;
}

/** Every connector of a run carries its largest current. */
export function connectorCarries(run: Connected): Answer {
  const { label, safeForA, near, far, ratedA } = run;
  if (ratedA === null || ratedA >= safeForA) return null;
  const weak = [near, far].find((end) => end !== null && CONNECTORS[end.family].ratedA <= ratedA);
  return {
    severity: isOnlyAtFullPower(run, ratedA) ? 'look' : 'stop',
    sentence: `From ${label}, ${sayMost(run)} flow through ${weak ? `a ${sayConnector(weak)}` : 'connectors'} made for ${amps(ratedA)}: it would melt. Take a connector that carries it.`,
    asks: `at least ${amps(safeForA)}`,
    has: amps(ratedA),
  };
}

/** One end of a run and what it is to go into. */
export interface Meeting {
  readonly label: string;
  /** The part at this end, and what sits on it; empty where it is not entered. */
  readonly part: string;
  readonly offered: readonly Connector[];
  readonly end: Connector | null;
  readonly which: 'near' | 'far';
  /** The largest current of the run, A. */
  readonly safeForA: number;
  /** Unplugged, this end is live. */
  readonly isLive: boolean;
}

/** The end of a run goes into what the part has. */
export function connectorsMate({ label, part, offered, end, which, safeForA, isLive }: Meeting): Answer {
  if (!end || offered.length === 0 || offered.some((one) => mates(one, end))) return null;
  const fitting = mateOf(offered[0]);
  const carries = CONNECTORS[fitting.family].ratedA >= safeForA;
  return {
    severity: 'look',
    sentence: `From ${label}, a ${sayConnector(end)} does not fit ${part}, which has ${offered.map((one) => `a ${sayConnector(one)}`).join(' and ')}. Fit another end or carry an adapter.`,
    asks: sayConnector(fitting),
    has: sayConnector(end),
    // A bare pin never goes on the side that is live: then the part's own connector is what has to change.
    ...(carries &&
      !(isLive && isBarePin(fitting)) && {
        remedy: { description: sayConnector(fitting), [which]: fitting },
      }),
  };
}

/** Two poles that can be connected the wrong way round are marked, and of a barrel it is known which pole is the centre. */
export function polarityMarked({ label, near, far }: Pick<Connected, 'label' | 'near' | 'far'>): Answer {
  const ends = [near, far].filter((end) => end !== null);
  const open = ends.find(({ family }) => MAY_REVERSE.includes(family));
  if (open) {
    return {
      severity: 'note',
      sentence: `From ${label}, a ${sayConnector(open)} can be connected the wrong way round. Mark plus, and measure before the first use.`,
      asks: 'plus marked',
      has: sayConnector(open),
    };
  }
  const barrel = ends.find(({ family }) => BARRELS.includes(family));
  return barrel
    ? {
        severity: 'note',
        sentence: `From ${label} there is a ${sayConnector(barrel)}: most want plus in the centre, not all. Measure it before the first use.`,
        asks: 'the centre measured',
        has: sayConnector(barrel),
      }
    : null;
}

/** Where a run is unplugged, its live side is the shrouded one. @param live the end that stays live, at the part named */
export const liveSideShrouded = (label: string, live: Connector | null, at: string): Answer =>
  live && isBarePin(live)
    ? {
        severity: 'look',
        sentence: `From ${label}, the end at ${at} is a ${sayConnector(live)}: unplugged, its bare pin is live and shorts on whatever it touches. The shrouded half belongs on the side that is live.`,
        asks: sayConnector(mateOf(live)),
        has: sayConnector(live),
      }
    : null;

/** A wire is of copper. */
export const isCopper = (label: string, isClad: boolean): Answer =>
  isClad
    ? {
        severity: 'look',
        sentence: `From ${label} the wire is copper-clad aluminium: it loses 1.6 times as much as copper, and it breaks and works loose at its crimps. Take copper.`,
        asks: 'copper',
        has: 'copper-clad aluminium',
        remedy: { description: 'the same of copper', isCopper: true },
      }
    : null;
