import { outcomeRated, type Forecast } from '../forecast/forecast.js';
import { ASSUMPTION_NAMES, ASSUMPTIONS } from '../load/assumption.js';
import { sayTime } from '../say/time.js';
import { q, type Sum } from './sum.js';

/** The same plan under all three assumptions, side by side. */
export function assumptionsSum(run: Forecast, zone: string): Sum {
  const { plan, verdict } = run;
  return {
    title: 'Consumption, by what is assumed',
    lines: ASSUMPTION_NAMES.map((assumption) => {
      const { endMs, marginAh, plannedAh } =
        assumption === plan.assumption ? verdict : outcomeRated(run, assumption);
      return {
        label: `${ASSUMPTIONS[assumption].label}${assumption === plan.assumption ? ', taken here' : ''}`,
        terms: [
          'takes ',
          q(plannedAh, 'Ah'),
          endMs === null ? ', lasts with ' : ', lacks ',
          q(Math.abs(marginAh), 'Ah'),
        ],
        result: endMs === null ? 'lasts' : sayTime(endMs, zone),
      };
    }),
    remark: `${ASSUMPTION_NAMES.map((assumption) => `${capital(ASSUMPTIONS[assumption].label)}: ${ASSUMPTIONS[assumption].about}`).join('. ')}.`,
  };
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
