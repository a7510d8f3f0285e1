import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';

import { client, unwrap, type DrinkDetail, type Spec } from '../../api/client';
import { drinkQuery } from '../../api/queries/drinks';
import { sameDrink } from '../../spec/edits';
import { rememberReplaced, settleLeftBehind, USUAL } from '../bench';

interface Laid {
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
export function useLaying(drinkId: number) {
  const queryClient = useQueryClient();
  const navigate = useNavigate();
  const params = { path: { drink_id: drinkId } };
  const [asking, setAsking] = useState<Laid | null>(null);
  const replace = async (drink: DrinkDetail, { spec, parent }: Laid) => {
    const body = { parent_trial_id: parent, spec, revision: drink.draft?.revision ?? 0 };
    unwrap(await client.PUT('/api/drinks/{drink_id}/draft', { params, body }));
    if (drink.draft) rememberReplaced(drinkId, drink.draft);
    // The bench opens with the draft that the drink has by then.
    await queryClient.invalidateQueries({ queryKey: drinkQuery(drinkId).queryKey });
    void navigate(`/bench/${drinkId}`);
  };
  const read = async () => {
    // What a window that was just left is still saving lies there already.
    await settleLeftBehind(drinkId);
    return unwrap(await client.GET('/api/drinks/{drink_id}', { params }));
  };
  const lay = useMutation({
    mutationFn: async (laid: Laid) => {
      const drink = await read();
      if (isUnkept(drink)) setAsking(laid);
      else await replace(drink, laid);
    },
  });
  const goOn = useMutation({
    mutationFn: async ({ keeping, laid }: { keeping: boolean; laid: Laid }) => {
      const drink = await read();
      await replace(keeping ? await kept(drink) : drink, laid);
    },
  });
  return {
    lay: lay.mutate,
    /** Whether it is asked what becomes of what lies there. */
    asking: asking !== null,
    goOn: (keeping: boolean) => asking && goOn.mutate({ keeping, laid: asking }),
    leaveIt: () => setAsking(null),
    isPending: lay.isPending || goOn.isPending,
    error: lay.error ?? goOn.error,
    bench: `/bench/${drinkId}`,
  };
}

export type Laying = ReturnType<typeof useLaying>;

/** The drink with what lies on the bench kept as a trial. */
async function kept(drink: DrinkDetail): Promise<DrinkDetail> {
  if (!drink.draft) return drink;
  const body = {
    name: 'Draft from the bench',
    reason: 'Saved before another trial was opened.',
    parent_trial_id: drink.draft.parent_trial_id,
    parents: [],
    spec: drink.draft.spec,
    made: { maker: '', strainer: '', lots: {}, poured: null, supposed: USUAL },
    revision: drink.draft.revision,
    beside: false,
  };
  const params = { path: { drink_id: drink.id }, query: {} };
  return unwrap(await client.POST('/api/drinks/{drink_id}/trials', { params, body }));
}
