/** A value with what came before and after it. */
export interface History<T> {
  readonly present: T;
  readonly past: readonly T[];
  readonly future: readonly T[];
  /** Edits in a row with the same key, as while a block is dragged, are one step back. */
  readonly key: string | null;
  /** What could be redone before the present row of edits began. */
  readonly cut: readonly T[];
}

const MOST_STEPS = 200;

export const begin = <T>(present: T): History<T> => ({
  present,
  past: [],
  future: [],
  key: null,
  cut: [],
});

/** The history after an edit; an edit that changes nothing leaves no trace. */
export function edited<T>(history: History<T>, present: T, key: string | null = null): History<T> {
  if (present === history.present) return history;
  if (key !== null && key === history.key) return { ...history, present, future: [] };
  const past = [...history.past, history.present].slice(-MOST_STEPS);
  return { present, past, future: [], key, cut: history.future };
}

/** Ends a row of edits: the next one is a step of its own even with the same key. */
export const settled = <T>(history: History<T>): History<T> => ({ ...history, key: null });

/** The history as it was before the row of edits with a key, as when a drag is called off; as it is where that row is over. */
export function calledOff<T>(history: History<T>, key: string): History<T> {
  const { past, cut } = history;
  if (history.key !== key || past.length === 0) return history;
  return { present: past[past.length - 1], past: past.slice(0, -1), future: cut, key: null, cut: [] };
}

export function undone<T>(history: History<T>): History<T> {
  const { past, present, future } = history;
  if (past.length === 0) return history;
  const before = past[past.length - 1];
  return { present: before, past: past.slice(0, -1), future: [present, ...future], key: null, cut: [] };
}

export function redone<T>(history: History<T>): History<T> {
  const { past, present, future } = history;
  if (future.length === 0) return history;
  return { present: future[0], past: [...past, present], future: future.slice(1), key: null, cut: [] };
}
