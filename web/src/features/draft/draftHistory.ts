import type { Spec } from '@/api';

/** What lies on the bench: the spec and the trial it is held against. */
export interface Draft {
  spec: Spec;
  parentTrialId: number;
  /** Pours that were locked or freed by hand, by `lockKey`: true where locked. */
  locks: Record<string, boolean>;
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

/** ``before`` is what undoing goes back to, the oldest first. */
export function openHistory(present: Draft, before: Draft[] = []): History {
  return { present, past: before, future: [], touched: { what: '', at: 0 } };
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
