import type { BatteryChoice, SunChoice } from '../size/choices.js';
import { kitName } from '../size/kits.js';
import type { TriedKit } from '../size/kit-search.js';
import type { Ledger } from '../size/kit-trial.js';
import { shareQuantity, q, type Sum, type SumLine } from './sum.js';

/** Why a kit stands where it does: what it weighs, what it has to do with, and how many samples it finishes. */
export function kitSum(
  {
    batteries,
    suns,
  }: {
    readonly batteries: readonly Pick<BatteryChoice, 'name' | 'grams'>[];
    readonly suns: readonly Pick<SunChoice, 'name' | 'grams' | 'pieces'>[];
  },
  {
    kit,
    finished,
    samples,
    chance,
    standardError,
  }: Pick<TriedKit, 'kit' | 'finished' | 'samples' | 'chance' | 'standardError'>,
  { givesAh, fedAh, sunAh, loadAh }: Ledger,
): Sum {
  const battery = batteries[kit.battery];
  const sun = suns[kit.sun];
  const hasSun = sun.pieces > 0;
  const weight: SumLine = {
    label: 'Weight',
    terms: hasSun
      ? [`${battery.name} `, q(battery.grams ?? 0, 'g'), ` + ${sun.name} `, q(sun.grams ?? 0, 'g')]
      : [battery.name],
    result: q(kit.grams, 'g'),
  };
  return {
    title: kitName(battery, sun),
    lines: [
      weight,
      { label: 'The battery gives, above its reserve', terms: [], result: q(givesAh, 'Ah') },
      ...(fedAh > 0 ? [{ label: 'Chargers give on the way', terms: [], result: q(fedAh, 'Ah') }] : []),
      ...(hasSun
        ? [
            {
              label: 'The sun offers',
              terms: ['one of ten outings under ', q(sunAh.low, 'Ah'), '; the middle one'],
              result: q(sunAh.middle, 'Ah'),
            },
          ]
        : []),
      {
        label: 'The load takes',
        terms: ['one of ten outings over ', q(loadAh.high, 'Ah'), '; the middle one'],
        result: q(loadAh.middle, 'Ah'),
      },
      {
        label: 'Simulated outings that last',
        terms: [`${finished} / ${samples}, ± `, shareQuantity(standardError)],
        result: shareQuantity(chance),
      },
    ],
    remark:
      'Sun that comes when the battery is full helps nobody, and a volt too few ends an outing with charge left: so the sums need not add up to the chance.',
  };
}
