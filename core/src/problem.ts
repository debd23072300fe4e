/**
 * A plan that cannot be computed, said in a plain sentence: what is wrong and what would be right.
 * The core returns problems as values; it throws only for its own bugs.
 */
export interface Problem {
  /** What the problem is about, for a program: stable, in kebab case. */
  readonly code: string;
  /** What the problem is about, for a person. Ends with a full stop. */
  readonly sentence: string;
  /** Path of the offending field within the document, as a JSON pointer (RFC 6901), where there is one. */
  readonly pointer?: string;
}

export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly problems: readonly Problem[] };

export const succeed = <T>(value: T): Result<T> => ({ ok: true, value });

export const fail = (...problems: readonly Problem[]): Result<never> => ({ ok: false, problems });
