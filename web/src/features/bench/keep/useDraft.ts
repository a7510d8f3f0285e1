import { useEffect, useMemo, useReducer, useRef } from 'react';

import type { DrinkDetail, Spec, Trial } from '../../../api/client';
import { useSettings } from '../../../lib/settings';
import { useAutosave } from './autosave';
import { draftHistory, openHistory, type Draft } from './draftHistory';

/** The draft of a drink: changed, undone, redone and saved as it goes. What changes it stays the same for as long as the bench is there. */
export function useDraft(drink: DrinkDetail) {
  const { ounceMl } = useSettings();
  const [history, dispatch] = useReducer(draftHistory, drink, (first) => openHistory(firstDraft(first, ounceMl)));
  const autosave = useAutosave(drink.id, drink.draft?.revision ?? 0);
  const { present, past, future } = history;

  // Undo and redo change the draft inside the reducer, so saving follows the draft and not the gesture.
  const saved = useRef(present);
  useEffect(() => {
    if (saved.current === present) return;
    saved.current = present;
    autosave.schedule(present);
  }, [present, autosave]);

  const moves = useMemo(() => {
    const change = (of: (draft: Draft) => Draft, what: string) =>
      dispatch({ do: 'change', change: of, what, at: performance.now() });
    return {
      /** Changes are told as what they do to the draft: an amount that was still being read must not bring back an older drink. */
      change: (of: (spec: Spec) => Spec, what: string) => change((draft) => ({ ...draft, spec: of(draft.spec) }), what),
      holdAgainst: (trial: Trial) => change((draft) => ({ ...draft, parentTrialId: trial.id }), 'parent'),
      /** Locks a pour, or frees it. */
      lock: (key: string, locked: boolean) =>
        change((draft) => ({ ...draft, locks: { ...draft.locks, [key]: locked } }), `lock ${key} ${locked}`),
      /** After keeping: the draft is held against the trial it became; the server has saved both. */
      kept: (trial: Trial, revision: number) => {
        autosave.keptAt(revision);
        dispatch({ do: 'kept', trialId: trial.id });
      },
      /** One step back, or several at once: to a point of the trail. */
      undo: (times = 1) => dispatch({ do: 'undo', times }),
      redo: () => dispatch({ do: 'redo' }),
    };
  }, [autosave]);

  return { draft: present, moves, past, canUndo: past.length > 0, canRedo: future.length > 0, autosave };
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
