import { chemistryOf, type ChemistryName } from '../battery/chemistry.js';
import type { Answer } from './check.js';
import { volts } from './say.js';

/** Volts at which a cell is full while it is charged. Source: makers' practice. */
const FULL_V: ReadonlyMap<ChemistryName, number> = new Map([
  ['nimh', 1.4],
  ['liion', 4.15],
  ['lifepo4', 3.55],
]);

/** A charger of single cells goes on until they are full. @param endsV where it ends, V a cell; not entered if absent */
export function cellsFilled(
  charger: string,
  { name, chemistry }: { readonly name: string; readonly chemistry: ChemistryName },
  endsV: number | undefined,
): Answer {
  const fullV = FULL_V.get(chemistry);
  if (endsV === undefined || fullV === undefined || endsV >= fullV) return null;
  return {
    severity: 'stop',
    sentence: `${charger} ends at ${volts(endsV)} a cell and those of ${name} (${chemistryOf(chemistry).label}) are full at ${volts(fullV)}: it fills next to nothing. Take a charger that goes on to that.`,
    asks: `at least ${volts(fullV)}`,
    has: volts(endsV),
  };
}

/** Cells on a charger are not in the radio: a set in use, and one that waits on the charger. */
export function cellsOut(
  charger: string,
  { name, ofCells }: { readonly name: string; readonly ofCells: boolean },
  oneWaits: boolean,
): Answer {
  if (!ofCells)
    return {
      severity: 'stop',
      sentence: `${charger} charges single cells, and ${name} is no set of cells that come out. Take a charge controller.`,
      asks: 'single cells',
      has: name,
    };
  return oneWaits
    ? null
    : {
        severity: 'look',
        sentence: `Cells on ${charger} are not in the radio meanwhile. Take two sets of ${name}, use them one after the other, and let the sun charge one that waits.`,
        asks: 'a set that waits',
        has: 'the set in use',
      };
}
