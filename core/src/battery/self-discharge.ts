import { chemistryOf, type ChemistryName } from './chemistry.js';

const DAYS_A_MONTH = 30;

/**
 * State of charge after some days in store: each month takes the same share of what is left. Taken off before the start;
 * over an outing it does not count. Source of the shares: design model, section 2.
 *
 * @param soc when it was charged, 0 to 1
 * @param days since then, 0 or more
 * @param kept cells made to keep their charge (low self-discharge), where the chemistry has such
 */
export function socAfterStorage(chemistry: ChemistryName, soc: number, days: number, kept = false): number {
  const { leaksAMonth, leaksAMonthKept } = chemistryOf(chemistry);
  const leak = kept ? (leaksAMonthKept ?? leaksAMonth) : leaksAMonth;
  return soc * (1 - leak) ** (days / DAYS_A_MONTH);
}
