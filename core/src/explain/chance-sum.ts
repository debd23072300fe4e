import type { Chance, Odds } from '../chance/chance.js';
import type { Tornado } from '../chance/tornado.js';
import { sayQuantity } from '../say/quantity.js';
import { sayTime } from '../say/time.js';
import { percent, q, type Sum, type SumLine } from './sum.js';

/** "87 of 100 draws finish": in hundredths, unless all or none do. */
export function sayOdds({ chance, draws, finished }: Odds): string {
  if (finished === draws) return `all of ${draws} draws finish`;
  if (finished === 0) return `none of ${draws} draws finishes`;
  return `${Math.min(99, Math.max(1, Math.round(chance * 100)))} of 100 draws finish`;
}

/** A chance in whole percent; "all" and "none" only where it is so, since no number of draws makes a certainty. */
export function sayChance({ chance, draws, finished }: Odds): string {
  if (finished === draws) return 'all draws';
  if (finished === 0) return 'no draw';
  return `${Math.min(99, Math.max(1, Math.round(chance * 100)))} %`;
}

const STOPPED: Record<Chance['stopped'], string> = {
  sure: 'enough: the error is under one percent',
  limit: 'the limit was reached before the error was under one percent',
  'not yet': 'still drawing',
};

/** What a chance means and how sure it is itself, and what matters most. */
export function chanceSum(chance: Chance, tornado: Tornado | null, zone: string): Sum {
  const { finished, draws, standardError, stopped, endMs } = chance;
  const lines: SumLine[] = [
    {
      label: 'Draws that reach the end above the reserve, on the air',
      terms: [`${finished} / ${draws} = `, percent(chance.chance)],
      result: `± ${sayQuantity(percent(standardError))}`,
    },
    { label: 'Draws so far', terms: [STOPPED[stopped]], result: String(draws) },
    ...(endMs === null
      ? []
      : [{ label: 'The unlucky ones end, the middle of them', terms: [], result: sayTime(endMs, zone) }]),
    ...(tornado ? swingLines(tornado) : []),
  ];
  return {
    title: 'The chance that it lasts',
    lines,
    remark:
      'Each draw is this outing with another sky, other shares on transmit, and figures of the gear as far off as their sources may be. It says how often such an outing lasts if the figures are of the kind they claim to be; a broken lead, a thief or a longer stay are not in it.',
  };
}

function swingLines({ expectedAh, swings }: Tornado): readonly SumLine[] {
  return [
    { label: 'To spare at the lowest point, all as expected', terms: [], result: q(expectedAh, 'Ah') },
    ...swings.map(({ label, badAh, goodAh, bad, good }) => ({
      label,
      terms: [`${bad}: `, q(badAh, 'Ah'), ` · ${good}: `, q(goodAh, 'Ah')],
      result: q(Math.abs(goodAh - badAh), 'Ah'),
    })),
  ];
}
