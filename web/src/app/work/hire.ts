import type { Gear, Trip } from '@knapsack/contract';
import { habits, type Habits } from '@knapsack/core';
import {
  forecastQuestion,
  sameQuestion,
  type ForecastOutcome,
  type ForecastQuestion,
} from './forecast-protocol';
import { HeadStart, type Hired } from './head-start';
import { Thread } from './thread';

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
  readonly kind: WorkKind | 'forecast' | 'thread';
  readonly habits: Habits;
}

const nameOf = (kind: WorkerName['kind']): string =>
  JSON.stringify({ kind, habits: habits() } satisfies WorkerName);

const hireRest = (name: string): Worker =>
  new Worker(new URL('./rest.worker', import.meta.url), { type: 'module', name });

/** A worker for one kind of work. */
export const hireWorker = (kind: WorkKind): Worker => hireRest(nameOf(kind));

/** What a trip has worked out beside its forecast, each short or in parts: what takes its time in one (a ration) has a worker of its own. */
type DeskKind = 'chance' | 'pack' | 'whatIf' | 'wire';

const tripThread = new Thread<DeskKind>(() => nameOf('thread'), hireRest);

/** A desk in the one worker that the rooms of a trip share. */
export const hireDesk = (kind: DeskKind): Hired => tripThread.desk(kind);

const hireForecast = (): Worker =>
  new Worker(new URL('./forecast.worker', import.meta.url), { type: 'module', name: nameOf('forecast') });

/** Workers that nobody has asked for yet, by what they do. */
const waiting: { forecast?: Hired; chance?: Hired } = {};

/** Starts the workers that a trip wants first before anybody asks for them, so that they are ready when it is there. */
export function warmWorkers(): void {
  waiting.forecast ??= hireForecast();
  waiting.chance ??= hireDesk('chance');
}

/** Asks the workers that wait what the trip will ask: its forecast, and then its chances. Nothing where they have been taken. */
export function forecastAhead(trip: Trip, shelf: readonly Gear[]): void {
  if (!waiting.forecast) return;
  waiting.forecast = new HeadStart<ForecastQuestion, ForecastOutcome>(
    waiting.forecast,
    forecastQuestion({ trip, shelf }),
    sameQuestion,
    ({ ok }) => {
      if (ok && waiting.chance) waiting.chance = new HeadStart(waiting.chance, { trip, shelf }, sameQuestion);
    },
  );
}

/** Lets the workers that wait go: they speak in habits that are not those of the moment. */
export function coolWorkers(): void {
  waiting.forecast?.terminate();
  waiting.chance?.terminate();
  delete waiting.forecast;
  delete waiting.chance;
}

/** A forecast worker: the one that waits, where there is one. */
export function hireForecaster(): Hired {
  const worker = waiting.forecast ?? hireForecast();
  delete waiting.forecast;
  return worker;
}

/** A desk for chances: the one that waits, where there is one. */
export function hireForChance(): Hired {
  const worker = waiting.chance ?? hireDesk('chance');
  delete waiting.chance;
  return worker;
}
