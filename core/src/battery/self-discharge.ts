import { chemistryOf, type ChemistryName } from './chemistry.js';

const DAYS_A_MONTH = 30;
const HOURS_A_MONTH = 730;

/**
 * Share of its charge that a battery of a chemistry loses in a month, 0 to 1. Source: convention of this project.
 *
 * @param kept cells made to keep their charge (low self-discharge), where there are such
 */
export function leaksAMonth(chemistry: ChemistryName, kept = false): number {
  const of = chemistryOf(chemistry);
  return kept ? (of.leaksAMonthKept ?? of.leaksAMonth) : of.leaksAMonth;
}

/**
 * State of charge after some days in store: each month takes the same share of what is left. Taken off before the start.
 *
 * @param soc when it was charged, 0 to 1
 * @param days since then, 0 or more
 */
export const socAfterStorage = (chemistry: ChemistryName, soc: number, days: number, kept = false): number =>
  soc * (1 - leaksAMonth(chemistry, kept)) ** (days / DAYS_A_MONTH);

/** Share of the stored charge that leaks away in an hour of an outing: the month's share over its 730 hours. */
export const leakAnHour = (aMonth: number): number => aMonth / HOURS_A_MONTH;
