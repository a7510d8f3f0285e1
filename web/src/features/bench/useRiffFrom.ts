import { useMutation, useQueryClient } from '@tanstack/react-query';

import { client, unwrap, type Trial } from '../../api/client';

/** Lays a kept trial on the bench, to be changed and held against itself. */
export function useRiffFrom(drinkId: number) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async ({ trial, revision }: { trial: Trial; revision: number }) =>
      unwrap(
        await client.PUT('/api/drinks/{drink_id}/draft', {
          params: { path: { drink_id: drinkId } },
          body: { parent_trial_id: trial.id, spec: trial.spec, revision },
        }),
      ),
    onSuccess: () => queryClient.invalidateQueries({ queryKey: ['drink', drinkId] }),
  });
}
