import {
  HOUR_MS,
  learnedFrom,
  play,
  type Followed,
  type PlayedAct,
  type ReadingSource,
  type ReadingState,
  type ReadQuantity,
} from '@knapsack/core';
import { correctionId, correctionsOf, type Correction } from '../debrief/corrections.js';
import type { LearnedPlace } from '../debrief/learned-figures.js';
import { MIDDLE_80 } from '../debrief/say-correction.js';
import { whatNow } from '../field/what-now.js';
import { workedPlan } from '../field/worked-plan.js';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { emptyLog, type LogEntry } from '../documents/log.js';
import { gannetRock, gannetShelf } from './gannet-rock.js';

/** The demo's outing on a battery that takes all of the sun. */
const trip: Trip = { ...gannetRock, startSoc: 0.6 };
const START_MS = Date.parse(trip.start);
const END_MS = Date.parse(trip.end);
const at = (hour: number) => START_MS + hour * HOUR_MS;
const iso = (timeMs: number) => new Date(timeMs).toISOString();

/** The demo's kit, of which nobody has measured the radio or the panel. */
const shelf: readonly Gear[] = gannetShelf.map((gear) => {
  if (gear.kind === 'panel') {
    const { truth: _measured, ...panel } = gear;
    return panel;
  }
  if (gear.kind !== 'radio') return gear;
  return {
    ...gear,
    receiveA: { value: gear.receiveA.value, source: 'assumed' },
    transmit: gear.transmit.map(({ rfW, amps }) => ({ rfW, amps, source: 'assumed' })),
  };
});

const read = (
  hour: number,
  state: ReadingState,
  quantity: ReadQuantity,
  source: ReadingSource = 'typed',
): PlayedAct => ({ kind: 'reading', timeMs: at(hour), state, source, quantities: [quantity] });

/** What somebody reads in it: of everything that can be learned something. */
const ACTS: readonly PlayedAct[] = [
  read(1.2, 'listening', 'amps'),
  read(1.6, 'keyDown', 'amps'),
  { kind: 'look', timeMs: at(2.5) },
  read(3, 'listening', 'volts'),
  read(6, 'off', 'inAh', 'controller'),
  read(11, 'listening', 'outAh'),
  read(20, 'keyDown', 'volts'),
  { kind: 'look', timeMs: at(22.5) },
  read(23.5, 'listening', 'outAh'),
  read(26.5, 'off', 'inAh', 'controller'),
  read(27, 'off', 'percent', 'monitor'),
];

/** Of a kind of figure whether its interval held what was really so. */
export type Held = readonly (readonly [LearnedPlace['at'], boolean])[];

/** A made-up outing of the demo's plan, and whether the 80 % interval of each figure that it offers holds what was really so. */
export function heldByOuting(seed: number): Held {
  const work = trip.blocks.map(({ id, start }): LogEntry => ({
    id: `w-${id}`,
    at: start,
    kind: 'work',
    do: 'start',
    block: id,
  }));
  const plan = workedPlan(trip, work, shelf);
  if (!plan.ok) throw new Error(plan.problems[0].sentence);
  const played = play(plan.value, ACTS, END_MS, seed);
  const entries = [
    ...work,
    ...played.log.readings.map(({ timeMs, state, source, values, id }): LogEntry => ({
      ...{ id, at: iso(timeMs), kind: 'reading', state, ...values },
      ...(source !== 'typed' && { source }),
    })),
    ...played.log.events.flatMap((event, index): readonly LogEntry[] =>
      event.kind === 'sky'
        ? [{ id: `s${index}`, at: iso(event.timeMs), kind: 'sky', cloud: event.cloud, rain: event.rain }]
        : [],
    ),
  ];
  const told = whatNow(trip, { ...emptyLog(trip.id), entries }, shelf, END_MS);
  if (!told.ok) throw new Error(told.problems[0].sentence);
  const taughtBy = (followed: Followed) =>
    correctionsOf(
      { now: { ...told.value, followed, learned: learnedFrom(followed) }, lastKnownMs: END_MS },
      trip,
      shelf,
    );
  // One habit stands behind the duty cycles of all modes, one factor behind the currents at all powers: the first tells.
  const corrections = taughtBy(told.value.followed).filter(
    ({ place }, index, all) => all.findIndex((one) => one.place.at === place.at) === index,
  );
  // What was really so is what would be learned of it if all of it were known: of its only particle.
  const real = taughtBy({ ...told.value.followed, march: played.march });
  return corrections.map((correction) => {
    const isIts = (one: Correction) => correctionId(one) === correctionId(correction);
    const { after, place } = correction;
    return [place.at, Math.abs(real.find(isIts)!.after.mean - after.mean) <= MIDDLE_80 * after.sd];
  });
}
