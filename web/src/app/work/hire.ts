import { habits, type Habits } from '@knapsack/core';

/** What the worker of the rest can be asked for. */
export type WorkKind =
  | 'begin'
  | 'card'
  | 'chance'
  | 'contacts'
  | 'debrief'
  | 'field'
  | 'fieldRation'
  | 'held'
  | 'ideal'
  | 'kit'
  | 'nextPlans'
  | 'outing'
  | 'pack'
  | 'radioNeeds'
  | 'ration'
  | 'readings'
  | 'tripLine'
  | 'whatIf'
  | 'wire';

/** What a worker is told by its name: its kind of work, and the habits that it speaks in. */
export interface WorkerName {
  readonly kind: WorkKind | 'forecast';
  readonly habits: Habits;
}

const nameOf = (kind: WorkerName['kind']): string =>
  JSON.stringify({ kind, habits: habits() } satisfies WorkerName);

/** A worker for one kind of work. */
export const hireWorker = (kind: WorkKind): Worker =>
  new Worker(new URL('./rest.worker', import.meta.url), { type: 'module', name: nameOf(kind) });

const hireForecast = (): Worker =>
  new Worker(new URL('./forecast.worker', import.meta.url), { type: 'module', name: nameOf('forecast') });

let waiting: Worker | null = null;

/** Starts a forecast worker before anybody asks for one, so that it is ready when the trip is there. */
export function warmForecaster(): void {
  waiting ??= hireForecast();
}

/** Lets the forecast worker that waits go: it speaks in habits that are not those of the moment. */
export function coolForecaster(): void {
  waiting?.terminate();
  waiting = null;
}

/** A forecast worker: the one that waits, where there is one. */
export function hireForecaster(): Worker {
  const worker = waiting ?? hireForecast();
  waiting = null;
  return worker;
}
