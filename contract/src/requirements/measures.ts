import { sayMoney, sayQuantity } from '@knapsack/core';
import type { Measure } from '../documents/requirements.js';

/** How a measure is told and which way is better. */
interface MeasureRule {
  readonly label: string;
  /** Less is better. */
  readonly less: boolean;
  readonly say: (value: number) => string;
  /** There or not. */
  readonly yesNo?: boolean;
}

/** What a kit can be held against. Source of what each means: convention of this project, docs/model.md. */
export const MEASURE_RULES: Readonly<Record<Measure, MeasureRule>> = {
  carriedG: { label: 'weighs at most', less: true, say: (value) => sayQuantity({ value, unit: 'g' }) },
  usableAh: { label: 'usable charge', less: false, say: (value) => sayQuantity({ value, unit: 'Ah' }) },
  whPerKg: {
    label: 'usable energy by its batteries’ weight',
    less: false,
    say: (value) => `${value.toFixed(0)} Wh/kg`,
  },
  costPerWh: { label: 'costs by usable energy', less: true, say: (value) => `${sayMoney(value, 2)} a Wh` },
  chance: { label: 'lasts in', less: false, say: (value) => `${Math.round(100 * value)} of 100` },
  hoursWithoutSun: {
    label: 'lasts without sun',
    less: false,
    say: (value) => sayQuantity({ value, unit: 'duration' }),
  },
  hoursAfterFailure: {
    label: 'on the air though any one piece fails',
    less: false,
    say: (value) => sayQuantity({ value, unit: 'duration' }),
  },
  availability: {
    label: 'available, where nobody is there',
    less: false,
    say: (value) => `${Math.round(100 * value)} % of the time`,
  },
  noise: { label: 'noise of what switches', less: true, say: (value) => `${value.toFixed(0)} S-units` },
  disconnect: {
    label: 'something disconnects an empty battery',
    less: false,
    yesNo: true,
    say: (value) => (value >= 1 ? 'yes' : 'no'),
  },
  sockets: { label: 'sockets', less: false, say: (value) => value.toFixed(0) },
  keepsDry: {
    label: 'all that rain would ruin is kept dry',
    less: false,
    yesNo: true,
    say: (value) => (value >= 1 ? 'yes' : 'no'),
  },
};
