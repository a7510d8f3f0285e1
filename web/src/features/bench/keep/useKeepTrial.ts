import { useNavigate } from 'react-router';

import { api, type DrinkDetail, type Made, type PourEntry, type Spec, type Trial } from '../../../api/client';
import { useTellDrink } from '../../../api/queries/drinks';
import { changeSettings, useSettings } from '../../../lib/settings';
import type { Autosave } from './autosave';

/** What is told of a trial when it is kept. */
export interface Keeping {
  name: string;
  reason: string;
  maker: string;
  strainer: string;
  /** Words by slug. */
  lots: Record<string, string>;
}

interface Asked {
  drink: DrinkDetail;
  spec: Spec;
  parent: Trial;
  poured: PourEntry[] | null;
  autosave: Autosave;
  onKept: (trial: Trial, revision: number) => void;
}

/** What the server fills in: what the forecast of the day supposed. */
export const USUAL: Made['supposed'] = { dilution: 'curve', ice_c: 0, start_c: 22, room_c: 22, factors: {} };

/** Keeps a trial as made; the draft is then held against it. */
export function useKeepTrial({ drink, spec, parent, poured, autosave, onKept }: Asked) {
  const { taster, supposed } = useSettings();
  const navigate = useNavigate();
  const tell = useTellDrink();
  const keep = api.useMutation('post', '/api/drinks/{drink_id}/trials', { onSuccess: tell });
  const submit = async (told: Keeping, beside: boolean) => {
    // A save that is under way comes first, so that both don't cross.
    await autosave.flush();
    const maker = told.maker.trim();
    changeSettings({ taster: maker });
    const lots = Object.fromEntries(Object.entries(told.lots).filter(([, words]) => words.trim()));
    const body = {
      name: told.name.trim(),
      reason: told.reason.trim(),
      parent_trial_id: parent.id,
      parents: [],
      spec,
      made: { maker, strainer: told.strainer, lots, poured, supposed: USUAL },
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
    firstTold: (name: string): Keeping => ({ name, reason: '', maker: taster, strainer: '', lots: {} }),
    submit,
    isPending: keep.isPending,
    error: keep.error,
    overtaken: keep.error?.code === 'conflict',
  };
}
