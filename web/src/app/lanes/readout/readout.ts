import { expandBlocks, type Trip } from '@knapsack/contract';
import { fixed, sayQuantity, sayTime, sayWork, stepAt, valueAt } from '@knapsack/core';
import type { ForecastView } from '../../work/forecast-protocol';

/** What stands under the cursor, in words and numbers. */
export interface Readout {
  readonly time: string;
  readonly soc: number;
  readonly terminalV: string;
  /** Volts at the radio key down; null where the radio is off. */
  readonly radioV: string | null;
  readonly loadA: string;
  /** What the sun and chargers bring together, A; null where neither does. */
  readonly inA: string | null;
  readonly doing: string;
  /** The whole of it, for a screen reader. */
  readonly words: string;
}

/** The reading at an instant; without one, at the verdict's telling moment: its end or the low point. */
export function readoutAt(view: ForecastView, trip: Trip | null, cursorMs: number | null): Readout {
  const timeMs = Math.min(
    view.endMs,
    Math.max(view.startMs, cursorMs ?? view.verdict.endMs ?? view.verdict.lowestMs),
  );
  const step = stepAt(view.edgesMs, timeMs);
  const soc = valueAt(view.edgesMs, view.soc, timeMs);
  const worked = trip
    ? expandBlocks(trip).filter(({ startMs, endMs }) => startMs <= timeMs && timeMs < endMs)
    : [];
  const keyed = view.keyDownA[step] > 0 && view.loadA[step] > 0;
  const [sunA, fedA] = [view.offeredA[step], view.fedTakenA[step]];
  const some = (value: number) => (value > 0 ? sayQuantity({ value, unit: 'A' }) : null);
  const from = (value: number, source: string) => (value > 0 ? `${some(value)} from ${source}, ` : '');
  const parts = {
    time: sayTime(timeMs, trip?.place.timeZone ?? 'UTC'),
    soc,
    terminalV: `${fixed(view.terminalV[step], 1)} V`,
    radioV: keyed ? `${fixed(view.radioV[step], 1)} V` : null,
    loadA: sayQuantity({ value: view.loadA[step], unit: 'A' }),
    inA: some(sunA + fedA),
    doing: worked.length > 0 ? worked.map(({ block }) => sayWork(block)).join(', ') : 'radio off',
  };
  const radio = parts.radioV ? `, ${parts.radioV} at the radio key down` : '';
  return {
    ...parts,
    words: `${parts.time}, ${Math.round(soc * 100)} %, ${parts.terminalV} at the battery${radio}, ${from(sunA, 'the sun')}${from(fedA, 'the charger')}${parts.loadA} drawn, ${parts.doing}`,
  };
}
