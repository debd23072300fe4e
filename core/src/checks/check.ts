import type { Connector } from '../harness/connectors.js';
import type { FuseKind } from '../wire/fuses.js';

export const SEVERITIES = ['stop', 'look', 'note'] as const;
/** Stop: it would break, hurt someone or not work at all. Look: it may not work as planned. Note: good to know. */
export type Severity = (typeof SEVERITIES)[number];

/** What is changed of a run; what is absent stays as it is. */
export interface CableRunChange {
  /** Fuse, A, its kind, and how far from the battery, m. */
  readonly fuseA?: number;
  readonly fuseKind?: FuseKind;
  readonly fuseAtM?: number;
  readonly areaMm2?: number;
  readonly lengthM?: number;
  /** Copper instead of what it is of. */
  readonly isCopper?: true;
  /** Connectors at the end nearer the battery and at the other one. */
  readonly near?: Connector;
  readonly far?: Connector;
}

/** What is to be said of a run or its part, so that a rule is kept. */
export interface Remedy extends CableRunChange {
  /** For example "a 10 A fuse". */
  readonly words: string;
  /** What it asks of other runs, by the ids of the parts that they lead to. */
  readonly also?: readonly (CableRunChange & { readonly to: string })[];
  /** The part that it is joined to instead. */
  readonly from?: string;
  /** The radio goes from the load terminals to the battery. */
  readonly offTerminals?: true;
  /** A low-voltage disconnect goes before it. */
  readonly disconnect?: true;
  /** A change-over switch takes the place of the joint. */
  readonly changeover?: true;
  /** A fuse in each string of panels, A. */
  readonly stringFuseA?: number;
}

/** What a rule found where it is not kept. */
export interface Breach {
  readonly severity: Severity;
  /** A plain sentence: what is wrong and what would be right. */
  readonly sentence: string;
  /** The rule's figure and the kit's, in words. */
  readonly asks: string;
  readonly has: string;
  readonly remedy?: Remedy;
}

/** A rule's answer: null where it is kept or where nothing is known that it could be held against. */
export type Answer = Breach | null;
