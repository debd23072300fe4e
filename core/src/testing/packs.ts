import type { ChemistryName } from '../battery/chemistry.js';
import type { PackLabel } from '../battery/pack.js';

/** Reads "lifepo4_4s", "liion_3s", "agm" ... of the reference files, with the count of cells where the file gives one. */
export function referenceLabel(
  chemistry: string,
  ratedAh: number,
  health: number,
  cells?: number,
): PackLabel {
  const [name, series] = chemistry.split('_') as [ChemistryName, string | undefined];
  const cellsInSeries = cells ?? (series ? Number(series[0]) : 6);
  return { chemistry: name, cellsInSeries, ratedAh, health };
}
