import type { Charger, ControllerGear } from '@knapsack/contract';
import type { ChemistryName } from '@knapsack/core';
import type { GearChoice } from './gear-choice';

/** Chemistries that share a charge profile, as a controller's manual lists them. */
const PROFILES: readonly { readonly label: string; readonly of: readonly ChemistryName[] }[] = [
  { label: 'LiFePO4', of: ['lifepo4'] },
  { label: 'Li-ion', of: ['liion'] },
  { label: 'AGM', of: ['agm'] },
  { label: 'Gel', of: ['gel'] },
  { label: 'Flooded (lead-acid)', of: ['flooded'] },
  { label: 'NiMH', of: ['nimh'] },
];

/** Which chemistries a controller or a charger has a profile for, one question each. Not known until the first is answered. */
export const profileChoices = (gear: ControllerGear | Charger): readonly GearChoice[] =>
  PROFILES.map(({ label, of }) => {
    const { profiles } = gear;
    const has = profiles && of.every((chemistry) => profiles.includes(chemistry));
    return {
      label: `Profile for ${label}`,
      value: has === undefined ? '' : has ? 'yes' : 'no',
      choices: [
        ...(has === undefined ? [{ value: '', label: 'not known' }] : []),
        { value: 'yes', label: 'has one' },
        { value: 'no', label: 'has none' },
      ],
      picked: (word) => {
        const others = (profiles ?? []).filter((chemistry) => !of.includes(chemistry));
        return { ...gear, profiles: word === 'yes' ? [...others, ...of] : others };
      },
    };
  });
