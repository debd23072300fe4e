import type { MarkKind } from '@knapsack/contract/bench';
import type { MeterScript } from '@knapsack/core';

export type MeterState =
  { readonly is: 'idle' } | { readonly is: 'reading' } | { readonly is: 'stopped'; readonly why: string };

/** How the simulated meter is asked. */
export interface MeterChoice {
  readonly script: MeterScript;
  readonly powerW: number;
  readonly rate: number;
  readonly faster: number;
}

/** What a recording was read by. */
export interface Origin {
  readonly words: string;
  /** Read from the simulated meter: never saved as measured. */
  readonly isSimulated?: true;
  /** The power that a radio was set to meanwhile, W. */
  readonly powerW?: number;
}

/** What a freshly marked segment most likely is, by what the radio was asked to do. */
export const LIKELY_KINDS: Readonly<Record<MeterScript, MarkKind>> = {
  receive: 'receive',
  keyDown: 'keyDown',
  voice: 'SSB',
  cw: 'CW',
  slots: 'FT8',
  beacons: 'PKT',
};
