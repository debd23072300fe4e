import { chemistryOf, type ChemistryName } from './chemistry.js';

/** Hours of a month, as self-discharge is counted. */
const MONTH_H = 730;
const DAY_H = 24;

/**
 * Days until a battery that is left with something joined to it is empty: dQ/dt = -I - k Q, so t = ln(1 + k Q / I) / k with k
 * the self-discharge, which every chemistry has. Source: the linear differential equation itself.
 *
 * @param storedAh charge in it, Ah
 * @param standbyA what stays joined takes, A, above 0
 */
export function daysUntilEmpty(storedAh: number, standbyA: number, chemistry: ChemistryName): number {
  const perHour = chemistryOf(chemistry).leaksAMonth / MONTH_H;
  return Math.log1p((perHour * storedAh) / standbyA) / perHour / DAY_H;
}
