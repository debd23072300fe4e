import { fixed, sayQuantity, type Waterfall, type WaterfallStep } from '@knapsack/core';

/** Why more or less was used, as a person says it. */
export const WATERFALL_WORDS: Readonly<Record<WaterfallStep, string>> = {
  work: 'hours and power worked',
  dutyCycle: 'transmit duty cycle',
  receive: 'receive current',
  keyDown: 'transmit current',
  otherLoads: 'other loads',
  sunOffered: 'what the sun offered',
  sunNotTaken: 'sun that was not taken',
  chargers: 'what chargers brought',
  losses: 'battery losses',
  rest: 'not explained',
};

/** Smaller steps are none that a person would look for, Ah. */
const WORTH_A_LINE_AH = 0.005;

const ah = (value: number): string => sayQuantity({ value, unit: 'Ah' });

/** "Planned 6.2 Ah out of the battery, actual 7.4 Ah: 1.2 Ah more." */
export function sayDifference({ plannedAh, actualAh }: Waterfall): string {
  const more = actualAh - plannedAh;
  const how =
    Math.abs(more) < WORTH_A_LINE_AH
      ? 'as planned'
      : `${fixed(Math.abs(more), 2)} Ah ${more > 0 ? 'more' : 'less'}`;
  return `Planned ${ah(plannedAh)} out of the battery, actual ${ah(actualAh)}: ${how}.`;
}

/** The steps that are worth a line: "transmit duty cycle: 0.8 Ah more". */
export const sayWaterfall = ({ steps }: Waterfall): readonly string[] =>
  steps
    .filter((step) => Math.abs(step.ah) >= WORTH_A_LINE_AH)
    .map(
      (step) =>
        `${WATERFALL_WORDS[step.what]}: ${fixed(Math.abs(step.ah), 2)} Ah ${step.ah > 0 ? 'more' : 'less'}`,
    );
