import {
  fixed,
  MONTH_NAMES,
  sayDuration,
  sayOdds,
  sayTime,
  sayUp,
  type ChanceUp,
  type MonthOfLoad,
  type Quantity,
  type Sum,
  type SumLine,
} from '@knapsack/core';
import { cableRunFlows } from '../harness/cable-run-flows.js';
import type { ReportedCableRun } from '../harness/harness-report.js';
import type { Failure } from './failures.js';
import type { LeftAlone } from './left-alone.js';

const hours = (value: number): Quantity => ({ value, unit: 'duration' });

/** What the plan still achieves if one thing fails, a line each. */
export function failuresSum(found: readonly Failure[], zone: string): Sum {
  return {
    title: 'If any one thing fails at the start',
    lines: found.map(({ name, hours: left, ofHours, endMs, because }): SumLine => ({
      label: name,
      terms: [hours(left), ' of ', hours(ofHours), ' on the air', ...(because ? [`, ${because}`] : [])],
      result:
        left === 0 && ofHours > 0 ? 'off the air' : endMs === null ? 'lasts' : `ends ${sayTime(endMs, zone)}`,
    })),
    remark: 'One piece at a time, from the start on; of several of a kind one.',
  };
}

/** How the mean load would go on with nobody there, without sun and month by month. */
export function aloneSum({ meanA, darkDays, months, worst }: LeftAlone): Sum {
  const lines: SumLine[] = [
    {
      label: 'without any sun, from full',
      terms: [{ value: meanA, unit: 'A' }, ' day and night'],
      result: sayDays(darkDays),
    },
    ...months.map((month): SumLine => ({
      label: `${MONTH_NAMES[month.month - 1]}${month.month === worst?.month ? ', the worst' : ''}`,
      ...(month.availability ? upOver(month, month.availability) : chargeOver(month)),
    })),
  ];
  return { title: 'Running unattended at its mean load', lines, remark: remarkOn(months) };
}

function remarkOn(months: readonly MonthOfLoad[]): string {
  if (months.length === 0) return 'Without a panel no month is carried by the sun.';
  return months.some(({ availability }) => availability)
    ? 'Each month is simulated 60 times under its climate, 28 days from full: half of them are up for the share on the right.'
    : months.some(({ odds }) => odds)
      ? 'Each month is simulated 60 times under its climate, 28 days from full.'
      : 'Each month under its usual sky, ten days from full. Darker days may still end it.';
}

const balanceOf = ({ surplusAh }: MonthOfLoad): SumLine['terms'] => [
  `${surplusAh < 0 ? 'lacks' : 'has over'} `,
  { value: Math.abs(surplusAh), unit: 'Ah' },
  ' a day',
];

/** A month of a load that does not come back by itself: by its odds, without a climate by the usual sky. */
function chargeOver(month: MonthOfLoad): Pick<SumLine, 'terms' | 'result'> {
  const { lasts, endsAfterDays, lowestSoc, odds } = month;
  if (odds) {
    return { terms: balanceOf(month), result: `lasts the month in ${sayOdds(odds)}` };
  }
  return {
    terms: [...balanceOf(month), ', lowest ', { value: lowestSoc, unit: 'share' }],
    result: lasts
      ? 'lasts under the usual sky'
      : endsAfterDays === null
        ? 'runs down slowly'
        : `ends after ${sayDays(endsAfterDays)}`,
  };
}

/** A month of a load that comes back by itself: by its availability alone, since no usual sky says how it ends. */
function upOver(
  month: MonthOfLoad,
  { p50, p10, outages, longestH }: ChanceUp,
): Pick<SumLine, 'terms' | 'result'> {
  const down =
    outages === 0
      ? ''
      : `, ${outages} ${outages === 1 ? 'outage' : 'outages'}, the longest ${sayDuration(longestH)}`;
  return {
    terms: [...balanceOf(month), `; nine in ten up ${sayUp(p10)}${down}`],
    result: `up ${sayUp(p50)}`,
  };
}

const FLOW_WORDS = {
  charging: 'charging on average',
  'best hour': 'charging in the best hour',
  receive: 'receive',
  'key down': 'key down',
} as const;

/** What each cable loses, at the currents that Wire shows, and the fuse that it wants. */
export function cableRunsSum(runs: readonly ReportedCableRun[]): Sum {
  const amps = (value: number): Quantity => ({ value, unit: 'A' });
  const lines = runs.flatMap((run): readonly SumLine[] => {
    const { label, ohm, safeForA, ampacityA, wantsA } = run;
    if (ohm === null) return [{ label, terms: [], result: 'not entered' }];
    return [
      ...cableRunFlows(run).map(({ what, amps: flowing, dropV }): SumLine => ({
        label: `${label}, ${FLOW_WORDS[what]}`,
        terms: [amps(flowing), ' × ', { value: ohm, unit: 'ohm' }],
        result: { value: dropV!, unit: 'V' },
      })),
      {
        label: 'must be safe for, and may carry',
        terms: [amps(safeForA), ...(ampacityA === null ? [] : [' of ', amps(ampacityA)])],
        result: wantsA === null ? 'no fuse fits this wire' : `fuse ${wantsA} A`,
      },
    ];
  });
  return {
    title: 'What the cables lose',
    lines,
    remark:
      'Fuse each battery in its positive cable, within 20 cm (8 in) of the terminal. Local codes and licensed practice go first.',
  };
}

const sayDays = (days: number): string =>
  days === Infinity ? 'more than 60 days' : days < 2 ? sayDuration(days * 24) : `${fixed(days, 1)} days`;
