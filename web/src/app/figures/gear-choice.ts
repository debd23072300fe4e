import type { Gear } from '@knapsack/contract';
import type { Choice } from '../parts/choices';

/** One of a few words that says what an item is, and the item with another of them. */
export interface GearChoice<Word extends string = string> {
  readonly label: string;
  readonly value: Word | '';
  readonly choices: readonly Choice<Word>[];
  /** @param word one of the choices */
  picked(word: Word): Gear;
}

/** A choice among words of a kind of its own. */
export const among = <Word extends string>(choice: GearChoice<Word>): GearChoice => choice;

/** A question of yes and no, or of not known where nothing was said. */
export function yesNo<Item extends Gear>(
  gear: Item,
  key: keyof Item & string,
  label: string,
  [yes, no]: readonly [string, string],
): GearChoice {
  const value = gear[key];
  return {
    label,
    value: value === undefined ? '' : value ? 'yes' : 'no',
    choices: [
      ...(value === undefined ? [{ value: '', label: 'not known' }] : []),
      { value: 'yes', label: yes },
      { value: 'no', label: no },
    ],
    picked: (word) => ({ ...gear, [key]: word === 'yes' }),
  };
}
