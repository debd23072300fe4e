/** Where the tool writes; a test brings its own. */
export interface Terminal {
  out(text: string): void;
  err(text: string): void;
  /** Asks for a line that is not shown as it is typed; null where nothing more comes. */
  askHidden(question: string): Promise<string | null>;
}

/** Input that cannot be used: one plain sentence, exit 2. */
export class InputProblem extends Error {}
