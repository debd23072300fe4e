import { outcomeRated, type Forecast } from '../forecast/forecast.js';
import { RATING_NAMES, RATINGS } from '../load/rating.js';
import { sayTime } from '../say/time.js';
import { q, type Sum } from './sum.js';

/** The same plan by all three ratings, side by side. */
export function ratingsSum(run: Forecast, zone: string): Sum {
  const { plan, verdict } = run;
  return {
    title: 'Three ways to rate the load',
    lines: RATING_NAMES.map((rating) => {
      const { endMs, marginAh, plannedAh } = rating === plan.rating ? verdict : outcomeRated(run, rating);
      return {
        label: `${RATINGS[rating].label}${rating === plan.rating ? ', taken here' : ''}`,
        terms: [
          'draws ',
          q(plannedAh, 'Ah'),
          endMs === null ? ', lasts with ' : ', lacks ',
          q(Math.abs(marginAh), 'Ah'),
        ],
        result: endMs === null ? 'lasts' : sayTime(endMs, zone),
      };
    }),
    remark: `${RATING_NAMES.map((rating) => `${capital(RATINGS[rating].label)}: ${RATINGS[rating].about}`).join('. ')}.`,
  };
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
