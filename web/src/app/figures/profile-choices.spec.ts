import type { ControllerGear } from '@knapsack/contract';
import { profileChoices } from './profile-choices';

const rill: ControllerGear = {
  schema: 'knapsack.gear',
  version: 8,
  id: 'rill',
  kind: 'controller',
  name: 'Rill',
  type: 'mppt',
  maxA: { value: 8, source: 'datasheet' },
};
const answer = (gear: ControllerGear, label: string, word: string) =>
  profileChoices(gear)
    .find((choice) => choice.label === `Profile for ${label}`)!
    .picked(word) as ControllerGear;

describe('the profiles of a controller', () => {
  it('are not known until one is answered, and then all others are none', () => {
    expect(profileChoices(rill).every(({ value }) => value === '')).toBeTrue();
    const iron = answer(rill, 'LiFePO4', 'yes');
    expect(iron.profiles).toEqual(['lifepo4']);
    expect(profileChoices(iron).map(({ value }) => value)).toEqual(['yes', 'no', 'no', 'no', 'no', 'no']);
  });

  it('are added and taken away one by one, down to none', () => {
    const both = answer(answer(rill, 'LiFePO4', 'yes'), 'AGM', 'yes');
    expect(both.profiles).toEqual(['lifepo4', 'agm']);
    expect(answer(both, 'LiFePO4', 'no').profiles).toEqual(['agm']);
    expect(answer(rill, 'NiMH', 'no').profiles).toEqual([]);
  });
});
