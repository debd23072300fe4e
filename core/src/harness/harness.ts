import { loopOhm, type WireSize } from '../wire/wire.js';
import type { FuseKind } from '../wire/fuses.js';
import { CONNECTORS, type Connector } from './connectors.js';

/** What stands in a harness. */
export const PART_KINDS = {
  battery: 'battery',
  station: 'power station',
  joint: 'joint',
  changeover: 'only one at a time',
  outlet: 'mains voltage',
  controller: 'charge controller',
  panel: 'panel',
  distribution: 'fuse box',
  splitter: 'splitter',
  disconnect: 'low-voltage disconnect',
  converter: 'DC-DC converter',
  inverter: 'mains inverter',
  radio: 'radio',
  amplifier: 'amplifier',
  load: 'load',
  missing: 'missing',
} as const;

export type PartKind = keyof typeof PART_KINDS;

/**
 * A part of a harness with the run that joins it to the part nearer the battery. The battery is the root of the tree: loads
 * hang from it, and so do controller and panel, in whose runs the current flows towards it.
 */
export interface HarnessPart {
  readonly id: string;
  readonly kind: PartKind;
  readonly name: string;
  /** Id of the part nearer the battery; null where the harness begins. */
  readonly from: string | null;
  /** Null where the harness begins, and inside a part. */
  readonly run: CableRun | null;
  /** What sits on the part itself, where known. */
  readonly connectors: readonly Connector[];
  /** What the part may carry, A, where known. */
  readonly maxA?: number;
  /** Of a converter that holds its volts: those, V, and power out / power in, 0 to 1. Such a part passes power on, not amps. */
  readonly supply?: Supply;
}

/** What a converter holds, and what it loses over it. */
export interface Supply {
  readonly volts: number;
  readonly efficiency: number;
  /** Its volts are not entered but assumed. */
  readonly isAssumed?: boolean;
}

/** A converter of which no more is entered. Source: convention of this project, docs/model.md. */
export const USUAL_SUPPLY: Supply = { volts: 13.8, efficiency: 0.9, isAssumed: true };

/** Two wires from one part to the next, as far as anyone has said. */
export interface CableRun {
  /** The cable of the bag that it is, where it is one. */
  readonly cable: string | null;
  /** Measured resistance there and back, fuses and contacts included, ohm; null where it follows from the wire or is not known. */
  readonly measuredOhm: number | null;
  readonly wire: CableRunWire | null;
  /** Fuse, A; null for none, undefined where it is not entered. */
  readonly fuseA: number | null | undefined;
  /** What kind it is; as its rating is usually sold if absent. */
  readonly fuseKind?: FuseKind;
  /** Of panels: the fuse in each string, A. */
  readonly stringFuseA?: number;
  /** More fuses in the same cable, A: they only add resistance. */
  readonly moreFusesA: readonly number[];
  /** How far from the battery (or what feeds it) the fuse sits, m. */
  readonly fuseAtM: number;
  /** What its connectors may carry, A, where a cable states it. */
  readonly statedA: number | null;
  /** Its end at the part nearer the battery, and at the part that it leads to. */
  readonly near: Connector | null;
  readonly far: Connector | null;
}

/** What a run is made of. */
export interface CableRunWire {
  readonly size: WireSize;
  /** One way, m. */
  readonly lengthM: number;
  readonly contactPairs: number;
  readonly bundled: boolean;
}

/** Where a fuse sits unless told otherwise, m: within reach of the battery. */
export const USUAL_FUSE_AT_M = 0.15;

/** A run of which nothing is entered. */
export const UNKNOWN_CABLE_RUN: CableRun = {
  cable: null,
  measuredOhm: null,
  wire: null,
  fuseA: undefined,
  moreFusesA: [],
  fuseAtM: USUAL_FUSE_AT_M,
  statedA: null,
  near: null,
  far: null,
};

/** Resistance of a run there and back, ohm, its copper at a temperature (C); null where nothing is known of it. */
export function cableRunOhm(
  { measuredOhm, wire, fuseA, moreFusesA }: CableRun,
  temperatureC: number,
): number | null {
  if (measuredOhm !== null) return measuredOhm;
  if (!wire) return null;
  const { size, lengthM, contactPairs } = wire;
  const fusesA = fuseA ? [fuseA, ...moreFusesA] : moreFusesA;
  const { areaMm2, isClad = false } = size;
  return loopOhm({ areaMm2, isClad, runM: lengthM, temperatureC, contactPairs, fusesA });
}

/** Current that the connectors of a run may carry, A: as the cable states, else by the table of connectors; null if not known or if only the wire limits it. */
export function connectorAmps({ statedA, near, far }: CableRun): number | null {
  if (statedA !== null) return statedA;
  const known = [near, far]
    .flatMap((end) => (end ? [CONNECTORS[end.family].ratedA as number] : []))
    .filter(Number.isFinite);
  return known.length > 0 ? Math.min(...known) : null;
}

/** The parts from one up to where the harness begins, itself first; stops where it would go round. */
export function wayToRoot(parts: readonly HarnessPart[], id: string): readonly HarnessPart[] {
  return wayUp(byIdOf(parts), id);
}

const byIdOf = (parts: readonly HarnessPart[]): ReadonlyMap<string, HarnessPart> =>
  new Map(parts.map((part) => [part.id, part]));

function wayUp(byId: ReadonlyMap<string, HarnessPart>, id: string): readonly HarnessPart[] {
  const way: HarnessPart[] = [];
  for (let part = byId.get(id); part && !way.includes(part); part = byId.get(part.from ?? '')) way.push(part);
  return way;
}

/** A part and everything that hangs from it. */
export function partsBelow(parts: readonly HarnessPart[], id: string): readonly HarnessPart[] {
  const byId = byIdOf(parts);
  return parts.filter((part) => wayUp(byId, part.id).some((above) => above.id === id));
}

/** The parts that feed each other in a ring, in its order; empty where every way leads to the battery. */
export function loopIn(parts: readonly HarnessPart[]): readonly HarnessPart[] {
  for (const { id } of parts) {
    const way = wayToRoot(parts, id);
    const last = way.at(-1)!;
    const back = way.findIndex((part) => part.id === last.from);
    if (back !== -1) return way.slice(back);
  }
  return [];
}
