import type { Connector, FuseKind } from '@knapsack/core';

/** Kinds of parts that a user puts between those of the bag. */
export const ADDED_KINDS = ['splitter', 'distribution', 'disconnect', 'converter', 'inverter'] as const;
export type AddedKind = (typeof ADDED_KINDS)[number];

/** A part that is not gear of the bag: a splitter, a disconnect, a converter. */
export interface AddedPart {
  readonly id: string;
  readonly kind: AddedKind;
  readonly name?: string;
  /** What it may carry, A. */
  readonly maxA?: number;
  /** Volts at the battery at which a disconnect takes its loads off, and brings them back while it charges. */
  readonly disconnectV?: number;
  readonly reconnectV?: number;
  /** Volts that a converter holds, and power out / power in; 13.8 V and 0.90 if absent. */
  readonly outV?: number;
  readonly efficiency?: number;
  /** The part that it hangs from. */
  readonly from: string;
}

/** What has been said of the run that leads to a part; what is absent is as the bag's lead has it. */
export interface CableRunNote {
  /** Id of the part, as the harness names it. */
  readonly to: string;
  /** Joined to another part than the usual one. */
  readonly from?: string;
  /** One way, m. */
  readonly lengthM?: number;
  /** Gauge, or cross section in mm2: one of the two. */
  readonly awg?: number;
  readonly areaMm2?: number;
  readonly contactPairs?: number;
  /** Connector at the end nearer the battery, and at the part. */
  readonly near?: Connector;
  readonly far?: Connector;
  /** Fuse, A; 0 for none. Its kind is as its rating is usually sold if absent. */
  readonly fuseA?: number;
  readonly fuseKind?: FuseKind;
  /** Of panels: the fuse in each string, A. */
  readonly stringFuseA?: number;
  /** How far from the battery it sits, m. */
  readonly fuseAtM?: number;
  readonly bundled?: boolean;
  /** Copper-clad aluminium. */
  readonly clad?: boolean;
}

/** What keeps batteries apart that are used one after the other. */
export interface Changeover {
  readonly name?: string;
  /** What it may carry, A. */
  readonly maxA?: number;
}

/** How the kit is wired otherwise than the bag alone would say. */
export interface HarnessNotes {
  readonly parts?: readonly AddedPart[];
  readonly runs?: readonly CableRunNote[];
  /** Stands in the place of the batteries’ joint. */
  readonly changeover?: Changeover;
}

/** Parts of which something else is said than before, by their ids: those that were put in or taken out as well. */
export function changedCableRuns(
  before: HarnessNotes | undefined,
  now: HarnessNotes | undefined,
): ReadonlySet<string> {
  if (before === now) return new Set();
  const words = (notes: HarnessNotes | undefined) =>
    new Map([
      ...(notes?.parts ?? []).map((part) => [part.id, JSON.stringify(part)] as const),
      ...(notes?.runs ?? []).map((run) => [run.to, JSON.stringify(run)] as const),
    ]);
  const [was, is] = [words(before), words(now)];
  return new Set([...was.keys(), ...is.keys()].filter((id) => was.get(id) !== is.get(id)));
}
