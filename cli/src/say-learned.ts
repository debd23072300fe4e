import { fixed, type Learned, type LearnedName } from '@knapsack/core';

/** What an outing taught of something, in a line. */
export const sayLearned = (name: LearnedName, { before, after }: Learned): string =>
  `${LEARNED[wordOf(name)]}${modeOf(name)}: ${sayShare(before)} before, ${sayShare(after)} now.`;

const sayShare = ({ mean, sd }: { mean: number; sd: number }): string =>
  `${fixed(100 * mean, 0)} ± ${fixed(100 * sd, 0)} %`;

const LEARNED = {
  dutyCycle: 'Transmit duty cycle',
  receive: 'Receive current, of what was planned',
  keyDown: 'Transmit current, of what was planned',
  panelOutput: 'Output against label',
  sky: 'Light, of what was forecast',
  capacity: 'Capacity, of what was planned',
  resistance: 'Internal resistance, of what was planned',
} as const;

const wordOf = (name: LearnedName) => name.split('.')[0] as keyof typeof LEARNED;
const modeOf = (name: LearnedName): string => {
  const [, mode] = name.split('.');
  return mode ? `, ${mode}` : '';
};
