/** Where the tool writes; a test brings its own. */
export interface Terminal {
  out(text: string): void;
  err(text: string): void;
}

/** Input that cannot be used: one plain sentence, exit 2. */
export class InputProblem extends Error {}
