import { beats, type Source, type Trust } from '@knapsack/core';

/** A figure and where it comes from. Units are in the name of the field that holds it. */
export interface FigureEntry {
  readonly value: number;
  readonly source: Source;
  /** Day on which it was read off or measured, for example 2027-05-02. */
  readonly date?: string;
  /** Standard deviation of what was measured or learned, in the figure's own unit. */
  readonly spread?: number;
  /** Id of the trip whose outing has taught it. */
  readonly outing?: string;
}

/** A telling figure as it stands, with what else has been said of it. */
export interface Figure extends FigureEntry {
  /** The user wants this one, whatever better-founded ones there are. */
  readonly pinned?: boolean;
  /** What was said of it before or besides, the newest first. */
  readonly others?: readonly FigureEntry[];
}

/** Everything that was said of a figure, the entry that stands first. */
export const entriesOf = ({ others = [], pinned: _pinned, ...standing }: Figure): readonly FigureEntry[] => [
  standing,
  ...others,
];

/** A figure unless it was read off a simulated instrument, which a plan never calculates with. */
export const notSimulated = (figure: Figure | undefined): Figure | undefined =>
  figure?.source === 'simulated' ? undefined : figure;

/** How far a figure is to be believed: its source, and its spread where it was measured. */
export const trustOf = ({ value, source, spread }: FigureEntry): Trust => ({
  source,
  ...(spread !== undefined && value > 0 && { spread: spread / value }),
});

/** Most entries of a figure's history; the oldest go. */
export const MOST_ENTRIES = 50;

/**
 * Whether an entry gives way to another that comes after it: to a better-founded one, and to one as good. What an outing has taught goes before what was
 * measured, unless that was measured later. Source: convention of this project, docs/model.md.
 */
function givesWay(before: FigureEntry, added: FigureEntry): boolean {
  const isLearned = before.source === 'learned' || added.source === 'learned';
  const isFounded = (entry: FigureEntry) => entry.source === 'learned' || entry.source === 'measured';
  if (isLearned && isFounded(before) && isFounded(added)) {
    // A day that nobody wrote down: of what is measured it is today, as it comes in; of what stood there it is long ago.
    return (before.date ?? '') <= (added.date ?? (added.source === 'measured' ? '9' : ''));
  }
  return !beats(before.source, added.source);
}

/**
 * A figure with another entry: the better-founded stands, of equals the new one, a pinned one always; the rest is kept as
 * its history.
 */
export function withEntry(before: Figure | null, added: FigureEntry): Figure {
  if (!before) return added;
  const { pinned, others = [], ...standing } = before;
  const stays = pinned === true || !givesWay(standing, added);
  const [front, back] = stays ? [standing, added] : [added, standing];
  return {
    ...front,
    ...(pinned && { pinned }),
    others: [back, ...others].slice(0, MOST_ENTRIES),
  };
}

/** The figure with one of its history put in front and pinned there, or the pin taken off so that the best-founded stands. */
export function pinEntry({ pinned, others = [], ...standing }: Figure, index: number | null): Figure {
  const all = [standing, ...others];
  if (index === null) return arranged(bestOf(all), all);
  const chosen = others[index];
  return chosen
    ? { ...arranged(chosen, all), pinned: true }
    : { ...standing, ...(pinned && { pinned }), others };
}

/** The best-founded of a history, the newest first; of equals the newest. */
const bestOf = (all: readonly FigureEntry[]): FigureEntry =>
  all.toReversed().reduce((known, entry) => (givesWay(known, entry) ? entry : known));

/**
 * The figure without some of its entries: where the one that stands is taken away, the best-founded of the others does. Null where nothing is
 * left.
 */
export function withoutEntries(figure: Figure, isGone: (entry: FigureEntry) => boolean): Figure | null {
  const { pinned, others = [], ...standing } = figure;
  const rest = others.filter((entry) => !isGone(entry));
  if (!isGone(standing)) {
    if (rest.length === others.length) return figure;
    return { ...standing, ...(pinned && { pinned }), ...(rest.length > 0 && { others: rest }) };
  }
  return rest.length > 0 ? arranged(bestOf(rest), rest) : null;
}

const arranged = (front: FigureEntry, all: readonly FigureEntry[]): Figure => {
  const rest = all.filter((entry) => entry !== front);
  return { ...front, ...(rest.length > 0 && { others: rest }) };
};
