import { useCallback, useEffect, useReducer, useRef } from 'react';

import type { DrinkDetail, Spec, Trial } from '../../api/client';
import { draftHistory, openHistory, type Draft } from './draftHistory';
import { useSettings } from '../../lib/settings';
import { useAutosave } from './useAutosave';

/** The draft of a drink: changed, undone, redone and saved as it goes. */
export function useDraft(drink: DrinkDetail) {
  const { ounceMl } = useSettings();
  const [history, dispatch] = useReducer(draftHistory, drink, (first) => openHistory(firstDraft(first, ounceMl)));
  const autosave = useAutosave(drink.id, drink.draft?.revision ?? 0);
  const { present } = history;
  const { schedule } = autosave;

  // Undo and redo change the draft inside the reducer, so saving follows the draft and not the gesture.
  const saved = useRef(present);
  useEffect(() => {
    if (saved.current === present) return;
    saved.current = present;
    schedule(present);
  }, [present, schedule]);

  // Changes are told as what they do to the draft: an amount that was still being read must not bring back an older drink.
  const change = useCallback((of: (spec: Spec) => Spec, what: string) => {
    dispatch({ do: 'change', change: (draft) => ({ ...draft, spec: of(draft.spec) }), what, at: performance.now() });
  }, []);
  const holdAgainst = (trial: Trial) =>
    dispatch({
      do: 'change',
      change: (draft) => ({ ...draft, parentTrialId: trial.id }),
      what: 'parent',
      at: performance.now(),
    });

  /** Locks a pour, or frees it. */
  const lock = useCallback((key: string, locked: boolean) => {
    const change = (draft: Draft) => ({ ...draft, locks: { ...draft.locks, [key]: locked } });
    dispatch({ do: 'change', change, what: `lock ${key} ${locked}`, at: performance.now() });
  }, []);

  /** After keeping: the draft is held against the trial it became; the server has saved both. */
  const kept = (trial: Trial, revision: number) => {
    autosave.settle(revision);
    dispatch({ do: 'kept', trialId: trial.id });
  };

  return {
    draft: present,
    change,
    holdAgainst,
    lock,
    kept,
    /** One step back, or several at once: to a point of the trail. */
    undo: (times = 1) => dispatch({ do: 'undo', times }),
    redo: () => dispatch({ do: 'redo' }),
    past: history.past,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
    autosave,
  };
}

function firstDraft(drink: DrinkDetail, ounceMl: number): Draft {
  const latest = drink.trials.at(-1);
  if (!latest) throw new Error('a drink has at least one trial');
  const { spec, parent_trial_id } = drink.draft ?? { spec: latest.spec, parent_trial_id: latest.id };
  return { spec: withOunce(spec, ounceMl), parentTrialId: parent_trial_id, locks: {} };
}

/** Where nothing is written in ounces, the ounce is only one to show amounts in: the house's. */
function withOunce(spec: Spec, ounceMl: number): Spec {
  const written = spec.pours.some(({ unit }) => unit === 'oz');
  return written || spec.ounce_ml === ounceMl ? spec : { ...spec, ounce_ml: ounceMl };
}
