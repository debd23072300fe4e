/// <reference lib="webworker" />
// All work but the forecast itself, in one script, so that the browser loads and keeps it once. Each worker does one kind, by its name.
import { KitWorker, type ToKitWorker } from '@knapsack/contract/size';
import { answering } from './answering';
import { cardWork } from './card-work';
import { chanceWork } from './chance-work';
import type { WorkKind } from './hire';
import { idealWork } from './ideal-work';
import { packWork } from './pack-work';
import { rationWork } from './ration-work';
import { readingsWork } from './readings-work';
import { tripLineWork } from './trip-line-work';
import { whatIfWork } from './what-if-work';
import { wireWork } from './wire-work';

/** Made where its kind is wanted: a kit worker keeps what it has resolved. */
const KINDS: Readonly<Record<WorkKind, () => (event: MessageEvent) => void>> = {
  card: () => answering(cardWork),
  chance: () => answering(chanceWork),
  ideal: () => answering(idealWork),
  kit: () => {
    const kits = new KitWorker();
    return ({ data }: MessageEvent<ToKitWorker>) => postMessage(kits.answer(data));
  },
  pack: () => answering(packWork),
  ration: () => answering(rationWork),
  readings: () => answering(readingsWork),
  tripLine: () => answering(tripLineWork),
  whatIf: () => answering(whatIfWork),
  wire: () => answering(wireWork),
};

addEventListener('message', KINDS[self.name as WorkKind]());
