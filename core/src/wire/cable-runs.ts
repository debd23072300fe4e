import { loopOhm, type WireRun, type WireSize } from './wire.js';

/** The runs of an outing's harness, in the order in which the current flows. */
export const CABLE_RUNS = {
  panel: { label: 'panel to controller', most: 0.03 },
  controller: { label: 'controller to battery', most: 0.02 },
  distribution: { label: 'battery to distribution', most: 0.02 },
  radio: { label: 'distribution to radio', most: 0.02 },
} as const;

export type CableRunName = keyof typeof CABLE_RUNS;

export const CABLE_RUN_NAMES = Object.keys(CABLE_RUNS) as readonly CableRunName[];

/** A cable in its place: its resistance, and what it is made of where that is known. */
export interface PlannedCable {
  readonly name: string;
  /** There and back, contacts and fuses included, ohm. */
  readonly ohm: number;
  readonly made?: MadeOf;
}

/** What a cable is made of. */
export interface MadeOf {
  readonly size: WireSize;
  /** One way, m. */
  readonly lengthM: number;
  readonly contactPairs: number;
  /** Rated current of each blade fuse in it, A. */
  readonly fusesA: readonly number[];
  /** What its connectors may carry, A. */
  readonly connectorA: number;
  readonly bundled: boolean;
}

/** The cables of a plan; null where a run has none of its own. */
export type Wiring = Readonly<Record<CableRunName, PlannedCable | null>>;

export const NO_WIRING: Wiring = { panel: null, controller: null, distribution: null, radio: null };

/** Resistance of a cable there and back, ohm, at a temperature of its copper. */
export const cableOhm = (made: MadeOf, temperatureC: number): number => loopOhm(asRun(made, temperatureC));

const asRun = (made: MadeOf, temperatureC: number): WireRun => ({
  areaMm2: made.size.areaMm2,
  isClad: made.size.isClad ?? false,
  runM: made.lengthM,
  temperatureC,
  contactPairs: made.contactPairs,
  fusesA: made.fusesA,
});

/** The currents through a run, A, and the volts that it is fed with. */
export interface CableRunCurrents {
  /** On average while it carries anything. */
  readonly meanA: number;
  /** While the key is down, or in the best hour of sun. */
  readonly mostA: number;
  /** The largest that it must be safe for: the sheet's own maximum. */
  readonly safeForA: number;
  readonly feedV: number;
}
