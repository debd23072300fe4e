import type { Connector } from '../harness/connectors.js';
import type { FuseKind } from '../wire/fuses.js';

export const SEVERITIES = ['stop', 'look', 'note'] as const;
/** Stop: it would break, hurt someone or not work at all. Look: it may not work as planned. Note: good to know. */
export type Severity = (typeof SEVERITIES)[number];

/** How a severity is called in the page and in the terminal; documents and JSON keep the short names. */
export const SEVERITY_NAMES: Readonly<Record<Severity, string>> = {
  stop: 'stop',
  look: 'warning',
  note: 'note',
};

/** A change of a run; absent fields stay as they are. */
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

/** A change to a run or its part that makes a rule hold. */
export interface Remedy extends CableRunChange {
  /** For example "a 10 A fuse". */
  readonly description: string;
  /** Changes of other runs, by the ids of the parts that they lead to. */
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

/** A finding of a rule that does not hold. */
export interface Breach {
  readonly severity: Severity;
  /** A plain sentence: what is wrong and what would be right. */
  readonly sentence: string;
  /** The rule's figure and the kit's, in words. */
  readonly asks: string;
  readonly has: string;
  readonly remedy?: Remedy;
  /** Of a stop without a remedy: why there is none. */
  readonly noRemedy?: string;
}

/** A rule's answer: null if it holds, or if too little is known to check it. */
export type Answer = Breach | null;
