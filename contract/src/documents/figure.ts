import { beats, type Source, type Trust } from '@knapsack/core';

/** A figure and where it comes from. Units are in the name of the field that holds it. */
export interface FigureEntry {
  readonly value: number;
  readonly source: Source;
  /** Day on which it was read off or measured, for example 2027-05-02. */
  readonly date?: string;
  /** Standard deviation of what was measured, in the figure's own unit. */
  readonly spread?: number;
}

/** A telling figure as it stands, with what else has been said of it. */
export interface Figure extends FigureEntry {
  /** The user wants this one, whatever better-founded ones there are. */
  readonly pinned?: boolean;
  /** What was said of it before or besides, the newest first. */
  readonly others?: readonly FigureEntry[];
}

/** How far a figure is to be believed: its source, and its spread where it was measured. */
export const trustOf = ({ value, source, spread }: FigureEntry): Trust => ({
  source,
  ...(spread !== undefined && value > 0 && { spread: spread / value }),
});

/** Most entries of a figure's history; the oldest go. */
export const MOST_ENTRIES = 50;

/**
 * A figure with another entry: the better-founded stands, of equals the new one, a pinned one always; the rest is kept as
 * its history.
 */
export function withEntry(before: Figure | null, added: FigureEntry): Figure {
  if (!before) return added;
  const { pinned, others = [], ...standing } = before;
  const stays = pinned === true || beats(standing.source, added.source);
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
  if (index === null) {
    const best = all.reduce((known, entry) => (beats(entry.source, known.source) ? entry : known));
    return arranged(best, all);
  }
  const chosen = others[index];
  return chosen
    ? { ...arranged(chosen, all), pinned: true }
    : { ...standing, ...(pinned && { pinned }), others };
}

const arranged = (front: FigureEntry, all: readonly FigureEntry[]): Figure => {
  const rest = all.filter((entry) => entry !== front);
  return { ...front, ...(rest.length > 0 && { others: rest }) };
};
