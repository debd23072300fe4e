/// <reference lib="webworker" />
import type { Gear, Trip } from '@knapsack/contract';
import { idealFigures, type IdealFigures } from '@knapsack/contract/size';
import type { Answered, Asked } from '../plan/newest-worker';

export interface IdealQuestion {
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
  readonly chance: number;
  readonly month: number;
}

let newest = 0;

addEventListener('message', ({ data }: MessageEvent<Asked<IdealQuestion>>) => {
  newest = data.number;
  void reckon(data);
});

async function reckon({ number, question }: Asked<IdealQuestion>): Promise<void> {
  const { trip, shelf, chance, month } = question;
  for (const figures of idealFigures(trip, shelf, chance, month)) {
    const answered: Answered<IdealFigures | null> = {
      number,
      answer: figures.ok ? figures.value : null,
      more: true,
    };
    postMessage(answered);
    // A newer question is taken in between.
    await new Promise((resolved) => setTimeout(resolved));
    if (newest !== number) return;
  }
}
