import {
  assumedCurrents,
  fail,
  isWorthAWord,
  learnedAt,
  learnedDuties,
  positionsOf,
  radioCurrent,
  resistancesAt,
  succeed,
  type Learned,
  type LearnedCurrent,
  type LearnedName,
  type MeanAndSpread,
  type Result,
} from '@knapsack/core';
import type { FigureEntry } from '../documents/figure.js';
import type { Battery, Gear, PowerStation, Radio } from '../documents/gear.js';
import type { Trip } from '../documents/trip.js';
import { isKind, lookUp, type Carried } from '../resolve/look-up.js';
import { packLabelOf } from '../resolve/resolve-packs.js';
import type { Debrief } from './debrief.js';
import { dayLearned } from './known-before.js';
import { learnedOf, samePlace, withLearned, withoutLearned, type LearnedPlace } from './learned-figures.js';

/** A figure of the gear that an outing has taught. */
export interface Correction {
  /** Id of the gear. */
  readonly gear: string;
  readonly place: LearnedPlace;
  /** In the figure's own unit. */
  readonly before: MeanAndSpread;
  readonly after: MeanAndSpread;
  /** Outings have taught it before. */
  readonly again?: true;
}

/** A name for a correction that lasts: "curlew-10 transmit 10". */
export function correctionId({ gear, place }: Pick<Correction, 'gear' | 'place'>): string {
  switch (place.at) {
    case 'transmit':
      return `${gear} ${place.at} ${place.rfW}`;
    case 'duty':
      return `${gear} ${place.at} ${place.mode} ${place.activity}`;
    default:
      return `${gear} ${place.at}`;
  }
}

/**
 * What an outing has taught of the gear: figures of which more is known than before by so much that it is worth a word. What came of its hours and its sky
 * is the outing's own, and teaches nothing of the next.
 *
 * @param shelf as it was known before the outing
 */
export function correctionsOf(
  debrief: Pick<Debrief, 'now' | 'lastKnownMs'>,
  trip: Trip,
  shelf: readonly Gear[],
): readonly Correction[] {
  const { carried } = lookUp(trip, shelf);
  const { learned, followed } = debrief.now;
  const radios = positionsOf(followed.march.law.plan).flatMap(({ radio: { gear }, blocks }, position) => {
    const radio = carried.map((one) => one.gear).find((one): one is Radio => one.id === gear);
    // What was only planned when the last was entered teaches nothing.
    const worked = blocks.filter(({ startMs }) => startMs < debrief.lastKnownMs);
    return radio ? { radio, position, worked } : [];
  });
  return [
    ...radios.flatMap((one) => dutyCorrections(one, followed)),
    ...radios.flatMap((one) => currentCorrections(one, trip, learned)),
    ...panelCorrections(carried, learned),
    ...packCorrections(carried, learned),
  ].filter((one, index, all) => isWorthAWord(one) && isFirst(one, index, all));
}

/** Of two radios of a kind nobody knows later which it was, and of one activity that was planned in two ways neither: the first tells. */
const isFirst = (one: Correction, index: number, all: readonly Correction[]): boolean =>
  all.findIndex((other) => correctionId(other) === correctionId(one)) === index;

/** A radio as it was worked at its operating position, from 0. */
interface WorkedRadio {
  readonly radio: Radio;
  readonly position: number;
  readonly worked: Debrief['now']['plan']['blocks'];
}

const dutyCorrections = (
  { radio, position, worked }: WorkedRadio,
  followed: Debrief['now']['followed'],
): readonly Correction[] =>
  learnedDuties(followed).flatMap((duty) => {
    const { mode, activity, planned, before, after, again } = duty;
    const isIts = (block: WorkedRadio['worked'][number]) =>
      block.mode === mode && block.activity === activity && block.share === planned;
    if (duty.position !== position || !worked.some(isIts)) return [];
    const place = { at: 'duty', mode, activity, instead: planned } as const;
    return { gear: radio.id, place, before, after, ...(again && { again }) };
  });

/** A factor on a figure as the figure: what was said of it before has the factor 1. */
function timesFigure(
  figure: number,
  { before, after, ...told }: Learned,
): Omit<Correction, 'gear' | 'place'> {
  return {
    ...told,
    before: { mean: figure, sd: figure * before.sd },
    after: { mean: figure * after.mean, sd: figure * after.sd },
  };
}

function currentCorrections(
  { radio, position, worked }: WorkedRadio,
  { rating = 'measured' }: Trip,
  learned: ReadonlyMap<LearnedName, Learned>,
): readonly Correction[] {
  const { receiveA, receiveSheetA, receiveByEarA, transmit } = radio;
  const figures = {
    receive: [receiveA, ...(receiveSheetA ? [receiveSheetA] : [])].map(asAmps),
    ...(receiveByEarA && { receiveByEar: [asAmps(receiveByEarA)] }),
    transmit,
  };
  const assumed = assumedCurrents(figures, rating);
  const of = (place: LearnedPlace, amps: number, current: LearnedCurrent): readonly Correction[] => {
    const said = learned.get(learnedAt(current, position));
    return said ? [{ gear: radio.id, place, ...timesFigure(amps, said) }] : [];
  };
  const { receiveA: quietA, receiveByEarA: heardA } = assumed;
  const hears = (block: WorkedRadio['worked'][number]) => block.byEar === true && heardA !== undefined;
  const powers = [...new Set(worked.map(({ powerW }) => powerW))];
  const keyDownA = (powerW: number) =>
    radioCurrent(assumed, { powerW, modeFactor: 1, share: 1, keyUpAtReceive: false }).keyDownA;
  return [
    ...(worked.some((block) => !hears(block)) ? of({ at: 'receiveA' }, quietA, 'receive') : []),
    ...(worked.some(hears) ? of({ at: 'receiveByEarA' }, heardA!, 'receive') : []),
    ...powers.flatMap((rfW) => of({ at: 'transmit', rfW }, keyDownA(rfW), 'keyDown')),
  ];
}

const asAmps = ({ value: amps, source }: FigureEntry) => ({ amps, source });

function panelCorrections(
  carried: readonly Carried[],
  learned: ReadonlyMap<LearnedName, Learned>,
): readonly Correction[] {
  const said = learned.get('panelOutput');
  const panel = carried.find(isKind('panel'))?.gear;
  return said && panel ? [{ gear: panel.id, place: { at: 'truth' }, ...said }] : [];
}

/** Of one kind of pack: of several, used in turn, nobody knows which it was. */
function packCorrections(
  carried: readonly Carried[],
  learned: ReadonlyMap<LearnedName, Learned>,
): readonly Correction[] {
  const packs = carried.filter(
    (one): one is Carried<Battery | PowerStation> => isKind('battery')(one) || isKind('station')(one),
  );
  const [pack] = packs;
  if (packs.length !== 1) return [];
  const { gear } = pack;
  const label = packLabelOf(gear, 1);
  const of = (place: LearnedPlace, figure: number, name: LearnedName): readonly Correction[] => {
    const said = learned.get(name);
    return said ? [{ gear: gear.id, place, ...timesFigure(figure, said) }] : [];
  };
  if (gear.kind === 'station') return of({ at: 'health' }, label.health, 'capacity');
  return [
    ...of({ at: 'measuredAh' }, label.ratedAh * label.health, 'capacity'),
    ...of({ at: 'resistanceOhm' }, resistancesAt(label, ROOM_C).ohmic, 'resistance'),
  ];
}

/** Tables of resistance are of room temperature, C. */
const ROOM_C = 25;

/** Figures are kept to four digits, shares to the per cent, as they are told: no outing teaches more. */
const tidy = ({ at }: LearnedPlace, value: number): number =>
  SHARES.has(at) ? Math.round(100 * value) / 100 : digits(value);
const digits = (value: number): number => Number(value.toPrecision(4));
const SHARES: ReadonlySet<LearnedPlace['at']> = new Set(['duty', 'truth', 'health']);

/** An item with a correction accepted; refused where the outing's is accepted already. */
export function withCorrection(
  gear: Gear,
  { place, after }: Pick<Correction, 'place' | 'after'>,
  trip: Pick<Trip, 'id' | 'name' | 'end' | 'place'>,
): Result<Gear> {
  const changed = withLearned(gear, place, {
    value: tidy(place, after.mean),
    source: 'learned',
    date: dayLearned(trip),
    spread: digits(after.sd),
    outing: trip.id,
  });
  if (changed) return succeed(changed);
  const sentence = `What ${trip.name} has taught of ${gear.name} here was accepted already. Take it back first.`;
  return fail({ code: 'accepted-twice', sentence });
}

/** An item as it was before a correction was accepted; as it is where none was. */
export const withoutCorrection = (gear: Gear, place: LearnedPlace, outing: string): Gear =>
  withoutLearned(gear, (entry, at) => entry.outing === outing && samePlace(at, place));

export const isAccepted = (gear: Gear, place: LearnedPlace, outing: string): boolean =>
  learnedOf(gear, outing).some((at) => samePlace(at, place));

/** A shelf with all of an outing's corrections accepted. */
export const withAll = (
  shelf: readonly Gear[],
  corrections: readonly Correction[],
  trip: Pick<Trip, 'id' | 'name' | 'end' | 'place'>,
): readonly Gear[] =>
  shelf.map((gear) =>
    corrections
      .filter((correction) => correction.gear === gear.id)
      .reduce((so, correction) => {
        const changed = withCorrection(so, correction, trip);
        return changed.ok ? changed.value : so;
      }, gear),
  );
