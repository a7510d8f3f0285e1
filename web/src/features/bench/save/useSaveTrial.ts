import { useNavigate } from 'react-router';

import { type DrinkDetail, type PourEntry, type Spec, type Trial, useCreateTrial } from '@/api';
import { changeSettings, useSettings } from '@/hooks';
import { DEFAULT_MAKING, type Autosave } from '@/features/draft';

/** What is told of a trial when it is kept. */
export interface TrialNotes {
  name: string;
  reason: string;
  maker: string;
  strainer: string;
  /** Words by slug. */
  lots: Record<string, string>;
}

interface SaveRequest {
  drink: DrinkDetail;
  spec: Spec;
  parent: Trial;
  poured: PourEntry[] | null;
  autosave: Autosave;
  onKept: (trial: Trial, revision: number) => void;
}

/** Keeps a trial as made; the draft is then held against it. */
export function useSaveTrial({ drink, spec, parent, poured, autosave, onKept }: SaveRequest) {
  const { taster, supposed } = useSettings();
  const navigate = useNavigate();
  const keep = useCreateTrial();
  const submit = async (trialNotes: TrialNotes, beside: boolean) => {
    // A save that is under way comes first, so that both don't cross.
    await autosave.flush();
    const maker = trialNotes.maker.trim();
    changeSettings({ taster: maker });
    const lots = Object.fromEntries(Object.entries(trialNotes.lots).filter(([, words]) => words.trim()));
    const body = {
      name: trialNotes.name.trim(),
      reason: trialNotes.reason.trim(),
      parent_trial_id: parent.id,
      parents: [],
      spec,
      made: { maker, strainer: trialNotes.strainer, lots, poured, supposed: DEFAULT_MAKING },
      revision: autosave.revision,
      beside,
    };
    const keeping = keep.mutateAsync({ params: { path: { drink_id: drink.id }, query: supposed }, body });
    void autosave.holdWhile(keeping);
    try {
      // It may take until the server answers again; the dialog may be closed by then.
      const kept = await keeping;
      const trial = kept.trials.at(-1);
      if (!trial) return;
      // The draft is the other window's: both are looked at side by side, and neither is written over.
      if (beside) void navigate(`/trials/${drink.id}?show=${trial.number - 1}&show=${trial.number}`);
      else onKept(trial, kept.draft?.revision ?? 0);
    } catch {
      // Why it was refused stands in the dialog.
    }
  };
  return {
    firstTold: (name: string): TrialNotes => ({ name, reason: '', maker: taster, strainer: '', lots: {} }),
    submit,
    isPending: keep.isPending,
    error: keep.error,
    overtaken: keep.error?.code === 'conflict',
  };
}
