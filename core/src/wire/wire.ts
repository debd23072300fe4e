import { interpolate } from '../interpolate.js';

/** Resistance of copper at 20 C, ohm m, and its rise a kelvin. */
const COPPER_OHM_M = 1.724e-8;
const COPPER_PER_KELVIN = 0.00393;
/** One pair of contacts, ohm. */
const CONTACT_OHM = 0.001;
/** A blade fuse's resistance x its rated current, V. */
const FUSE_V = 0.12;
/** Resistance of copper-clad aluminium over that of copper. Source: usual figure for a tenth of copper by volume. */
const CLAD_OHM = 1.6;

/** Cross section of a wire by its AWG number, mm2: diameter 0.127 x 92^((36 - n) / 39) mm. Source: ASTM B258. */
export function areaOfAwg(awg: number): number {
  const diameterMm = 0.127 * 92 ** ((36 - awg) / 39);
  return (Math.PI / 4) * diameterMm ** 2;
}

/** A run of two wires with its contacts and fuses. */
export interface WireRun {
  readonly areaMm2: number;
  /** Length one way, m. */
  readonly runM: number;
  /** Temperature of the copper, C. */
  readonly temperatureC: number;
  readonly contactPairs: number;
  /** Rated current of each blade fuse in the loop, A. */
  readonly fusesA: readonly number[];
  /** Copper-clad aluminium instead of copper. */
  readonly isClad?: boolean;
}

/** Resistance of the wire there and back, ohm. */
export const copperOhm = ({ areaMm2, runM, temperatureC, isClad }: WireRun): number =>
  ((isClad ? CLAD_OHM : 1) * COPPER_OHM_M * (1 + COPPER_PER_KELVIN * (temperatureC - 20)) * 2 * runM) /
  (areaMm2 * 1e-6);

/** Resistance of the whole loop, contacts and fuses included, ohm. */
export const loopOhm = (run: WireRun): number =>
  copperOhm(run) +
  run.contactPairs * CONTACT_OHM +
  run.fusesA.reduce((sum, ratedA) => sum + FUSE_V / ratedA, 0);

/** Conservative free-air figures, A. Source: convention of this project, docs/model.md. */
const AMPACITY_BY_AWG: Readonly<Record<number, number>> = {
  20: 6,
  18: 10,
  16: 15,
  14: 20,
  12: 30,
  10: 45,
  8: 60,
  6: 80,
  4: 115,
  2: 150,
};
const AMPACITY_MM2 = [0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35] as const;
const AMPACITY_A = [6, 9, 12, 17, 25, 35, 47, 62, 98, 129, 158] as const;

/** Once, when bundled or in surroundings above 40 C. */
const CROWDED = 0.8;
const HOT_C = 40;

/** A wire by its AWG number, where it has one, else by its cross section. */
export interface WireSize {
  readonly awg: number | null;
  readonly areaMm2: number;
  readonly isClad?: boolean;
}

/**
 * Current that a wire may carry, A. A size between two of the table gets the smaller one's; one below the table a
 * share of the smallest, straight to nothing.
 */
export function ampacity({ awg, areaMm2, isClad }: WireSize, temperatureC: number, bundled: boolean): number {
  const copper = (awg !== null && AMPACITY_BY_AWG[awg]) || freeAirByArea(areaMm2);
  // The same heat with 1.6 times the resistance.
  const free = isClad ? copper / Math.sqrt(CLAD_OHM) : copper;
  return bundled || temperatureC > HOT_C ? free * CROWDED : free;
}

function freeAirByArea(areaMm2: number): number {
  // A hair of slack, so that 0.5 mm2 computed is 0.5 mm2.
  const index = AMPACITY_MM2.findLastIndex((size) => size <= areaMm2 * 1.000001);
  return index === -1 ? interpolate([0, AMPACITY_MM2[0]], [0, AMPACITY_A[0]], areaMm2) : AMPACITY_A[index];
}
