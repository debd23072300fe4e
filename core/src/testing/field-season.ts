import { learnedDuties } from '../debrief/learned-duty.js';
import type { PlanInput } from '../forecast/plan-input.js';
import { forecast } from '../forecast/forecast.js';
import { follow } from '../field/follow.js';
import { isWorthAWord, learnedFrom, type LearnedName } from '../field/learned.js';
import type { MeanAndSpread } from '../field/weigh.js';
import type { PlayedAct } from '../field/play.js';
import type { ReadingSource, ReadingState, ReadQuantity } from '../field/reading.js';
import type { Trust } from '../source.js';
import {
  otherHarvest,
  FIELD_ACTS,
  fieldHour,
  fieldPlan,
  otherOuting,
  realKit,
  type RealKit,
} from './field-outings.js';
import { lehmer } from './seasons.js';

/** Errors of a plan, as shares of what really was: of what lasts from one outing to the next, and of what the loads took. */
export type PlanErrors = Readonly<
  Record<'dutyCycle' | 'receive' | 'keyDown' | 'panelOutput' | 'usedAh', number>
>;

const read = (
  hour: number,
  state: ReadingState,
  quantity: ReadQuantity,
  source: ReadingSource = 'typed',
): PlayedAct => ({ kind: 'reading', timeMs: fieldHour(hour), state, source, quantities: [quantity] });

/** What somebody reads besides: the currents, and the counters once more at the end. */
const ACTS: readonly PlayedAct[] = [
  ...FIELD_ACTS,
  read(1.5, 'listening', 'amps'),
  read(1.7, 'keyDown', 'amps'),
  read(39, 'listening', 'inAh', 'controller'),
  read(39.5, 'listening', 'outAh'),
].sort((one, other) => one.timeMs - other.timeMs);

/** Outings whose light is summed to tell what the panel of the other make gives. */
const SKIES = 200;
const FEW = 100;
const GUESSED: Trust = { source: 'assumed' };
/** How far a kit that nobody has measured may be off, in shares. */
const GUESSED_KIT: RealKit = { truth: 0.14, ratedAh: 0.08, receiveA: 0.25, keyDownA: 0.15, habit: 0.4 };

/** A plan whose currents are guessed. */
function firstPlan(): PlanInput {
  const plan = fieldPlan();
  const { figures } = plan.radio;
  return {
    ...plan,
    radio: {
      ...plan.radio,
      figures: {
        receive: figures.receive.map((figure) => ({ ...figure, ...GUESSED })),
        transmit: figures.transmit.map((figure) => ({ ...figure, ...GUESSED })),
      },
    },
    blocks: plan.blocks.map((block) => ({ ...block, activity: 'calling' as const })),
  };
}

/** The errors of the plans of a season's outings: what each has taught, so far as it is worth a word, is accepted for the next. */
export function seasonErrors(seed: number, outings: number, particles?: number): readonly PlanErrors[] {
  const next = lehmer(seed * 104_729 + 5);
  for (let warm = 0; warm < 8; warm++) next();
  const real = realKit(next, GUESSED_KIT);
  let known = firstPlan();
  return Array.from({ length: outings }, (_, number) => {
    const { plan, log, usedAh } = otherOuting(seed * 97 + number * 13 + 40_000, known, real, ACTS);
    const errors = errorsOf(plan, real, usedAh);
    const followed = follow(plan, log, plan.outing.endMs, {
      seed: seed + number,
      ...(particles && { particles }),
    });
    known = withLessons(known, followed);
    return errors;
  });
}

/**
 * How much more a panel of the other make gives than the product's with the same label, under skies of that make and by their
 * forecasts: no outing can tell that from the label.
 */
const otherPanel = (() => {
  let ownAh = 0;
  let realAh = 0;
  for (let seed = 0; seed < SKIES; seed++) {
    const { sun, offered } = otherHarvest(seed);
    const plan = { ...fieldPlan(), sun: { ...sun, truth: 1 } };
    const { march } = follow(plan, { readings: [], events: [] }, plan.outing.endMs, {
      seed,
      particles: FEW,
    });
    ownAh += march.particles.offeredAh.reduce((sum, ah) => sum + ah, 0) / FEW;
    realAh += offered;
  }
  return realAh / ownAh;
})();

function errorsOf(plan: PlanInput, real: RealKit, usedAh: number): PlanErrors {
  const off = (planned: number, is: number) => Math.abs(planned - is) / is;
  const [first] = firstPlan().blocks;
  return {
    dutyCycle: off(plan.blocks[0].share, first.share * real.habit),
    receive: off(plan.radio.figures.receive[0].amps, real.receiveA),
    keyDown: off(plan.radio.figures.transmit[0].amps, real.keyDownA),
    panelOutput: off(plan.sun!.truth, real.truth * otherPanel),
    usedAh: off(forecast(plan).march.books.loadsAh, usedAh),
  };
}

/** A plan with everything that an outing has taught of it. */
function withLessons(plan: PlanInput, followed: ReturnType<typeof follow>): PlanInput {
  const learned = learnedFrom(followed);
  const said = (name: LearnedName): MeanAndSpread | null => {
    const one = learned.get(name);
    return one && isWorthAWord(one) ? one.after : null;
  };
  const trust = ({ mean, sd }: MeanAndSpread): Trust => ({ source: 'learned', spread: sd / mean });
  const [receive, keyDown, truth, capacity] = (
    ['receive', 'keyDown', 'panelOutput', 'capacity'] as const
  ).map(said);
  const { figures } = plan.radio;
  const times = <Figure extends { readonly amps: number }>(
    all: readonly Figure[],
    by: MeanAndSpread | null,
  ) => (by ? all.map((figure) => ({ ...figure, amps: by.mean * figure.amps, ...trust(by) })) : all);
  const [pack] = plan.packs;
  const duties = learnedDuties(followed).filter(isWorthAWord);
  return {
    ...plan,
    radio: {
      ...plan.radio,
      figures: { receive: times(figures.receive, receive), transmit: times(figures.transmit, keyDown) },
    },
    blocks: plan.blocks.map((block) => {
      const duty = duties.find(({ mode, planned }) => mode === block.mode && planned === block.share);
      return duty ? { ...block, share: duty.after.mean, shareFrom: trust(duty.after) } : block;
    }),
    sun: { ...plan.sun!, ...(truth && { truth: truth.mean, truthFrom: trust(truth) }) },
    packs: [
      capacity
        ? {
            ...pack,
            label: { ...pack.label, ratedAh: capacity.mean * pack.label.ratedAh },
            capacityFrom: trust(capacity),
          }
        : pack,
    ],
  };
}
