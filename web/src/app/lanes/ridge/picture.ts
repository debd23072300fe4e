import { fixed } from '@knapsack/core';
import type { ForecastView } from '../../work/forecast-protocol';
import type { RidgeFace } from '../../trip/lanes.store';

/** What the ridge's line is of: its values at the step edges, its scale, and the waterline that it must not reach. */
export interface Picture {
  /** One value an edge. */
  readonly values: Float64Array;
  readonly least: number;
  readonly most: number;
  readonly ticks: readonly number[];
  readonly water: number;
  readonly waterWords: string;
  readonly lowest: { readonly edge: number; readonly words: string } | null;
  readonly say: (value: number) => string;
}

const percent = (soc: number): string => `${Math.round(soc * 100)} %`;
const volts = (value: number): string => `${fixed(value, 1)} V`;

/** Charge in all packs, over the reserve. */
function chargePicture({ soc, edgesMs, reserveSoc, verdict }: ForecastView): Picture {
  return {
    values: soc,
    least: 0,
    most: 1,
    ticks: [0, 0.25, 0.5, 0.75, 1],
    water: reserveSoc,
    waterWords: `reserve ${percent(reserveSoc)}`,
    lowest: { edge: edgesMs.indexOf(verdict.lowestMs), words: `lowest ${percent(verdict.lowestSoc)}` },
    say: percent,
  };
}

/** Volts at the radio, key down while it is on, over the volts at which it drops out. */
function voltsPicture({ radioV, keyDownA, dropoutV }: ForecastView): Picture {
  const values = new Float64Array(radioV.length + 1);
  values.set(radioV, 1);
  values[0] = radioV[0];
  let low = -1;
  for (let step = 0; step < radioV.length; step++) {
    if (keyDownA[step] > 0 && (low === -1 || radioV[step] < radioV[low])) low = step;
  }
  const least = Math.floor(Math.min(dropoutV - 0.4, low === -1 ? Infinity : radioV[low] - 0.2));
  const most = Math.ceil(radioV.reduce((top, value) => Math.max(top, value), dropoutV) + 0.1);
  const every = Math.max(1, Math.ceil((most - least) / 5));
  return {
    values,
    least,
    most,
    ticks: Array.from({ length: Math.floor((most - least) / every) + 1 }, (_, at) => least + at * every),
    water: dropoutV,
    waterWords: `the radio drops out at ${volts(dropoutV)}`,
    lowest: low === -1 ? null : { edge: low + 1, words: `lowest ${volts(radioV[low])} key down` },
    say: (value) => `${Math.round(value)} V`,
  };
}

export const pictureOf = (view: ForecastView, face: RidgeFace): Picture =>
  face === 'volts' ? voltsPicture(view) : chargePicture(view);
