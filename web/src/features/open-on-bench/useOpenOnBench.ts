import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';

import { createTrial, type DrinkDetail, drinkQuery, fetchDrink, REFETCHES, saveDraft, type Spec, unwrap } from '@/api';
import { sameDrink } from '@/spec';
import { rememberReplacedDraft, resendAbandonedSave, DEFAULT_MAKING } from '@/features/draft';

interface ReplacedDraft {
  spec: Spec;
  /** The trial that it is held against. */
  parent: number;
}

/** Whether what lies on the bench is kept as no trial. */
function isUnkept({ draft, trials }: DrinkDetail): boolean {
  return draft !== null && !trials.some(({ spec }) => sameDrink(spec, draft.spec));
}

/**
 * Lays a spec on the bench as the draft, held against a trial of the drink, and opens the bench. What lies there unkept is not replaced
 * unasked, and undoing on the bench brings it back.
 */
export function useOpenOnBench(drinkId: number) {
  const queryClient = useQueryClient();
  const navigate = useNavigate();
  const [asking, setAsking] = useState<ReplacedDraft | null>(null);
  const replace = async (drink: DrinkDetail, { spec, parent }: ReplacedDraft) => {
    const body = { parent_trial_id: parent, spec, revision: drink.draft?.revision ?? 0 };
    unwrap(await saveDraft(drinkId, body));
    if (drink.draft) rememberReplacedDraft(drinkId, drink.draft);
    // The bench opens with the draft that the drink has by then.
    await queryClient.invalidateQueries({ queryKey: drinkQuery(drinkId).queryKey });
    void navigate(`/bench/${drinkId}`);
  };
  const read = async () => {
    // What a window that was just left is still saving lies there already.
    await resendAbandonedSave(drinkId);
    return fetchDrink(drinkId);
  };
  const lay = useMutation({
    ...REFETCHES,
    mutationFn: async (replacedDraft: ReplacedDraft) => {
      const drink = await read();
      if (isUnkept(drink)) setAsking(replacedDraft);
      else await replace(drink, replacedDraft);
    },
  });
  const goOn = useMutation({
    ...REFETCHES,
    mutationFn: async ({ keeping, replacedDraft: laid }: { keeping: boolean; replacedDraft: ReplacedDraft }) => {
      const drink = await read();
      await replace(keeping ? await kept(drink) : drink, laid);
    },
  });
  return {
    lay: lay.mutate,
    /** Whether it is asked what becomes of what lies there. */
    asking: asking !== null,
    goOn: (keeping: boolean) => asking && goOn.mutate({ keeping, replacedDraft: asking }),
    leaveIt: () => setAsking(null),
    isPending: lay.isPending || goOn.isPending,
    error: lay.error ?? goOn.error,
    bench: `/bench/${drinkId}`,
  };
}

export type OpenOnBench = ReturnType<typeof useOpenOnBench>;

/** The drink with what lies on the bench kept as a trial. */
async function kept(drink: DrinkDetail): Promise<DrinkDetail> {
  if (!drink.draft) return drink;
  const body = {
    name: 'Draft from the bench',
    reason: 'Saved before another trial was opened.',
    parent_trial_id: drink.draft.parent_trial_id,
    parents: [],
    spec: drink.draft.spec,
    made: { maker: '', strainer: '', lots: {}, poured: null, supposed: DEFAULT_MAKING },
    revision: drink.draft.revision,
    beside: false,
  };
  return createTrial(drink.id, body);
}
