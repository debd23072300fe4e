import type { Radio } from '../documents/gear.js';
import { savedOnto, type Mark, type MarkFigures } from './marks.js';

export interface MarkRow {
  readonly mark: Mark;
  readonly figures: MarkFigures;
}

/** A radio with several marks saved onto it. */
export interface SavedMarks {
  readonly radio: Radio;
  /** The marks that it took. */
  readonly ids: readonly number[];
  /** Why it did not take the others. */
  readonly refused: readonly { readonly id: number; readonly sentence: string }[];
}

/** Saves marks onto a radio in their order; one that says nothing of it stops no other. */
export function saveMarks(
  radio: Radio,
  rows: readonly MarkRow[],
  date: string,
  source: 'measured' | 'simulated' = 'measured',
): SavedMarks {
  return rows.reduce<SavedMarks>(
    (so, { mark, figures }) => {
      const changed = savedOnto(so.radio, mark, figures, date, source);
      return typeof changed === 'string'
        ? { ...so, refused: [...so.refused, { id: mark.id, sentence: changed }] }
        : { ...so, radio: changed, ids: [...so.ids, mark.id] };
    },
    { radio, ids: [], refused: [] },
  );
}

/** Why marks were not taken, a sentence each; where several were asked for, with the number that a mark has in the table. */
export const sayRefused = (
  { ids, refused }: Pick<SavedMarks, 'ids' | 'refused'>,
  marks: readonly Mark[],
): readonly string[] =>
  refused.map(({ id, sentence }) =>
    ids.length + refused.length > 1
      ? `Segment ${marks.findIndex((mark) => mark.id === id) + 1}: ${sentence}`
      : sentence,
  );
