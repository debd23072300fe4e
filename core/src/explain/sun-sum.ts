import type { Forecast } from '../forecast/forecast.js';
import { sayTime } from '../say/time.js';
import { q, type Sum, type SumLine } from './sum.js';

/** What the sun gives, when it is best, and the load that it would carry for ever. */
export function sunSum({ verdict }: Forecast, zone: string): Sum {
  const { sun } = verdict;
  if (!sun) return { title: 'What the sun gives', lines: [] };
  const lines: SumLine[] = [
    { label: 'offered at the battery', terms: [], result: q(sun.offeredAh, 'Ah') },
    {
      label: 'used',
      terms: [q(sun.offeredAh, 'Ah'), ' − ', q(sun.curtailedAh, 'Ah'), ' that nothing takes'],
      result: q(sun.usedAh, 'Ah'),
    },
    { label: `best at ${sayTime(sun.bestMs, zone)}`, terms: [], result: q(sun.bestA, 'A') },
    { label: 'beyond the load then', terms: [], result: q(sun.bestSurplusA, 'A') },
    { label: 'at the worst by day', terms: [], result: q(sun.worstSurplusA, 'A') },
    { label: 'solar covers the load for', terms: [], result: q(sun.balanceHours, 'duration') },
  ];
  if (sun.balanceA !== null) {
    lines.push({
      label: 'would carry for ever, day and night',
      terms: [],
      result: q(sun.balanceA, 'A'),
    });
  }
  return { title: 'What the sun gives', lines };
}
