import { fixed, sayTime, type Ration, type RationChoice } from '@knapsack/core';

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
