import { ACTIVITIES, fixed, type MeanAndSpread } from '@knapsack/core';
import { FIELDS, type FieldName } from '../fields/fields.js';
import { sayNumber } from '../fields/number-field.js';
import type { Correction } from './corrections.js';
import type { LearnedPlace } from './learned-figures.js';

const FIELD_OF: Readonly<Record<LearnedPlace['at'], FieldName>> = {
  ...{ receiveA: 'receiveA', receiveByEarA: 'receiveA', transmit: 'transmitA' },
  ...{ truth: 'truth', measuredAh: 'measuredAh', health: 'health', resistanceOhm: 'resistanceOhm' },
  duty: 'share',
};

/** Within so many standard deviations lie four of five cases of a normal law. */
export const MIDDLE_80 = 1.2816;

const sayValue = ({ at }: LearnedPlace, value: number): string => {
  const field = FIELDS[FIELD_OF[at]];
  const most = field.max ?? Infinity;
  const within = Math.min(most, Math.max(0, value));
  // Nobody knows a share better than to the per cent.
  return sayNumber(field, field.unit === '%' ? Math.round(100 * within) / 100 : within, 3);
};

/** What was learned, with what was taken for so before: "Curlew 10: the receive current is 0.17 A, not 0.14 A." */
export function sayCorrection({ place, before, after }: Correction, name: string): string {
  const [now, was] = [after, before].map(({ mean }) => sayValue(place, mean));
  const not = now === was ? `${now}, as planned` : `${now}, not ${was}`;
  switch (place.at) {
    case 'receiveA':
      return `${name}: the receive current is ${not}.`;
    case 'receiveByEarA':
      return `${name}: the receive current at normal volume is ${not}.`;
    case 'transmit':
      return `${name}: the transmit current at ${fixed(place.rfW, place.rfW < 1 ? 1 : 0)} W is ${not}.`;
    case 'truth':
      return `${name} gives ${not}, of what its label says.`;
    case 'measuredAh':
      return `${name} holds ${not}.`;
    case 'health':
      return `${name} has a state of health of ${not}.`;
    case 'resistanceOhm':
      return `${name} has an internal resistance of ${not}.`;
    case 'duty':
      return `${place.mode}, ${ACTIVITIES[place.activity].label}: the transmit duty cycle is ${not}.`;
  }
}

/** "0.16 to 0.18 A": where it lies in four of five cases. */
export function sayMiddle({ place }: Pick<Correction, 'place'>, { mean, sd }: MeanAndSpread): string {
  const [low, high] = [-MIDDLE_80, MIDDLE_80].map((off) => sayValue(place, mean + off * sd));
  const unit = / [^ ]+$/.exec(high)?.[0] ?? '';
  return `${low.endsWith(unit) ? low.slice(0, low.length - unit.length) : low} to ${high}`;
}

/** Shares of a figure to which it is known. */
const SURE = 0.03;
const FAIRLY_SURE = 0.08;

/** How sure it is, in a word. */
export function saySure({ mean, sd }: MeanAndSpread): 'sure' | 'fairly sure' | 'not sure' {
  const share = mean > 0 ? sd / mean : Infinity;
  return share <= SURE ? 'sure' : share <= FAIRLY_SURE ? 'fairly sure' : 'not sure';
}
