import { queryOptions, useMutation, useQueryClient, type QueryClient } from '@tanstack/react-query';

import { client, unwrap, type DrinkDetail, type Made, type Spec } from '../../api/client';
import { savesSettled } from '../../api/pendingSaves';
import { useSettings } from '../../lib/settings';

export const drinkQuery = (id: number) =>
  queryOptions({
    queryKey: ['drink', id],
    queryFn: async ({ signal }) => {
      await savesSettled();
      return unwrap(await client.GET('/api/drinks/{drink_id}', { params: { path: { drink_id: id } }, signal }));
    },
    // A draft is edited here, so only a visit reads it anew.
    staleTime: 0,
  });

/**
 * What the server answered is what every view shows. It is told at once and not after the book was read again: until the
 * bench knows its new revision, a change made there could not be saved.
 */
function tell(queryClient: QueryClient, drink: DrinkDetail) {
  queryClient.setQueryData(['drink', drink.id], drink);
  for (const key of ['drinks', 'notebook', 'tree', 'side by side']) {
    void queryClient.invalidateQueries({ queryKey: [key] });
  }
}

interface NewTrial {
  name: string;
  reason: string;
  parent_trial_id: number;
  spec: Spec;
  made: Made;
  revision: number;
  /** Keeps the trial and leaves the draft to the window that saved it last. */
  beside: boolean;
}

/** Keeps a trial as made; the draft is then held against it. */
export function useKeepTrial(id: number) {
  const queryClient = useQueryClient();
  const { supposed } = useSettings();
  return useMutation({
    mutationFn: async (body: NewTrial) =>
      unwrap(
        await client.POST('/api/drinks/{drink_id}/trials', {
          params: { path: { drink_id: id }, query: supposed },
          body: { ...body, parents: [] },
        }),
      ),
    onSuccess: (drink) => tell(queryClient, drink),
  });
}

/** Lets a trial count towards its family's home, or no longer; every place on the field may change. */
export function useCountAsHome(id: number) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async ({ trialId, counts }: { trialId: number; counts: boolean }) =>
      unwrap(
        await client.PUT('/api/drinks/{drink_id}/trials/{trial_id}/reference', {
          params: { path: { drink_id: id, trial_id: trialId } },
          body: { counts },
        }),
      ),
    onSuccess: (drink) => {
      tell(queryClient, drink);
      for (const key of ['families', 'comparison', 'forecast', 'course']) {
        void queryClient.invalidateQueries({ queryKey: [key] });
      }
    },
  });
}

/** Gives a drink another name. */
export function useRename(id: number) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async (name: string) =>
      unwrap(await client.PATCH('/api/drinks/{drink_id}', { params: { path: { drink_id: id } }, body: { name } })),
    onSuccess: (drink) => tell(queryClient, drink),
  });
}
