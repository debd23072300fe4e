/** A word that can be chosen, and how it is said. */
export interface Choice<Word extends string = string> {
  readonly value: Word;
  readonly label: string;
}

/** The words of a table as choices, in its order: what is picked of them is one of its keys. */
export const choicesOf = <Word extends string>(
  table: Readonly<Record<Word, string | { readonly label: string }>>,
): readonly Choice<Word>[] =>
  (Object.keys(table) as Word[]).map((value) => {
    const words = table[value];
    return { value, label: typeof words === 'string' ? words : words.label };
  });
