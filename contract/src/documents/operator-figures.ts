import type { ActivityName, Mode, Source } from '@knapsack/core';
import type { Figure } from './figure.js';

/** Transmit duty cycle of an activity in a mode, 0 to 1. */
export interface DutyFigure extends Figure {
  readonly mode: Mode;
  readonly activity: ActivityName;
  /** What was planned where it was learned: a plan that says just this, or what is usual, means this figure. */
  readonly instead: number;
}

/** Mean transmit current of an over in a mode, as a share between key-up and key-down current. */
export interface MeasuredOver {
  readonly mode: Mode;
  readonly factor: number;
  readonly source: Source;
}
