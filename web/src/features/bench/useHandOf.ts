import { useMemo, type Dispatch } from 'react';

import { api, type Fault, type Slot, type Spec } from '../../api/client';
import { useReadAmount } from '../../api/queries/forecast';
import { useSettings } from '../../lib/settings';
import { lockKey, withoutPour, withPour } from '../../spec/edits';
import { useLatest } from '../../ui/useLatest';
import { changeOf, type Hand, type Preview, type Wish } from './hand';
import type { useDraft } from './keep';
import type { LeftPanel, PanelMove } from './leftPanel';
import type { OpenDialog } from './useBench';

interface Lying {
  draft: ReturnType<typeof useDraft>;
  parent: Spec;
  panel: LeftPanel;
  move: Dispatch<PanelMove>;
  locked: (boolean | undefined)[];
  names: string[];
  setDialog: (dialog: OpenDialog) => void;
  preview: (preview: Preview | null) => void;
}

/** The hand on the bench, which stays the same while the drink changes; and why a mend or a size was refused, if one was. */
export function useHandOf(lying: Lying): { hand: Hand; refusal: Fault | null } {
  const { draft, move, setDialog, preview } = lying;
  const latest = useLatest(lying);
  const { supposed } = useSettings();
  const readAmount = useReadAmount();
  const { mutate: mend, error: mendRefused } = api.useMutation('post', '/api/mend');
  const { mutate: size, error: sizeRefused } = api.useMutation('post', '/api/size');
  const { moves, autosave } = draft;

  const hand = useMemo((): Hand => {
    const now = () => ({ ...latest.current, spec: latest.current.draft.draft.spec });
    const params = { query: supposed };
    // What was changed in the meantime would be lost: an answer is for the drink it was asked for.
    const answered = (asked: Spec, made: Spec, what: string) =>
      moves.change((present) => (present === asked ? made : present), what);
    return {
      change: moves.change,
      undo: moves.undo,
      redo: moves.redo,
      read: async (typed) => {
        const { spec, parent } = now();
        return readAmount({ ...typed, spec }, parent, (read) => withPour(spec, typed.pour, changeOf(read)));
      },
      typing: (typed, isFinished) => autosave.typing(typed, isFinished),
      preview,
      choose: (pour) => move({ do: 'open', open: { swap: pour } }),
      more: (pour) => setDialog({ pour }),
      add: (slot: Slot = 'other') => move({ do: 'open', open: { add: slot } }),
      bring: (to: 'back' | Wish) => move({ do: 'open', open: { bring: to } }),
      lock: (index) => {
        const { spec, locked } = now();
        const pour = spec.pours[index];
        if (pour) moves.lock(lockKey(pour), !locked[index]);
      },
      out: (index) => {
        const { spec, panel, names } = now();
        const without = { pours: withoutPour(spec, index).pours, name: `it without ${names[index]}`, out: index };
        move({ do: 'try', trying: panel.trying?.out === index ? null : without });
      },
      mend: (finding, index) => {
        const { spec, parent } = now();
        const body = { spec, parent, code: finding.code, pour: finding.pour, mend: index };
        mend({ params, body }, { onSuccess: (mended) => answered(spec, mended, `fix ${finding.code}`) });
      },
      size: () => {
        const { spec } = now();
        size({ params, body: spec }, { onSuccess: (sized) => answered(spec, sized, 'size') });
      },
      serve: (serve, what) => moves.change((spec) => ({ ...spec, serve: { ...spec.serve, ...serve } }), what),
      keep: () => setDialog('keep'),
      method: () => setDialog('method'),
      steps: () => setDialog('steps'),
      garnish: () => setDialog('garnish'),
      along: () => setDialog('along'),
    };
  }, [latest, moves, autosave, move, setDialog, preview, readAmount, mend, size, supposed]);
  return { hand, refusal: mendRefused ?? sizeRefused };
}
