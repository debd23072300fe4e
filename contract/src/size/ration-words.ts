import { fixed, sayChance, sayTime, type Ration, type RationChoice } from '@knapsack/core';

/** A line of the table to take along. */
export interface RationRule {
  readonly startMs: number;
  readonly when: string;
  readonly words: string;
}

const percent = (share: number): string => `${fixed(share * 100, 0)} %`;

export const sayRationChoice = (choice: RationChoice | null): string =>
  choice ? `${choice.powerW} W (${percent(choice.share)})` : 'off';

/** The table to take along: by the hour and the charge in the battery, the power and the share on transmit. */
export const rationRules = ({ hours }: Ration, zone: string): readonly RationRule[] =>
  hours
    .filter(({ rules }) => rules.length > 0)
    .map(({ startMs, rules }) => ({
      startMs,
      when: sayTime(startMs, zone),
      words: rules
        .map(({ fromSoc, choice }, index) => {
          const words = sayRationChoice(choice);
          if (rules.length === 1) return words;
          return index === 0
            ? `below ${percent(rules[1].fromSoc)}: ${words}`
            : `from ${percent(fromSoc)}: ${words}`;
        })
        .join(' · '),
    }));

/** How often a ration holds, both ways to follow it, and what keeps it from its target, in sentences. */
export function sayRationOdds(found: Ration, isUnattended: boolean): readonly string[] {
  const { odds, blindOdds, plannedOdds, target, binds } = found;
  if (isUnattended) {
    return binds === 'nothing'
      ? [`No single setting helps: even the lowest keeps up in ${sayChance(odds)} of simulated outings.`]
      : [
          `One setting for the whole outing, since nobody is there: it keeps up in ${sayChance(odds)} of simulated outings, the plan in ${sayChance(plannedOdds)}.`,
        ];
  }
  return [
    `Read the state of charge each hour and follow the table: it stays above the reserve in ${sayChance(odds)} of simulated outings.`,
    `Following the schedule without checking the battery: ${sayChance(blindOdds)}. The plan as it is: ${sayChance(plannedOdds)}.`,
    ...(binds === null ? [] : [BINDS[binds](percent(target))]),
  ];
}

const BINDS: Record<NonNullable<Ration['binds']>, (target: string) => string> = {
  ceilings: (target) => `It is surer than ${target}, since it asks for no more than was planned.`,
  steps: (target) =>
    `It is surer than ${target}, since the next step of power or duty cycle would be too much.`,
  single: (target) => `It is surer than ${target}, since one setting has to do.`,
  nothing: (target) => `Nothing reaches ${target}: this is the surest.`,
};
