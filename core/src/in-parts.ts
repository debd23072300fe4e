/** Long work that can be left between its parts: it gives the hand back after each, and its result at the end. Source: convention of this project. */
export type InParts<Result> = Generator<void, Result, void>;

/** Work in parts, done in one go. */
export function atOnce<Result>(work: InParts<Result>): Result {
  for (;;) {
    const { done, value } = work.next();
    if (done) return value;
  }
}
