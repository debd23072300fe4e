import type { Chance, ChanceUp, Odds } from '../chance/chance.js';
import type { Tornado } from '../chance/tornado.js';
import { fixed, sayQuantity } from '../say/quantity.js';
import { sayTime } from '../say/time.js';
import { shareQuantity, q, type Sum, type SumLine } from './sum.js';

/** "87 of 100": in hundredths, unless all or none of them last. */
export function sayOdds({ chance, samples, finished }: Odds): string {
  if (finished === samples) return `all of ${samples}`;
  if (finished === 0) return `none of ${samples}`;
  return `${Math.min(99, Math.max(1, Math.round(chance * 100)))} of 100`;
}

/** Odds, and of gear that comes back by itself what it is meant to be up. */
type Told = Odds & Pick<Chance, 'availability'>;

/** "lasts in 87 of 100 simulated outings"; where many stand together, without the last two words. */
export const sayLasting = (odds: Told): string => `${sayLastingShort(odds)} simulated outings`;
export const sayLastingShort = (odds: Told): string =>
  odds.availability ? `available as wanted in ${sayOdds(odds)}` : `lasts in ${sayOdds(odds)}`;

/** From this share on an availability is told to a tenth: it is what is lacking that counts. */
const NEARLY_ALL = 0.9;

/** An availability: "31 %", "98.2 %", "100 %". */
export const sayUp = (share: number): string => {
  const tenths = Math.round(share * 1000) / 10;
  return `${fixed(tenths, share >= NEARLY_ALL && !Number.isInteger(tenths) ? 1 : 0)} %`;
};

/** A chance in whole percent; "all" and "none" only where it is so, since no number of draws makes a certainty. */
export function sayChance({ chance, samples, finished }: Odds): string {
  if (finished === samples) return '100 %';
  if (finished === 0) return '0 %';
  return `${Math.min(99, Math.max(1, Math.round(chance * 100)))} %`;
}

const STOPPED: Record<Chance['stopped'], string> = {
  sure: 'enough: the target is more than two standard errors away',
  limit: 'as many as are ever taken: the target is too near to be sure',
  'not yet': 'still simulating',
};

/** What a chance means and how sure it is itself, and what matters most. */
export function chanceSum(chance: Chance, tornado: Tornado | null, zone: string): Sum {
  const { finished, samples, standardError, stopped, endMs, target, availability } = chance;
  const lines: SumLine[] = [
    {
      label: availability
        ? `Simulated outings that are up for at least ${sayUp(availability.target)} of the hours wanted`
        : 'Simulated outings that reach the end above the reserve, on the air',
      terms: [`${finished} / ${samples} = `, shareQuantity(chance.chance)],
      result: `± ${sayQuantity(shareQuantity(standardError))}`,
    },
    { label: 'Target chance', terms: [], result: shareQuantity(target) },
    { label: 'Simulated outings', terms: [STOPPED[stopped]], result: String(samples) },
    ...(availability ? upLines(availability) : []),
    ...(endMs === null || availability
      ? []
      : [{ label: 'The others end, the middle of them', terms: [], result: sayTime(endMs, zone) }]),
    ...(tornado ? swingLines(tornado) : []),
  ];
  return {
    title: availability ? 'The chance that it is up as wanted' : 'The chance that it lasts',
    lines,
    remark:
      'Each simulated outing is this one under another sky, with other transmit duty cycles, and with figures of the gear as far off as their sources may be. The chance says how often such an outing lasts if the figures are of the kind they claim to be; a broken cable, a thief or a longer stay are not in it.',
  };
}

const upLines = ({ p50, p10, outages, longestH }: ChanceUp): readonly SumLine[] => [
  { label: 'Half of them are up for at least', terms: [], result: shareQuantity(p50) },
  { label: 'Nine in ten are up for at least', terms: [], result: shareQuantity(p10) },
  { label: 'Outages, in the middle of them', terms: [], result: String(outages) },
  { label: 'The longest outage, in the middle of them', terms: [], result: q(longestH, 'duration') },
];

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
