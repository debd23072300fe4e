import { sayQuantity } from '../say/quantity.js';
import {
  CONNECTORS,
  MAY_REVERSE,
  mateOf,
  mates,
  sayConnector,
  type Connector,
} from '../harness/connectors.js';
import type { Answer } from './check.js';
import { amps, percent, volts } from './say.js';

/** A run as its wire is held against its currents. */
export interface WireLoad {
  readonly label: string;
  /** What the lead is called. */
  readonly name: string;
  readonly safeForA: number;
  /** What the wire may carry, A; null where it is not known. */
  readonly ampacityA: number | null;
}

/** The wire carries the largest current that may flow without getting hot. */
export function wireCarries({ label, name, safeForA, ampacityA }: WireLoad): Answer {
  if (ampacityA === null || safeForA <= ampacityA) return null;
  return {
    severity: 'stop',
    sentence: `From ${label}, up to ${amps(safeForA)} flow and ${name} may carry ${amps(ampacityA)}: it would get hot. Take a thicker lead.`,
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
}

/** A run loses no more than its target share of the volts. */
export function dropWithinTarget({ label, name, dropV, dropShare, most }: Dropping): Answer {
  if (dropShare <= most) return null;
  return {
    severity: 'look',
    sentence: `From ${label}, ${name} loses ${volts(dropV)}, ${percent(dropShare)} where ${sayQuantity({ value: most, unit: 'share' })} is the aim. A shorter or thicker lead would do.`,
    asks: `at most ${percent(most)}`,
    has: percent(dropShare),
  };
}

/** A run as its connectors are looked at. */
export interface Connected {
  readonly label: string;
  readonly safeForA: number;
  readonly near: Connector | null;
  readonly far: Connector | null;
}

/** Every connector of a run carries its largest current. */
export function connectorCarries({ label, safeForA, near, far }: Connected): Answer {
  const weak = [near, far].find(
    (connector) => connector !== null && CONNECTORS[connector.family].ratedA < safeForA,
  );
  if (!weak) return null;
  return {
    severity: 'stop',
    sentence: `From ${label}, up to ${amps(safeForA)} flow through a ${sayConnector(weak)} made for ${amps(CONNECTORS[weak.family].ratedA)}: it would melt. Take a connector that carries it.`,
    asks: `at least ${amps(safeForA)}`,
    has: amps(CONNECTORS[weak.family].ratedA),
  };
}

/** One end of a run and what it is to go into. */
export interface Meeting {
  readonly label: string;
  /** The part at this end, and what sits on it; empty where nobody has said. */
  readonly part: string;
  readonly offered: readonly Connector[];
  readonly end: Connector | null;
  readonly which: 'near' | 'far';
}

/** The end of a run goes into what the part has. */
export function connectorsMate({ label, part, offered, end, which }: Meeting): Answer {
  if (!end || offered.length === 0 || offered.some((one) => mates(one, end))) return null;
  const fitting = mateOf(offered[0]);
  return {
    severity: 'look',
    sentence: `From ${label}, the lead ends in a ${sayConnector(end)} and ${part} has ${offered.map((one) => `a ${sayConnector(one)}`).join(' and ')}: they do not go together. Fit another end or carry an adapter.`,
    asks: sayConnector(fitting),
    has: sayConnector(end),
    remedy: { words: sayConnector(fitting), [which]: fitting },
  };
}

/** Two poles that can be joined the wrong way round are marked. */
export function polarityMarked({ label, near, far }: Connected): Answer {
  const open = [near, far].find((connector) => connector !== null && MAY_REVERSE.includes(connector.family));
  return open
    ? {
        severity: 'note',
        sentence: `From ${label}, a ${sayConnector(open)} can be joined the wrong way round. Mark plus, and measure before the first use.`,
        asks: 'plus marked',
        has: sayConnector(open),
      }
    : null;
}
