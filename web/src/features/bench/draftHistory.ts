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
  | { do: 'undo' }
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
      const before = history.past.at(-1);
      if (!before) return history;
      return {
        present: before,
        past: history.past.slice(0, -1),
        future: [history.present, ...history.future],
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

/** The spec without one pour; amounts that followed it stay as they are. */
export function withoutPour(spec: Spec, index: number): Spec {
  const pours = spec.pours
    .filter((_, at) => at !== index)
    .map((pour) => {
      const to = pour.relative?.to;
      if (pour.relative == null || to === undefined || to < index) return pour;
      return { ...pour, relative: to === index ? null : { ...pour.relative, to: to - 1 } };
    });
  return { ...spec, pours };
}

/** Whether two specs pour the same drink by the same method. */
export function sameDrink(a: Spec, b: Spec): boolean {
  return JSON.stringify([a.pours, a.method, a.serve]) === JSON.stringify([b.pours, b.method, b.serve]);
}
