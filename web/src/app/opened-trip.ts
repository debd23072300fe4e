import type { Gear, Stored, Trip } from '@knapsack/contract';
import { firstAnswer, takeFirstAnswers } from './data/first-answers';
import { forecastAhead, warmWorkers } from './work/hire';

/** A trip that is opened directly: its forecast is asked for before the frame of the page is built. */
export async function forecastOpened(path: string): Promise<void> {
  const id = /^\/trips\/([^/]+)/.exec(path)?.[1];
  if (id === undefined) return;
  warmWorkers();
  takeFirstAnswers();
  const [trip, gear] = await Promise.all([
    firstAnswer<Trip>(`/api/trips/${id}`),
    firstAnswer<readonly Stored<Gear>[]>('/api/gear'),
  ]);
  if (!trip || !gear) return;
  forecastAhead(
    trip,
    gear.map(({ document }) => document),
  );
}
