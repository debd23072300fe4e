import type { Binding, Verdict } from '../forecast/verdict.js';
import { fixed, sayDuration, sayQuantity } from '../say/quantity.js';
import { sayTime } from '../say/time.js';
import type { Chance, ChanceUp } from '../chance/chance.js';
import { isBorderline } from '../chance/plan-mark.js';
import { MAX_TRIED_AH } from '../chance/would-do.js';
import { sayOdds, sayUp } from './chance-sum.js';
import type { Explained } from './explain.js';

/** A piece of the verdict sentence: words, or a figure that unfolds into its sum. */
export type SentencePart = string | { readonly text: string; readonly unfolds: Explained | 'chance' };

/** What each end point is called. */
export const BINDING_WORDS: Record<Binding, string> = {
  reserve: 'the reserve',
  radioDropout: 'the radio’s minimum supply voltage',
  cutoff: 'the battery’s cut-off',
};

/** What is known of a plan when its sentence is made. */
export interface Told {
  /** Null while no sample has been taken. */
  readonly chance: Chance | null;
  /** Below the target: the battery of this kind that would do, Ah; null where none would, undefined where nobody has looked. */
  readonly wouldDoAh?: number | null | undefined;
  /** Sentences of all stops, of the forecast and of Wire, the gravest first. */
  readonly stops?: readonly string[];
}

/** The whole answer: a stop first, then the chance, the typical outing and what is missing. Times in a time zone. */
export const planSentence = (verdict: Verdict, told: Told, zone: string): readonly SentencePart[] => [
  ...leadWithStops(told.stops ?? [], chanceSentence(told.chance)),
  ' ',
  ...verdictSentence(verdict, zone),
  ...missingSentence(told),
];

/** A stop in one clause: its sentence up to the first colon or full stop, that of "no. 2" left alone. */
export const stopClause = (sentence: string): string =>
  sentence.split(/(?<!\bno|[0-9])\. |: /)[0].replace(/\.$/, '');

/** An answer behind the stops that forbid it: "The 24 V converter would destroy Curlew 10. Energy alone: lasts in ...". */
export function leadWithStops(
  stops: readonly string[],
  answer: readonly SentencePart[],
): readonly SentencePart[] {
  if (stops.length === 0) return answer;
  const [first, ...rest] = answer;
  const more = stops.length > 1 ? ` ${stops.length} stops in all.` : '';
  const begun = typeof first === 'string' ? `${first.charAt(0).toLowerCase()}${first.slice(1)}` : first;
  return [`${stopClause(stops[0])}.${more} Energy alone: `, begun, ...rest];
}

/** Target that goes without saying. */
const USUAL_TARGET = 0.9;

/** ", target 50 %": a target other than the usual one is always named. */
export const describeTarget = (target: number): string =>
  Math.abs(target - USUAL_TARGET) < 1e-9 ? '' : `, target ${sayQuantity({ value: target, unit: 'share' })}`;

/** The chance in a sentence. */
export function chanceSentence(chance: Chance | null): readonly SentencePart[] {
  if (!chance) return ['Calculating the chance …'];
  const { availability } = chance;
  if (availability) return upSentence(chance, availability);
  const begins = chance.stopped === 'not yet' ? 'So far it lasts in ' : 'Lasts in ';
  const borderline = isBorderline(chance)
    ? `, borderline for the target of ${sayQuantity({ value: chance.target, unit: 'share' })}`
    : describeTarget(chance.target);
  return [begins, { text: sayOdds(chance), unfolds: 'chance' }, ` simulated outings${borderline}.`];
}

/** The same of gear that comes back by itself: what counts is how much of the wanted hours it is up. */
function upSentence(chance: Chance, { p50, p10, target }: ChanceUp): readonly SentencePart[] {
  const soFar = chance.stopped === 'not yet' ? 'So far up' : 'Up';
  return [
    `${soFar} for at least ${sayUp(target)} of the hours wanted in `,
    { text: sayOdds(chance), unfolds: 'chance' },
    ` simulated outings${describeTarget(chance.target)}; half reach ${sayUp(p50)}, nine in ten ${sayUp(p10)}.`,
  ];
}

/** What would do where the chance is under its target: a battery, or none alone. */
export function missingSentence({ chance, wouldDoAh }: Told): readonly SentencePart[] {
  if (!chance || wouldDoAh === undefined) return [];
  return wouldDoAh === null
    ? [` No battery of this kind up to ${MAX_TRIED_AH} Ah would do: a larger panel or less load.`]
    : [` A battery of ${wouldDoAh} Ah of this kind would do.`];
}

const spareWords = ({ marginAh }: Verdict): string => {
  const spare = Math.abs(marginAh);
  return `${fixed(spare, spare < 1 ? 2 : 1)} Ah`;
};

/** How the typical outing goes, in a sentence or two: figures of one march, which a person can check. */
export function verdictSentence(verdict: Verdict, zone: string): readonly SentencePart[] {
  const planEnd = sayTime(verdict.planEndMs, zone);
  const lowest: SentencePart = {
    text: sayQuantity({ value: verdict.lowestSoc, unit: 'share' }),
    unfolds: 'lowest',
  };
  if (verdict.plannedAh === 0) {
    return ['Nothing draws current yet. Add a block of operating in the work lane.'];
  }
  if (verdict.availability) {
    const { share, outages, longestH } = verdict.availability;
    const [count, most] = outages === 1 ? ['one outage', ' of'] : [`${outages} outages`, ', the longest'];
    return [
      'The typical one is up for ',
      { text: sayUp(share), unfolds: 'end' },
      outages === 0 ? '' : `, with ${count}${most} ${sayDuration(longestH)}`,
      '; lowest state of charge ',
      lowest,
      ` at ${sayTime(verdict.lowestMs, zone)}.`,
    ];
  }
  if (verdict.endMs === null || verdict.binds === null) {
    const atEnd = verdict.lowestMs === verdict.planEndMs;
    return [
      'The typical outing lasts past ',
      { text: planEnd, unfolds: 'end' },
      ' with ',
      { text: spareWords(verdict), unfolds: 'margin' },
      ' to spare; lowest state of charge ',
      lowest,
      atEnd ? ' at the end.' : ` at ${sayTime(verdict.lowestMs, zone)}.`,
    ];
  }
  const ends: SentencePart[] = [
    'The typical outing ends ',
    { text: sayTime(verdict.endMs, zone), unfolds: 'end' },
    ', ',
    { text: sayDuration(-verdict.marginHours), unfolds: 'margin' },
    ` too soon: ${BINDING_WORDS[verdict.binds]} comes first`,
  ];
  // Where the volts end it, charge is not what is missing.
  if (verdict.binds === 'radioDropout' && verdict.stopSoc !== null) {
    const left = sayQuantity({ value: verdict.stopSoc, unit: 'share' });
    return [...ends, ', with ', { text: left, unfolds: 'end' }, ' still in the battery.'];
  }
  return [...ends, '.'];
}

/** The same in a few words, for who hears it after each change: "11.6 Ah to spare", "ends Sun 02:00". */
export function sayOutcome(verdict: Verdict, zone: string): string {
  if (verdict.plannedAh === 0) return 'nothing draws current yet';
  if (verdict.availability) return `up for ${sayUp(verdict.availability.share)}`;
  if (verdict.endMs !== null) return `ends ${sayTime(verdict.endMs, zone)}`;
  return `${spareWords(verdict)} to spare`;
}

/** The same sentence as plain text. */
export const plainSentence = (parts: readonly SentencePart[]): string =>
  parts.map((part) => (typeof part === 'string' ? part : part.text)).join('');
