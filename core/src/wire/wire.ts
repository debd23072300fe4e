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

/**
 * Continuous current of one copper core in free air, PVC at 70 C in air of 30 C, by cross section, mm2 and A.
 * Source: DIN VDE 0298-4:2013, table 11, column 2. 0.5 mm2 is not in the table; it is scaled by its area.
 */
const AMPACITY_MM2 = [0, 0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50] as const;
const AMPACITY_A = [0, 10, 15, 19, 24, 32, 42, 54, 73, 98, 129, 158, 198] as const;

/** Share of the current for cables in a bundle, coiled up or in a closed box. Source: DIN VDE 0298-4:2013, table 21, two circuits. */
const BUNDLED = 0.8;
/** Temperature of the conductor that PVC stands, and of the air that the table is made for, C. Source: DIN VDE 0298-4:2013, table 17. */
const INSULATION_C = 70;
const TABLE_AIR_C = 30;

/** Share of the current in air of a temperature, C: the heat that the wire can give off, 1 up to 30 C and 0 from 70 C. */
const heatDerating = (airC: number): number =>
  Math.sqrt(Math.min(1, Math.max(0, (INSULATION_C - airC) / (INSULATION_C - TABLE_AIR_C))));

/** A wire by its AWG number, where it has one, else by its cross section. */
export interface WireSize {
  readonly awg: number | null;
  readonly areaMm2: number;
  readonly isClad?: boolean;
}

/**
 * Current that a wire may carry, A: linear in the cross section between two of the table, the largest of the table beyond it.
 *
 * @param airC temperature around the wire, C
 * @param bundled with others, coiled up or in a closed box
 */
export function ampacity({ areaMm2, isClad }: WireSize, airC: number, bundled: boolean): number {
  const copper = interpolate(AMPACITY_MM2, AMPACITY_A, areaMm2);
  // The same heat with 1.6 times the resistance.
  const free = isClad ? copper / Math.sqrt(CLAD_OHM) : copper;
  return free * heatDerating(airC) * (bundled ? BUNDLED : 1);
}
