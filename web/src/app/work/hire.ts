/** What the worker of the rest can be asked for. */
export type WorkKind =
  'card' | 'chance' | 'ideal' | 'kit' | 'pack' | 'ration' | 'readings' | 'tripLine' | 'whatIf' | 'wire';

/** A worker for one kind of work; its name says which. */
export const hireWorker = (kind: WorkKind): Worker =>
  new Worker(new URL('./rest.worker', import.meta.url), { type: 'module', name: kind });

const hireForecast = (): Worker =>
  new Worker(new URL('./forecast.worker', import.meta.url), { type: 'module' });

let waiting: Worker | null = null;

/** Starts a forecast worker before anybody asks for one, so that it is ready when the trip is there. */
export function warmForecaster(): void {
  waiting ??= hireForecast();
}

/** A forecast worker: the one that waits, where there is one. */
export function hireForecaster(): Worker {
  const worker = waiting ?? hireForecast();
  waiting = null;
  return worker;
}
