/// <reference lib="webworker" />
import type { Gear, Trip } from '@knapsack/contract';
import { tripLine, type TripLine } from './trip-line';

export interface LineQuestion {
  readonly id: string;
  readonly trip: Trip;
  readonly shelf: readonly Gear[];
}

export interface LineAnswer {
  readonly id: string;
  readonly line: TripLine;
}

addEventListener('message', ({ data: { id, trip, shelf } }: MessageEvent<LineQuestion>) => {
  const answer: LineAnswer = { id, line: tripLine(trip, shelf) };
  postMessage(answer);
});
