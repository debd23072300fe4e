import { WAYS_IN } from '@knapsack/contract';
import type { PackList } from '@knapsack/contract/pack';
import type { LeftBehind } from '@knapsack/contract/what-if';
import { sayDuration, sayOdds, sayQuantity, sayTime, type Odds } from '@knapsack/core';

export const kilograms = (grams: number): string => sayQuantity({ value: grams, unit: 'g' });

/** Whether the bags close and can be carried, in one sentence. */
export function packVerdict({
  grams,
  limitG,
  overG,
  wayIn,
  operators,
  overfull,
  unweighed,
}: PackList): string {
  const many = operators === 1 ? '' : ` by ${operators} people`;
  const carried = `${WAYS_IN[wayIn].label}${many}`;
  const open = overfull.map(({ bag }) => bag.name).join(' and ');
  const unknown =
    unweighed > 0 ? ` ${unweighed === 1 ? 'One line' : `${unweighed} lines`} nobody has weighed.` : '';
  if (overG > 0) {
    return `${kilograms(grams)}: ${kilograms(overG)} over the ${kilograms(limitG)} that are carried ${carried}.${unknown}`;
  }
  const fits = `${kilograms(grams)} of the ${kilograms(limitG)} that are carried ${carried}`;
  return open ? `${fits}, but ${open} does not close.${unknown}` : `${fits}: it can be carried.${unknown}`;
}

/** What the outing is without something, in one sentence. */
export function withoutWords(
  { hours, ofHours, endMs, because }: LeftBehind,
  odds: Odds | null,
  oddsPacked: Odds | null,
  timeZone: string,
): string {
  const reason = because ? ` (${because})` : '';
  if (hours === 0) return `Left at home, nobody is on the air.${reason}`;
  const chance = odds && oddsPacked ? ` Then ${sayOdds(odds)}; as it is packed, ${sayOdds(oddsPacked)}.` : '';
  if (hours >= ofHours && endMs === null) return `Left at home, the sum stays as it is${reason}.${chance}`;
  const end = endMs === null ? '' : `, over at ${sayTime(endMs, timeZone)}`;
  return `Left at home, ${sayDuration(hours)} of ${sayDuration(ofHours)} on the air are left${end}${reason}.${chance}`;
}
