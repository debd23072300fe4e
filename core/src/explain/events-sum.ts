import type { Forecast } from '../forecast/forecast.js';
import { EVENTS } from '../forecast/events.js';
import { sayTime } from '../say/time.js';
import type { Sum } from './sum.js';

/** What happens when. */
export function eventsSum({ verdict }: Forecast, zone: string): Sum {
  return {
    title: 'Events',
    lines: verdict.events.map(({ kind, timeMs, pack }) => ({
      label: pack ? `${EVENTS[kind]}, ${pack}` : EVENTS[kind],
      terms: [],
      result: sayTime(timeMs, zone),
    })),
  };
}
