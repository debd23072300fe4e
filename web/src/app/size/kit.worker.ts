/// <reference lib="webworker" />
import { KitWorker, type ToKitWorker } from '@knapsack/contract/size';

const worker = new KitWorker();

addEventListener('message', ({ data }: MessageEvent<ToKitWorker>) => postMessage(worker.answer(data)));
