import { keyDownFactor, receiveFactor, resistanceFactor } from '../chance/spreads.js';
import { capacityGain, truthGain } from '../chance/chance-law.js';
import type { Trust } from '../source.js';
import type { Mode } from '../load/mode.js';
import { positionsOf } from '../forecast/plan-input.js';
import { lightIn } from '../sun/light-table.js';
import { skyIndex, FOG, RAIN } from '../sun/light-table.js';
import type { FieldMarch } from './field-march.js';
import type { Followed } from './follow.js';
import { sharesOf, weightedMean, type MeanAndSpread } from './weigh.js';

/** A current of a radio: of the first that is planned, or of the second, third … ("receive.2"). */
export type LearnedCurrent = 'receive' | 'keyDown';

/** What an outing can teach. */
export type LearnedName =
  | `dutyCycle.${Mode}`
  | LearnedCurrent
  | `${LearnedCurrent}.${number}`
  | 'panelOutput'
  | 'sky'
  | 'capacity'
  | 'resistance';

/** The name of a current of the radio at a position, from 0. */
export const learnedAt = (current: LearnedCurrent, position: number): LearnedName =>
  position === 0 ? current : `${current}.${position + 1}`;

/**
 * What is known of something before and after the outing's readings: transmit duty cycle and output against label as shares, 0 to
 * 1; all others as a factor on what was planned, 1 for just so.
 */
export interface Learned {
  readonly before: MeanAndSpread;
  readonly after: MeanAndSpread;
  /** Outings have taught it before. */
  readonly again?: true;
}

/**
 * A spread that fell by so much of itself is worth a word; where outings have taught it before a quarter as much, as no later one tells as
 * much as the first, and what they tell together would be lost. Source: convention of this project, docs/model.md.
 */
const WORTH_A_WORD = 0.2;
const WORTH_A_WORD_AGAIN = 0.05;

export const isWorthAWord = ({ before, after, again }: Learned): boolean =>
  after.sd <= (1 - (again ? WORTH_A_WORD_AGAIN : WORTH_A_WORD)) * before.sd;

/** What is told of a figure that outings have taught before. */
export const taughtBefore = (from?: Trust): Pick<Learned, 'again'> =>
  from?.source === 'learned' ? { again: true } : {};

/** What the readings taught, by name; only of what had a part in the outing so far. */
export function learnedFrom({ march, assumed }: Followed): ReadonlyMap<LearnedName, Learned> {
  const learned = new Map<LearnedName, Learned>();
  const before = taught(assumed);
  for (const [name, after] of taught(march)) {
    const was = before.get(name);
    if (was) learned.set(name, { before: was, after, ...taughtBefore(fromOf(march, name)) });
  }
  return learned;
}

/** Where a figure that can be learned comes from. */
function fromOf(march: FieldMarch, name: LearnedName): Trust | undefined {
  const { sun, packs } = march.law.plan;
  switch (name) {
    case 'panelOutput':
      return sun?.truthFrom;
    case 'capacity':
      return packs[0].capacityFrom;
    case 'resistance':
      return packs[0].resistanceFrom;
  }
  const block = firstBlocks(march).find(
    ({ position }) => name === learnedAt('receive', position) || name === learnedAt('keyDown', position),
  );
  return name.startsWith('receive') ? block?.receiveFrom : block?.keyDownFrom;
}

function taught(march: FieldMarch): ReadonlyMap<LearnedName, MeanAndSpread> {
  const { law, particles, edge } = march;
  const shares = sharesOf(particles.weight);
  const told = new Map<LearnedName, MeanAndSpread>();
  const tell = (name: LearnedName, valueOf: (index: number) => number) =>
    told.set(
      name,
      weightedMean(
        Float64Array.from(shares, (_, index) => valueOf(index)),
        shares,
      ),
    );
  for (const mode of workedBlocks(march).keys()) {
    const duty = dutyIn(march, mode)!;
    tell(`dutyCycle.${mode}`, (index) => duty[index]);
  }
  for (const { position, receiveFrom, keyDownFrom } of firstBlocks(march)) {
    const [receive, keyDown] = [particles.receive[position], particles.keyDown[position]];
    tell(learnedAt('receive', position), (index) => receiveFactor(receiveFrom, receive[index]));
    tell(learnedAt('keyDown', position), (index) => keyDownFactor(keyDownFrom, keyDown[index]));
  }
  const { sun } = law;
  const said = saidLight(march);
  if (sun && said > 0) {
    const label = law.plan.sun!.truth;
    tell('panelOutput', (index) => label * truthGain(sun, { truth: particles.truth[index] }));
    tell('sky', (index) => particles.lightWh[index] / said);
  }
  if (edge > 0) {
    const { capacitySpread, resistanceFrom } = law.weaknesses[0];
    tell('capacity', (index) => capacityGain(capacitySpread, { capacity: particles.capacity[index] }));
    tell('resistance', (index) => resistanceFactor(resistanceFrom, particles.resistance[index]));
  }
  return told;
}

/** Of each position that is worked its first block. */
const firstBlocks = ({ law: { load } }: FieldMarch) =>
  load.blocks.filter(({ position }, place, all) => place === 0 || all[place - 1].position !== position);

/** Transmit duty cycle in a mode up to now, by particle, 0 to 1; null where the mode was not worked. */
export function dutyIn(march: FieldMarch, mode: Mode): Float64Array | null {
  const blocks = workedBlocks(march).get(mode);
  if (!blocks) return null;
  const { transmitH, count } = march.particles;
  const hours = blocks.reduce((sum, block) => sum + hoursWorked(march, block), 0);
  return Float64Array.from(
    { length: count },
    (_, index) => blocks.reduce((sum, block) => sum + transmitH[block][index], 0) / hours,
  );
}

/** Blocks that were worked up to now, by mode. */
function workedBlocks({ law, edge }: FieldMarch): ReadonlyMap<Mode, readonly number[]> {
  const modes = positionsOf(law.plan).flatMap(({ blocks }) => blocks.map(({ mode }) => mode));
  const byMode = new Map<Mode, number[]>();
  law.load.blocks.forEach(({ fromStep }, block) => {
    const mode = modes[block];
    if (!mode || fromStep >= edge) return;
    byMode.set(mode, [...(byMode.get(mode) ?? []), block]);
  });
  return byMode;
}

function hoursWorked({ law, edge }: FieldMarch, block: number): number {
  const { fromStep, toStep } = law.load.blocks[block];
  let hours = 0;
  for (let step = fromStep; step < Math.min(toStep, edge); step++) hours += law.steps.hours[step];
  return hours;
}

/** Light that would have fallen on the panel up to now under the sky as it is said, Wh/m2. */
function saidLight({ law, edge, steps }: FieldMarch): number {
  const { sun, sky } = law;
  if (!sun || !sky) return 0;
  let wattHours = 0;
  for (let step = 0; step < edge; step++) {
    const sunny = steps.sunny[step];
    if (sunny < 0) continue;
    const { cloud, rain, fog } = sky.hours[steps.hour[step]];
    const place = rain ? RAIN : fog ? FOG : skyIndex(cloud);
    wattHours += law.steps.hours[step] * lightIn(sun.light, sunny, place, 0, 0);
  }
  return wattHours;
}
