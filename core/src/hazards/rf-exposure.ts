import type { Mode } from '../load/mode.js';

/**
 * Mean transmitted power during an over as a share of the peak. Source: FCC OET Bulletin 65, Supplement B (1997), table 2, as remembered:
 * conversational voice without processing 20 %, with heavy processing 50 %, Morse 40 %, FM, teletype and continuous digital 100 %.
 */
const MEAN_OF_PEAK: Partial<Record<Mode, number>> = { SSB: 0.2, CW: 0.4, AM: 0.5 };
const PROCESSED = 0.5;

/** Share of the peak that is sent on average while the key is down or one speaks, 0 to 1. */
export const meanOfPeak = (mode: Mode, processed: boolean): number =>
  mode === 'SSB' && processed ? PROCESSED : (MEAN_OF_PEAK[mode] ?? 1);

/**
 * Electric field that the general public may be exposed to over the whole body, as a mean over 30 minutes, V/m.
 * Source: ICNIRP (2020), Guidelines for limiting exposure to electromagnetic fields (100 kHz to 300 GHz), Health Physics 118,
 * table 5; above 2 GHz its 10 W/m2 in free space.
 *
 * @param megahertz from 0.1 to 300,000
 */
export function publicLimitVM(megahertz: number): number {
  if (megahertz <= 30) return 300 / megahertz ** 0.7;
  if (megahertz <= 400) return 27.7;
  return megahertz <= 2000 ? 1.375 * Math.sqrt(megahertz) : Math.sqrt(10 * FREE_SPACE_OHM);
}

const FREE_SPACE_OHM = 376.73;

/** The limit is the same and the lowest from 30 to 400 MHz, so one who does not say the band is told the longest distance. */
export const STRICTEST_MHZ = 50;

/** A half-wave dipole, dBi. */
export const DIPOLE_DBI = 2.15;

/** Reflection by the ground raises the field by this. Source: FCC OET Bulletin 65 (1997), section 2, as remembered. */
const GROUND = 1.6;

/** Nearer than this nobody should be, whatever the sum gives: close to an antenna the formula says too little, and it burns the hand that touches it. Source: convention of this project, m. */
export const LEAST_DISTANCE_M = 1;

/** Distances are given with half as much again, since near an antenna and over real ground the formula says too little. Source: convention of this project. */
export const EXPOSURE_MARGIN = 1.5;

/**
 * Distance from an antenna at which its field falls to a limit, m: 1.6 sqrt(30 P G) / E, in the direction in which it sends the
 * most. Source: FCC OET Bulletin 65 (1997), section 2, as remembered; not valid nearer than about a sixth of the wave.
 *
 * @param meanW power as a mean over 30 minutes, W, at least 0
 * @param gainDbi gain of the antenna over an isotropic one, dB
 * @param limitVM V/m, above 0
 */
export const exposureDistanceM = (meanW: number, gainDbi: number, limitVM: number): number =>
  (GROUND * Math.sqrt(30 * meanW * 10 ** (gainDbi / 10))) / limitVM;
