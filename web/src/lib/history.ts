/** Longest history that is kept, steps. */
const LONGEST = 200;

/** Changes of one thing that follow each other faster than this are one step back, ms. */
const ONE_STEP_MS = 1200;

/** A value with what undoing and redoing lead to; the oldest first in `past`, the next first in `future`. */
export interface History<T> {
  present: T;
  past: readonly T[];
  future: readonly T[];
  /** What the last change was about, and when, ms: keystrokes in one field are one step back. */
  touched: { what: string; at: number };
}

const UNTOUCHED = { what: '', at: 0 };

export function newHistory<T>(present: T, past: readonly T[] = []): History<T> {
  return { present, past, future: [], touched: UNTOUCHED };
}

/** The history with a changed value; changes of the same `what` within a moment are one step, an empty `what` always is its own. */
export function changed<T>(history: History<T>, present: T, what = '', at = 0): History<T> {
  const continues = what !== '' && what === history.touched.what && at - history.touched.at < ONE_STEP_MS;
  const past = continues ? history.past : [...history.past, history.present].slice(-LONGEST);
  return { present, past, future: [], touched: { what, at } };
}

/** One step back, or several at once; the same history where there is nothing to go back to. */
export function undone<T>(history: History<T>, times = 1): History<T> {
  const { past, present, future } = history;
  if (times < 1 || times > past.length) return history;
  const at = past.length - times;
  const [before, ...after] = past.slice(at) as [T, ...T[]];
  return { present: before, past: past.slice(0, at), future: [...after, present, ...future], touched: UNTOUCHED };
}

export function redone<T>(history: History<T>): History<T> {
  const { past, present, future } = history;
  if (future.length === 0) return history;
  const [next, ...later] = future as [T, ...T[]];
  return { present: next, past: [...past, present], future: later, touched: UNTOUCHED };
}

/** The history with another present that is no step of its own. */
export function amended<T>(history: History<T>, present: T): History<T> {
  return { ...history, present, touched: UNTOUCHED };
}
