import { fixed, wayToRoot, type HarnessPart } from '@knapsack/core';
import type { ControllerGear } from '../documents/charging-gear.js';
import type { Gear } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import type { HarnessReport, ReportedCableRun } from '../harness/harness-report.js';
import { converterOf } from '../harness/harness-of.js';
import { isKind, lookUp, type Carried } from '../resolve/look-up.js';

/** What a step asks to be read, and between which figures it is as it should be. */
export interface StepReading {
  readonly unit: 'V' | 'A' | 'Ah';
  readonly expected: number;
  readonly low: number;
  readonly high: number;
}

export const STEP_GROUPS = {
  join: 'Connect',
  charge: 'Check that it charges',
  read: 'Measure',
  noise: 'Listen',
  load: 'Load test',
} as const;

export type StepGroup = keyof typeof STEP_GROUPS;

/** A step of the home test. */
export interface RehearsalStep {
  readonly id: string;
  readonly group: StepGroup;
  readonly words: string;
  readonly why: string;
  /** Null for what is only seen. */
  readonly reading: StepReading | null;
  /** What is listened for, where it has a record of its own. */
  readonly source?: Gear;
}

/** Length of the load test unless told otherwise, minutes. */
export const USUAL_LOAD_MINUTES = 30;
/** A meter and a label may differ by this, a share, before it is worth a look. */
const AMPS_APART = 0.2;
/** Least that a meter tells apart, A. */
const LEAST_A = 0.02;
/** How long the key is held for a reading, s: a meter settles, and nothing gets hot. */
const KEY_DOWN_S = 10;
/** A radio's own plug may be this much lower than predicted, V. */
const VOLTS_APART = 0.3;

/** The steps of a home test, from the kit: what is joined, what charges, what the meter should show, what is heard, how it lasts. */
export function rehearsalSteps(
  trip: Trip,
  shelf: readonly Gear[],
  report: HarnessReport,
): readonly RehearsalStep[] {
  const { carried } = lookUp(trip, shelf);
  const controllers = carried.filter(isKind('controller')).map(({ gear }) => gear);
  const hasSun = carried.some(isKind('panel'));
  return [
    ...report.joining.slice(0, -1).map(({ words, why, part }): RehearsalStep => ({
      id: `join ${part ?? words}`,
      group: 'join',
      words,
      why,
      reading: null,
    })),
    ...(hasSun ? controllers.flatMap(chargeSteps) : []),
    ...report.runs.flatMap((run) => drawSteps(run, report)),
    ...controllers.map((controller): RehearsalStep => ({
      id: `noise ${controller.id}`,
      group: 'noise',
      words: `Listen on each band with ${controller.name} off and on.`,
      why: 'A controller that hisses costs more contacts than a dark hour; what is heard stays with its record.',
      reading: null,
      source: controller,
    })),
    ...report.parts.filter(switches).map((part) => listenStep(part, sourceOf(part, carried))),
    ...(controllers.length + report.parts.filter(switches).length > 1 ? [WHICH] : []),
    ...loadStep(trip, report),
    ...(report.runs.some(({ keyDownA }) => keyDownA > 0) ? [WARMTH, CRIMPS] : []),
  ];
}

/** What switches many thousand times a second, besides a charge controller. */
const switches = ({ kind }: HarnessPart): boolean =>
  kind === 'converter' || kind === 'inverter' || kind === 'station' || kind === 'outlet';

/** The gear that a part's noise is kept with: a converter's with what it feeds. */
const sourceOf = ({ id }: HarnessPart, carried: readonly Carried[]): Gear | undefined =>
  carried.find(({ gear }) => gear.id === id || converterOf(gear.id) === id)?.gear;

const listenStep = ({ id, name }: HarnessPart, source: Gear | undefined): RehearsalStep => ({
  id: `noise ${id}`,
  group: 'noise',
  words: `Listen on each band with ${name} off and on.`,
  why: 'Every converter that switches may hiss, a cheap USB one most of all.',
  reading: null,
  ...(source && { source }),
});

const WHICH: RehearsalStep = {
  id: 'noise which',
  group: 'noise',
  words:
    'With all of it on, listen on the noisiest band, then switch one after another off: the one after which the hiss stops makes it.',
  why: 'Two that switch may hide each other. Switch the one that you found on alone, and it hisses again.',
  reading: null,
};

const WARMTH: RehearsalStep = {
  id: 'warmth',
  group: 'load',
  words: 'Straight after the key was down, feel the fuse holder and every plug: none is more than hand-warm.',
  why: 'Warmth is resistance, and it grows with every outing.',
  reading: null,
};

const CRIMPS: RehearsalStep = {
  id: 'crimps',
  group: 'load',
  words: 'Pull on every crimp: none moves.',
  why: 'A loose crimp holds on the bench and lets go on the hill.',
  reading: null,
};

const chargeSteps = ({ id, name }: ControllerGear): RehearsalStep[] => [
  {
    id: `light ${id}`,
    group: 'charge',
    words: `${name} shows its battery, then the panel.`,
    why: 'Its light or display is all that it tells you; learn it before you need it in the dark.',
    reading: null,
  },
  {
    id: `charges ${id}`,
    group: 'charge',
    words: `In the sun, current flows from ${name} into the battery.`,
    why: 'A panel that is connected the wrong way, or a battery that has cut itself off, shows here.',
    reading: null,
  },
];

const METERED: readonly string[] = ['radio', 'load', 'converter', 'inverter'];

/** What each load takes, and the volts that reach the radio with its key down. */
function drawSteps(run: ReportedCableRun, { parts, expected }: HarnessReport): RehearsalStep[] {
  const part = parts.find(({ id }) => id === run.part);
  if (!part || !METERED.includes(part.kind) || run.receiveA <= 0) return [];
  // What hangs inside of a converter is read before it.
  const name = parts.find(({ from, run: own }) => from === part.id && own === null)?.name ?? part.name;
  const draws: RehearsalStep = {
    id: `draws ${part.id}`,
    group: 'read',
    words: part.kind === 'radio' ? `Listening, ${name} draws` : `${name} works, and draws`,
    why: 'The forecast depends on this figure; where yours differs, record it at the Bench.',
    reading: around('A', run.receiveA, Math.max(AMPS_APART * run.receiveA, LEAST_A)),
  };
  // Nothing is predicted where a run on the way is not entered.
  if (part.kind !== 'radio' || run.keyDownV === null) return [draws];
  // Behind a converter its own volts stand, whatever the battery’s.
  const keyDownV = run.keyDownV + (isRegulated(part, parts) ? 0 : expected.riseV);
  return [
    draws,
    {
      id: `volts ${part.id}`,
      group: 'read',
      words: `Battery full and rested, into a dummy load, key down for ${KEY_DOWN_S} s: at the plug of ${part.name} there are`,
      why: 'Fewer volts mean that a cable, a fuse or a contact loses more than the drawing says.',
      reading: {
        unit: 'V',
        expected: keyDownV,
        low: keyDownV - VOLTS_APART,
        high: keyDownV + 2 * VOLTS_APART,
      },
    },
  ];
}

const isRegulated = (part: HarnessPart, parts: readonly HarnessPart[]): boolean =>
  wayToRoot(parts, part.id).some(({ supply }) => supply);

function loadStep(trip: Trip, { expected: { workingA } }: HarnessReport): RehearsalStep[] {
  if (workingA === null) return [];
  const minutes = trip.rehearsal?.loadMinutes ?? USUAL_LOAD_MINUTES;
  const ampereHours = (workingA * minutes) / 60;
  return [
    {
      id: 'load',
      group: 'load',
      words: 'Worked as planned all that time, the battery has given',
      why: `The plan counts on ${fixed(workingA, 2)} A on average while a radio is worked.`,
      reading: around('Ah', ampereHours, Math.max(AMPS_APART * ampereHours, LEAST_A)),
    },
  ];
}

const around = (unit: StepReading['unit'], expected: number, apart: number): StepReading => ({
  unit,
  expected,
  low: Math.max(0, expected - apart),
  high: expected + apart,
});
