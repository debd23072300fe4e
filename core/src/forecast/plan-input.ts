import type { PackLabel } from '../battery/pack.js';
import type { SteadyLoad, WorkBlock } from '../load/load-series.js';
import type { RadioCurrents } from '../load/transmit-current.js';
import type { Span } from '../span.js';
import type { SunPlan } from '../sun/harvest.js';

/** A block of operating with the words that its sum is told in. */
export interface PlannedBlock extends WorkBlock {
  /** For example "CW 10 W". */
  readonly label: string;
}

export interface PlannedRadio {
  readonly name: string;
  readonly currents: RadioCurrents;
  /** Volts below which it shuts off or its output collapses. */
  readonly dropoutV: number;
  /** Lowest volts for full power, where known. */
  readonly fullPowerV?: number;
}

export interface PlannedPack {
  /** Name with count, for example "2 x Shale 9". */
  readonly name: string;
  readonly label: PackLabel;
  /** Largest steady and momentary discharge current, A, where the label states them. */
  readonly continuousA?: number;
  readonly peakA?: number;
}

/** A resolved plan: plain numbers, all gear looked up, every default filled in. */
export interface PlanInput {
  readonly outing: Span;
  readonly stepMs: number;
  readonly radio: PlannedRadio;
  /** Ascending, without overlap, inside the outing. */
  readonly blocks: readonly PlannedBlock[];
  readonly steady: readonly SteadyLoad[];
  readonly pack: PlannedPack;
  readonly temperatureC: number;
  readonly startSoc: number;
  readonly floorSoc: number;
  /** Lead from battery to radio, there and back, ohm. */
  readonly leadOhm: number;
  /** A panel in its place behind its controller; absent for none. */
  readonly sun?: SunPlan;
  /** Current from another source at an instant, A; absent for none. Sampled at each step's middle. */
  readonly offeredA?: (timeMs: number) => number;
  /** Names of the figures that nobody has measured or read off a sheet, in words. */
  readonly assumed: readonly string[];
}
