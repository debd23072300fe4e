import { WAYS_IN } from '@knapsack/contract';
import type { PackingList } from '@knapsack/contract/packing';
import type { LeftBehind } from '@knapsack/contract/what-if';
import { fixed, sayDuration, sayLasting, sayOdds, sayQuantity, sayTime, type Odds } from '@knapsack/core';

export const kilograms = (grams: number): string => sayQuantity({ value: grams, unit: 'g' });

/** How much room it takes, as far as anyone has measured. */
export const roomWords = ({ litres, limitL, unmeasured }: PackingList): string =>
  `It takes ${fixed(litres, 1)} l of the ${limitL} l that are usual${unmeasured > 0 ? `, ${unmeasured} lines not measured` : ''}.`;

/** Whether the bags close and can be carried, in one sentence. */
export function packVerdict(list: PackingList): string {
  const { grams, limitG, overG, overL, wayIn, operators, overfull, unweighed } = list;
  const many = operators === 1 ? '' : ` by ${operators} people`;
  const carried = `${WAYS_IN[wayIn].label}${many}`;
  const open = overfull.map(({ bag }) => bag.name).join(' and ');
  const unknown = unweighed > 0 ? ` ${unweighed === 1 ? 'One line' : `${unweighed} lines`} not weighed.` : '';
  if (overG > 0) {
    return `${kilograms(grams)}: ${kilograms(overG)} over the ${kilograms(limitG)} that are carried ${carried}.${unknown}`;
  }
  const fits = `${kilograms(grams)} of the ${kilograms(limitG)} that are carried ${carried}`;
  if (open) return `${fits}, but ${open} does not close.${unknown}`;
  if (overL > 0)
    return `${fits}, but it is ${fixed(overL, 1)} l more than there is usually room for.${unknown}`;
  return `${fits}: it can be carried.${unknown}`;
}

/** What the outing is without something, in one sentence. */
export function withoutWords(
  { hours, ofHours, endMs, because }: LeftBehind,
  odds: Odds | null,
  oddsPacked: Odds | null,
  timeZone: string,
): string {
  const reason = because ? ` (${because})` : '';
  if (hours === 0) return `Left at home, there is no operating at all.${reason}`;
  const chance =
    odds && oddsPacked ? ` Then it ${sayLasting(odds)}; as it is packed, in ${sayOdds(oddsPacked)}.` : '';
  if (hours >= ofHours && endMs === null)
    return `Left at home, all ${sayDuration(ofHours)} on the air are kept${reason}.${chance}`;
  const end = endMs === null ? '' : `, over at ${sayTime(endMs, timeZone)}`;
  return `Left at home, ${sayDuration(hours)} of ${sayDuration(ofHours)} on the air are left${end}${reason}.${chance}`;
}
