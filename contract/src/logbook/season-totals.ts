import type { OutingRow } from './outing-row.js';

/** What many outings come to. */
export interface Totals {
  readonly outings: number;
  readonly onAirHours: number;
  /** Of those where somebody counted. */
  readonly contacts: number;
  readonly plannedAh: number;
  readonly usedAh: number;
  /** Of what the loads took, 0 to 1; null where no outing had a panel. */
  readonly sunShare: number | null;
}

/** The totals of some outings. */
export function totalsOf(rows: readonly OutingRow[]): Totals {
  const sum = (valueOf: (row: OutingRow) => number) => rows.reduce((all, row) => all + valueOf(row), 0);
  const sunny = rows.filter(({ sunShare }) => sunShare !== null);
  const ofSun = sunny.reduce((all, { usedAh }) => all + usedAh, 0);
  const bySun = sunny.reduce((all, { usedAh, sunShare }) => all + usedAh * sunShare!, 0);
  return {
    outings: rows.length,
    onAirHours: sum(({ onAirHours }) => onAirHours),
    contacts: sum(({ contacts }) => contacts ?? 0),
    plannedAh: sum(({ plannedAh }) => plannedAh),
    usedAh: sum(({ usedAh }) => usedAh),
    sunShare: ofSun > 0 ? bySun / ofSun : null,
  };
}

/** The totals by the year in which outings began, the newest first. */
export function totalsByYear(rows: readonly OutingRow[]): readonly (Totals & { readonly year: number })[] {
  const yearOf = ({ startMs }: OutingRow) => new Date(startMs).getUTCFullYear();
  const years = [...new Set(rows.map(yearOf))].sort((a, b) => b - a);
  return years.map((year) => ({ year, ...totalsOf(rows.filter((row) => yearOf(row) === year)) }));
}
