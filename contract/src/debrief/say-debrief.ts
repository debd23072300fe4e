import {
  fixed,
  sayDuration,
  sayTime,
  type Learned,
  type LearnedName,
  type Waterfall,
  type WaterfallStep,
} from '@knapsack/core';
import { sayLeft } from '../field/say-now.js';
import type { Debrief } from './debrief.js';
import type { CameTrue } from './ended.js';

/** Steps that a person takes for one reason. */
const REASONS: readonly (readonly [string, readonly WaterfallStep[]])[] = [
  ['the hours and power worked', ['work']],
  ['the duty cycle', ['dutyCycle']],
  ['the radio’s currents', ['receive', 'keyDown']],
  ['other loads', ['otherLoads']],
  ['the sun', ['sunOffered', 'sunNotTaken']],
  ['battery losses', ['losses']],
];

/** Less than this is no reason to name, Ah. */
const WORTH_A_NAME_AH = 0.1;

/** What cost most, where more was used, or spared most: "the sun cost most, 0.6 Ah"; null where nothing did. */
export function sayReason({ plannedAh, actualAh, steps }: Waterfall): string | null {
  const more = actualAh - plannedAh;
  if (Math.abs(more) < WORTH_A_NAME_AH) return null;
  const of = (names: readonly WaterfallStep[]) =>
    steps.filter(({ what }) => names.includes(what)).reduce((sum, { ah }) => sum + ah, 0);
  const reasons = REASONS.map(([words, names]) => ({ words, ah: Math.sign(more) * of(names) }));
  const [most] = reasons.toSorted((a, b) => b.ah - a.ah);
  if (most.ah < WORTH_A_NAME_AH) return null;
  return `${most.words} ${more > 0 ? 'cost' : 'spared'} most, ${fixed(most.ah, 1)} Ah`;
}

const SURE = 0.95;

/** "It lasted: 63 % left, 58 to 68.", "It ended 4 h 00 early: …"; no more than most likely where its end is not known. */
export function sayHowItWent({
  ended: { came, earlyHours },
  lasted,
  now,
}: Pick<Debrief, 'ended' | 'lasted' | 'now'>): string {
  return `${howItWent(came, earlyHours, lasted)}: ${sayLeft(now.soc)}`;
}

function howItWent(came: CameTrue, earlyHours: number, lasted: number): string {
  const early = sayDuration(earlyHours);
  switch (came) {
    case 'leftEarly':
      return `It was left ${early} early, by choice`;
    case 'endedEarly':
      return earlyHours > 0 ? `It ended ${early} early` : `It ${likely(1 - lasted)}ended too soon`;
    case 'lasted':
      return `It ${likely(lasted)}lasted`;
    case 'notKnown':
      return lasted > 0.5 ? 'It most likely lasted' : 'It most likely ended too soon';
  }
}

const likely = (chance: number): string => (chance >= SURE ? '' : 'most likely ');

/** Where nothing is known of the end: "Nothing was entered after Sat 23:50: the rest is as planned." */
export const sayHowFar = (
  { lastKnownMs, ended }: Pick<Debrief, 'lastKnownMs' | 'ended'>,
  zone: string,
): string =>
  ended.came === 'notKnown'
    ? `Nothing was entered after ${sayTime(lastKnownMs, zone)}: the rest is as planned.`
    : '';

const LEARNED = {
  dutyCycle: 'Transmit duty cycle',
  receive: 'Receive current, of what was planned',
  keyDown: 'Transmit current, of what was planned',
  panelOutput: 'Output against label',
  sky: 'Light, of what was forecast',
  capacity: 'Capacity, of what was planned',
  resistance: 'Internal resistance, of what was planned',
} as const;

/** What it is that was learned: "Transmit duty cycle, CW", "Receive current, of what was planned, second radio". */
export function learnedWords(name: LearnedName): string {
  const [word, of] = name.split('.') as [keyof typeof LEARNED, string | undefined];
  if (of === undefined) return LEARNED[word];
  return `${LEARNED[word]}, ${word === 'dutyCycle' ? of : `${ORDINALS[Number(of)] ?? `${of}th`} radio`}`;
}

const ORDINALS = ['', 'first', 'second', 'third'];

const share = ({ mean, sd }: Learned['before']): string =>
  `${fixed(100 * mean, 0)} ± ${fixed(100 * sd, 0)} %`;

/** "34 ± 7 % before, 34 ± 4 % now". */
export const sayLearned = ({ before, after }: Learned): string =>
  `${share(before)} before, ${share(after)} now`;

/** Contacts that were left out: "1 contact is of another time than this outing and left out." */
export const sayOthers = (count: number): string =>
  `${count === 1 ? '1 contact is' : `${count} contacts are`} of another time than this outing and left out.`;
