import type { PourEntry, Spec } from '../../api/client';

/** What lies on the bench: the spec and the trial it is held against. */
export interface Draft {
  spec: Spec;
  parentTrialId: number;
  /** Pours that were locked or freed by hand, by `lockKey`: true where locked. */
  locks: Record<string, boolean>;
}

/** By what a pour keeps its lock while others come and go. */
export function lockKey(pour: PourEntry): string {
  return JSON.stringify([pour.ingredient, pour.slot, pour.stage]);
}

export interface History {
  present: Draft;
  past: Draft[];
  future: Draft[];
  /** What the last change was about, and when: keystrokes on one pour are one step back. */
  touched: { what: string; at: number };
}

export type Action =
  | { do: 'change'; change: (draft: Draft) => Draft; what: string; at: number }
  | { do: 'undo'; times?: number }
  | { do: 'redo' }
  | { do: 'kept'; trialId: number };

const ONE_STEP_MS = 1200;
const LONGEST = 200;

export function openHistory(present: Draft): History {
  return { present, past: [], future: [], touched: { what: '', at: 0 } };
}

export function draftHistory(history: History, action: Action): History {
  switch (action.do) {
    case 'change': {
      const { what, at } = action;
      const continues = what === history.touched.what && at - history.touched.at < ONE_STEP_MS;
      const past = continues ? history.past : [...history.past, history.present].slice(-LONGEST);
      return { present: action.change(history.present), past, future: [], touched: { what, at } };
    }
    case 'undo': {
      const times = action.times ?? 1;
      const before = history.past.at(-times);
      if (!before) return history;
      return {
        present: before,
        past: history.past.slice(0, -times),
        future: [...history.past.slice(history.past.length - times + 1), history.present, ...history.future],
        touched: { what: '', at: 0 },
      };
    }
    case 'redo': {
      const [after, ...future] = history.future;
      if (!after) return history;
      return { present: after, past: [...history.past, history.present], future, touched: { what: '', at: 0 } };
    }
    case 'kept':
      return {
        ...history,
        present: { ...history.present, parentTrialId: action.trialId },
        touched: { what: '', at: 0 },
      };
  }
}

/** The spec with one pour changed. */
export function withPour(spec: Spec, index: number, change: Partial<PourEntry>): Spec {
  return { ...spec, pours: spec.pours.map((pour, at) => (at === index ? { ...pour, ...change } : pour)) };
}

/** The spec with its pours in another order: pour `at[i]` comes in place i; -1 has none. Amounts that followed a pour still do. */
function reordered(spec: Spec, at: number[]): Spec {
  const pours = at.flatMap((from) => {
    const pour = spec.pours[from];
    if (!pour) return [];
    const to = pour.relative ? at.indexOf(pour.relative.to) : -1;
    return [pour.relative ? { ...pour, relative: to < 0 ? null : { ...pour.relative, to } } : pour];
  });
  return { ...spec, pours };
}

const places = (spec: Spec) => spec.pours.map((_, index) => index);

/** The spec without one pour; amounts that followed it stay as they are. */
export function withoutPour(spec: Spec, index: number): Spec {
  return reordered(
    spec,
    places(spec).filter((at) => at !== index),
  );
}

/** The spec with a pour in another place. */
export function movedPour(spec: Spec, from: number, to: number): Spec {
  const rest = places(spec).filter((at) => at !== from);
  return reordered(spec, [...rest.slice(0, to), from, ...rest.slice(to)]);
}

/** The spec with a pour twice, the second right after the first. */
export function withDouble(spec: Spec, index: number): Spec {
  return reordered(
    spec,
    places(spec).flatMap((at) => (at === index ? [at, at] : [at])),
  );
}

/** Whether two specs pour the same drink by the same method. */
export function sameDrink(a: Spec, b: Spec): boolean {
  return JSON.stringify([a.pours, a.method, a.serve]) === JSON.stringify([b.pours, b.method, b.serve]);
}
