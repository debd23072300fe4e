import type { Forecast } from '../forecast/forecast.js';
import { SCHOOLS } from '../forecast/schools.js';
import { sayTime } from '../say/time.js';
import { shareQuantity, q, type Sum } from './sum.js';

/** What each school calls usable, read off the same run. */
export function schoolsSum({ packs, verdict }: Forecast, zone: string): Sum {
  const givesAh = packs.reduce((sum, { deliverableAh }) => sum + deliverableAh, 0);
  return {
    title: 'Three ways to count usable capacity',
    lines: verdict.schools.map(({ school, toSoc, usableAh, endMs }) => ({
      label: SCHOOLS[school],
      terms:
        packs.length === 1
          ? ['(100 % − ', shareQuantity(toSoc), ') × ', q(givesAh, 'Ah'), ' = ', q(usableAh, 'Ah')]
          : [q(usableAh, 'Ah')],
      result: endMs === null ? 'past the end' : sayTime(endMs, zone),
    })),
    remark: 'One run answers all three: it goes on past the reserve until the battery cuts off.',
  };
}
