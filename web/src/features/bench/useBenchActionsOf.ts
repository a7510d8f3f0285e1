import { useMemo, type Dispatch } from 'react';

import { type Fault, type Slot, type Spec, useApplyFix, useParsedAmount, useScaleToGlass } from '@/api';
import { useLatest, useSettings } from '@/hooks';
import { lockKey, withoutPour, withPour } from '@/spec';
import { pourChange, type BenchActions, type PourPreview, type FieldTarget } from './benchActions';
import type { useDraft } from '@/features/draft';
import type { LeftPanelState, LeftPanelAction } from './leftPanelState';
import type { OpenDialog } from './useBench';

interface ActionContext {
  draft: ReturnType<typeof useDraft>;
  parent: Spec;
  panel: LeftPanelState;
  move: Dispatch<LeftPanelAction>;
  locked: (boolean | undefined)[];
  names: string[];
  setDialog: (dialog: OpenDialog) => void;
  preview: (preview: PourPreview | null) => void;
}

/** The hand on the bench, which stays the same while the drink changes; and why a mend or a size was refused, if one was. */
export function useBenchActionsOf(lying: ActionContext): { hand: BenchActions; refusal: Fault | null } {
  const { draft, move, setDialog, preview } = lying;
  const latest = useLatest(lying);
  const { supposed } = useSettings();
  const readAmount = useParsedAmount();
  const { mutate: mend, error: mendRefused } = useApplyFix();
  const { mutate: size, error: sizeRefused } = useScaleToGlass();
  const { moves, autosave } = draft;

  const hand = useMemo((): BenchActions => {
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
        return readAmount({ ...typed, spec }, parent, (read) => withPour(spec, typed.pour, pourChange(read)));
      },
      typing: (typed, isFinished) => autosave.typing(typed, isFinished),
      preview,
      choose: (pour) => move({ do: 'open', open: { swap: pour } }),
      more: (pour) => setDialog({ pour }),
      add: (slot: Slot = 'other') => move({ do: 'open', open: { add: slot } }),
      bring: (to: 'back' | FieldTarget) => move({ do: 'open', open: { bring: to } }),
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
