import type { ActivityName, Mode } from '@knapsack/core';
import { entriesOf, withEntry, withoutEntries, type Figure, type FigureEntry } from '../documents/figure.js';
import type { Gear, Radio } from '../documents/gear.js';
import type { DutyFigure } from '../documents/operator-figures.js';
import { currentOf, transmitFigure, type TransmitFigure } from '../documents/transmit-figure.js';

/** Where on an item a figure stands that an outing can teach. */
export type LearnedPlace =
  | { readonly at: 'receiveA' | 'receiveByEarA' | 'truth' | 'measuredAh' | 'health' | 'resistanceOhm' }
  /** A transmit current at a power, W. */
  | { readonly at: 'transmit'; readonly rfW: number }
  | {
      readonly at: 'duty';
      readonly mode: Mode;
      readonly activity: ActivityName;
      /** What was planned, 0 to 1. */
      readonly instead: number;
    };

type Data = Readonly<Record<string, unknown>>;

/** The figure of a place; null where there is none. */
function figureAt(gear: Gear, place: LearnedPlace): Figure | null {
  if (place.at === 'transmit') {
    const point = learnedPoint(gear, place.rfW);
    return point ? currentOf(point) : null;
  }
  if (place.at === 'duty') {
    const duty = dutiesOf(gear).find(isAt(place));
    if (!duty) return null;
    const { mode: _mode, activity: _activity, instead: _instead, ...figure } = duty;
    return figure;
  }
  return ((gear as unknown as Data)[place.at] as Figure | undefined) ?? null;
}

/** An item with another figure at a place, or none. */
function withFigureAt(gear: Gear, place: LearnedPlace, figure: Figure | null): Gear {
  if (place.at === 'transmit') {
    const radio = gear as Radio;
    const before = learnedPoint(gear, place.rfW);
    const point = figure && transmitFigure(place.rfW, figure);
    return { ...radio, transmit: replaced(radio.transmit, before, point) };
  }
  if (place.at === 'duty') {
    const { mode, activity, instead } = place;
    const before = dutiesOf(gear).find(isAt(place));
    const duty = replaced(
      dutiesOf(gear),
      before,
      figure && { ...figure, mode, activity, instead: before?.instead ?? instead },
    );
    const { duty: _before, ...rest } = gear as Radio;
    return duty.length > 0 ? { ...(gear as Radio), duty } : rest;
  }
  if (figure) return { ...gear, [place.at]: figure };
  const { [place.at]: _gone, ...rest } = gear as unknown as Data;
  return rest as unknown as Gear;
}

/** A list with one in the place of another, at its end where there was none, or without it. */
const replaced = <One>(all: readonly One[], before: One | undefined, one: One | null): readonly One[] =>
  before === undefined
    ? [...all, ...(one ? [one] : [])]
    : all.flatMap((each) => (each === before ? (one ?? []) : each));

const dutiesOf = (gear: Gear): readonly DutyFigure[] => (gear.kind === 'radio' ? (gear.duty ?? []) : []);

const isAt =
  ({ mode, activity }: Pick<DutyFigure, 'mode' | 'activity'>) =>
  (duty: DutyFigure): boolean =>
    duty.mode === mode && duty.activity === activity;

/** The point of a power that outings teach: the one that they have, else the one that was measured. What a sheet says stays beside it. */
function learnedPoint(gear: Gear, rfW: number): TransmitFigure | undefined {
  if (gear.kind !== 'radio') return undefined;
  const here = gear.transmit.filter((point) => point.rfW === rfW);
  return here.find(isTaught) ?? here.find(({ source }) => source === 'measured');
}

const isTaught = (point: TransmitFigure): boolean =>
  entriesOf(currentOf(point)).some(({ source }) => source === 'learned');

/** Whether two places are one. */
export const samePlace = (one: LearnedPlace, other: LearnedPlace): boolean => {
  if (one.at === 'transmit' && other.at === 'transmit') return one.rfW === other.rfW;
  if (one.at === 'duty' && other.at === 'duty') return isAt(one)(other as unknown as DutyFigure);
  return one.at === other.at;
};

/** An item that has learned an entry; null where it has learned one of that outing there before. */
export function withLearned(gear: Gear, place: LearnedPlace, entry: FigureEntry): Gear | null {
  const before = figureAt(gear, place);
  if (before && entriesOf(before).some(({ outing }) => outing === entry.outing)) return null;
  return withFigureAt(gear, place, withEntry(before, entry));
}

/** Every place of an item where something was learned. */
function placesOf(gear: Gear): readonly LearnedPlace[] {
  const points = gear.kind === 'radio' ? gear.transmit.filter(isTaught) : [];
  return [
    ...PLAIN.filter((at) => figureAt(gear, { at }) !== null).map((at) => ({ at })),
    ...points.map(({ rfW }) => ({ at: 'transmit' as const, rfW })),
    ...dutiesOf(gear).map(({ mode, activity, instead }) => ({
      at: 'duty' as const,
      mode,
      activity,
      instead,
    })),
  ];
}

const PLAIN = ['receiveA', 'receiveByEarA', 'truth', 'measuredAh', 'health', 'resistanceOhm'] as const;

/** Whether an item is none without the figure of a place: then it stays, whatever was said of it. */
const isNeeded = (gear: Gear, { at }: LearnedPlace): boolean =>
  at === 'receiveA' || (at === 'transmit' && gear.kind === 'radio' && gear.transmit.length === 1);

/** An item without some of what was said of the figures that outings teach. */
export const withoutLearned = (
  gear: Gear,
  isGone: (entry: FigureEntry, place: LearnedPlace) => boolean,
): Gear =>
  placesOf(gear).reduce((so, place) => {
    const before = figureAt(so, place);
    const after = before && withoutEntries(before, (entry) => isGone(entry, place));
    return after === before || (after === null && isNeeded(so, place)) ? so : withFigureAt(so, place, after);
  }, gear);

/** What an outing has taught an item and was accepted: where. */
export const learnedOf = (gear: Gear, outing: string): readonly LearnedPlace[] =>
  placesOf(gear).filter((place) => {
    const figure = figureAt(gear, place);
    return figure !== null && entriesOf(figure).some((entry) => entry.outing === outing);
  });
