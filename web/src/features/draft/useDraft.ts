import { useEffect, useMemo, useRef, useState } from 'react';

import { openingDraft, type DrinkDetail, type Spec, type Trial } from '@/api';
import { useSettings } from '@/hooks';
import { amended, changed, newHistory, redone, undone } from '@/lib';
import { sameDrink } from '@/spec';
import { autosaveOf, useSaveOnLeave } from './autosave';
import type { Draft } from './draft';
import type { RecoveredDraft } from './recovered';
import { takeReplacedDraft } from './replaced';
import { forgetUnsaved } from './unsaved';

/** The draft of a drink: changed, undone, redone and saved as it goes. What changes it stays the same for as long as the bench is there. */
export function useDraft(drink: DrinkDetail, recovered: RecoveredDraft | null) {
  const { ounceMl } = useSettings();
  const [opening] = useState(() => opened(drink, recovered, ounceMl));
  const [history, setHistory] = useState(() => newHistory(opening.present, opening.before));
  const { autosave } = opening;
  useSaveOnLeave(autosave);
  const { present, past, future } = history;

  // Saving follows the draft and not the gesture.
  const saved = useRef(opening.isSaved ? present : null);
  useEffect(() => {
    if (saved.current === present) return;
    saved.current = present;
    autosave.schedule(present);
  }, [present, autosave]);
  // What is back on the bench is this window's to save now.
  useEffect(() => {
    if (!opening.leftover?.isBack) return;
    autosave.typing(opening.leftover.recovered.typed);
    forgetUnsaved(opening.leftover.recovered);
  }, [opening, autosave]);

  const moves = useMemo(() => {
    const change = (of: (draft: Draft) => Draft, what: string) => {
      const at = performance.now();
      setHistory((now) => changed(now, of(now.present), what, at));
    };
    return {
      /** Changes are told as what they do to the draft: an amount that was still being read must not bring back an older drink. */
      change: (of: (spec: Spec) => Spec, what: string) => change((draft) => ({ ...draft, spec: of(draft.spec) }), what),
      /** Lays another draft in its place. */
      lay: (draft: Draft) => change(() => draft, 'laid'),
      holdAgainst: (trial: Trial) => change((draft) => ({ ...draft, parentTrialId: trial.id }), 'parent'),
      /** Locks a pour, or frees it. */
      lock: (key: string, locked: boolean) =>
        change((draft) => ({ ...draft, locks: { ...draft.locks, [key]: locked } }), `lock ${key} ${locked}`),
      /** After keeping: the draft is held against the trial it became; the server has saved both. */
      kept: (trial: Trial, revision: number) => {
        autosave.keptAt(revision, trial);
        setHistory((now) => amended(now, { ...now.present, parentTrialId: trial.id }));
      },
      /** One step back, or several at once: to a point of the trail. */
      undo: (times = 1) => setHistory((now) => undone(now, times)),
      redo: () => setHistory(redone),
    };
  }, [autosave]);

  return {
    draft: present,
    moves,
    past,
    canUndo: past.length > 0,
    canRedo: future.length > 0,
    autosave,
    leftover: opening.leftover,
  };
}

/** What is left of an earlier visit: back on the bench already, or offered where the drink was changed elsewhere since. */
export interface Leftover {
  recovered: RecoveredDraft;
  isBack: boolean;
}

/** What the bench opens with: what this window still saves, what an earlier one left behind, or the draft that the server has. */
function opened(drink: DrinkDetail, recovered: RecoveredDraft | null, ounceMl: number) {
  const lying = firstDraft(drink, ounceMl);
  const autosave = autosaveOf(drink, lying);
  const laidOver = takeReplacedDraft(drink.id);
  const replaced = laidOver && { spec: laidOver.spec, parentTrialId: laidOver.parent_trial_id, locks: {} };
  if (autosave.unsaved) return { autosave, present: autosave.unsaved, before: [lying], isSaved: true, leftover: null };
  if (!recovered)
    return { autosave, present: lying, before: replaced ? [replaced] : [], isSaved: true, leftover: null };
  const isSaved = sameDraft(recovered.draft, lying);
  const isBack = isSaved || recovered.revision === autosave.revision;
  const before = isBack && !sameDraft(recovered.saved, recovered.draft) ? [recovered.saved] : [];
  const present = isBack && !isSaved ? recovered.draft : lying;
  return { autosave, present, before, isSaved: isSaved || !isBack, leftover: { recovered, isBack } };
}

function sameDraft(one: Draft, other: Draft): boolean {
  return one.parentTrialId === other.parentTrialId && sameDrink(one.spec, other.spec);
}

function firstDraft(drink: DrinkDetail, ounceMl: number): Draft {
  const { spec, parent_trial_id } = openingDraft(drink);
  return { spec: withOunce(spec, ounceMl), parentTrialId: parent_trial_id, locks: {} };
}

/** Where nothing is written in ounces, the ounce is only one to show amounts in: the house's. */
function withOunce(spec: Spec, ounceMl: number): Spec {
  const written = spec.pours.some(({ unit }) => unit === 'oz');
  return written || spec.ounce_ml === ounceMl ? spec : { ...spec, ounce_ml: ounceMl };
}
