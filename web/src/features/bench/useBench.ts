import { useQuery } from '@tanstack/react-query';
import { useCallback, useMemo, useReducer, useState } from 'react';

import { parentTrial, someIngredientsQuery, type DrinkDetail, type Ingredient, type PourEntry, type Spec } from '@/api';
import { useSettings } from '@/hooks';
import { amountWords, lockKey, namesIn, withPours } from '@/spec';
import type { Ghost, Lockable } from '@/features/swaps';
import type { PourPreview } from './benchActions';
import { useDraft, type RecoveredDraft } from '@/features/draft';
import { CLOSED_PANEL, leftPanelState } from './leftPanelState';
import { useStepTicks, withActualPours, type SideTab } from './method';
import { contributionsOf } from './pours';
import { useBenchActionsOf } from './useBenchActionsOf';
import { useDisplayedSpec } from './useDisplayedSpec';

/** What is open over the bench. */
export type OpenDialog = 'keep' | 'method' | 'steps' | 'garnish' | 'along' | { pour: number } | null;

/** All that lies on the bench: the draft and what it is held against, what is open and tried on, the figures, and the hand. */
export function useBench(drink: DrinkDetail, ingredients: Ingredient[], recovered: RecoveredDraft | null) {
  const draft = useDraft(drink, recovered);
  const ticks = useStepTicks(drink.id);
  const [panel, move] = useReducer(leftPanelState, CLOSED_PANEL);
  const [dialog, setDialog] = useState<OpenDialog>(null);
  const [tab, setTab] = useState<SideTab>('method');
  const { spec, parentTrialId, locks } = draft.draft;
  const parent = parentTrial(drink, parentTrialId);
  const [preview, setPreview] = useState<PourPreview | null>(null);
  const look = useDisplayedSpec({ draft, parent: parent.spec, panel, making: ticks.making, preview });

  const larder = useLarderOf(spec, ingredients);
  const nameOf = useMemo(() => namesIn(larder), [larder]);
  const names = useMemo(() => spec.pours.map(({ ingredient }) => nameOf(ingredient)), [spec, nameOf]);
  const { comparison } = look;
  const out = panel.trying?.out;
  const brings = useMemo(() => contributionsOf(comparison?.present, spec, out), [comparison, spec, out]);
  const locked = useMemo(
    () => spec.pours.map((pour, index) => isLocked(pour, brings[index]?.free, locks)),
    [spec, brings, locks],
  );
  const lockable = useLockable(spec.pours, locked, names, spec.ounce_ml);
  const handOf = useBenchActionsOf({
    draft,
    parent: parent.spec,
    panel,
    move,
    locked,
    names,
    setDialog,
    preview: setPreview,
  });
  const doings = useMemo(
    () => ({
      onTry: (pours: PourEntry[] | null, name: string) => move({ do: 'try', trying: pours && { pours, name } }),
      onGhost: (path: Ghost | null) => move({ do: 'point', path }),
      onCandidate: (candidate: Ingredient | null) => move({ do: 'candidate', candidate }),
      take: (pours: PourEntry[], what: string) => {
        handOf.hand.change((present) => withPours(present, pours), what);
        move({ do: 'close' });
      },
    }),
    [handOf.hand],
  );
  const writeSo = useCallback(() => {
    handOf.hand.change((present) => withActualPours(present, ticks.making), 'really poured');
    ticks.forgetPoured();
  }, [handOf.hand, ticks]);
  const reallyPoured = Object.keys(ticks.making.poured).length > 0 ? withActualPours(spec, ticks.making).pours : null;
  return {
    ...{ drink, larder, parent, spec, draft, ticks, panel, move, dialog, setDialog, tab, setTab },
    ...{ look, nameOf, names, brings, locked, lockable, reallyPoured, hand: handOf.hand, refusal: handOf.refusal },
    ...doings,
    writeSo,
  };
}

export type Bench = ReturnType<typeof useBench>;

/** Whether a pour stays when the drink is brought back: by hand, or as usual; undefined where it has no amount to choose. */
function isLocked(pour: PourEntry, free: boolean | null | undefined, locks: Record<string, boolean>) {
  return free == null ? undefined : (locks[lockKey(pour)] ?? !free);
}

/** The ingredients of a drink, with those that a spec has besides. */
function useLarderOf(spec: Spec, known: Ingredient[]) {
  const further = useMemo(() => {
    const slugs = new Set(known.map(({ slug }) => slug));
    return spec.pours.flatMap(({ ingredient: slug }) => (typeof slug === 'string' && !slugs.has(slug) ? [slug] : []));
  }, [spec, known]);
  const { data } = useQuery({ ...someIngredientsQuery(further), enabled: further.length > 0 });
  return useMemo(() => (data ? [...known, ...data] : known), [known, data]);
}

/** The pours that can be locked and freed, with what they are called there. */
function useLockable(pours: PourEntry[], locked: (boolean | undefined)[], names: string[], ounceMl: number) {
  const { shown } = useSettings();
  return useMemo(
    () =>
      pours.flatMap((pour, index): Lockable[] => {
        const stays = locked[index];
        const [name, amount] = [names[index] ?? '', amountWords(pour, shown, ounceMl)];
        return stays === undefined ? [] : [{ index, name, amount, free: !stays }];
      }),
    [pours, locked, names, shown, ounceMl],
  );
}
