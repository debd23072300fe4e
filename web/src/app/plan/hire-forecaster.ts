let waiting: Worker | null = null;

const hire = (): Worker => new Worker(new URL('./forecast.worker', import.meta.url), { type: 'module' });

/** Starts a forecast worker before anybody asks for one, so that it is ready when the trip is there. */
export function warmForecaster(): void {
  waiting ??= hire();
}

/** A forecast worker: the one that waits, where there is one. */
export function hireForecaster(): Worker {
  const worker = waiting ?? hire();
  waiting = null;
  return worker;
}
