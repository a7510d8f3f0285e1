import { keepPreviousData, queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';

import { client, unwrap, type School } from '../../api/client';
import type { paths } from '../../api/schema';
import { savesSettled } from '../../api/pendingSaves';

/** What is looked for in the book, besides words. */
export type Sought = NonNullable<paths['/api/drinks']['get']['parameters']['query']>;

/** Drinks in which every typed word is found, and all that is sought besides; with nothing sought, the whole book. */
export const drinksQuery = (sought: Sought = {}) =>
  queryOptions({
    queryKey: ['drinks', sought],
    queryFn: async ({ signal }) => {
      await savesSettled();
      return unwrap(await client.GET('/api/drinks', { params: { query: sought }, signal }));
    },
    ...(Object.keys(sought).length > 0 && { placeholderData: keepPreviousData }),
  });

export const familiesQuery = () =>
  queryOptions({
    queryKey: ['families'],
    queryFn: async ({ signal }) => unwrap(await client.GET('/api/families', { signal })),
    staleTime: Infinity,
  });

export const healthQuery = () =>
  queryOptions({
    queryKey: ['health'],
    queryFn: async ({ signal }) => unwrap(await client.GET('/api/health', { signal })),
    staleTime: Infinity,
  });

/** Puts the demo back to how it was at first. */
export function useResetDemo() {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async () => unwrap(await client.POST('/api/demo/reset')),
    onSuccess: () => queryClient.resetQueries(),
  });
}

/** Starts a drink from a school of proportion; its first trial is the school as it stands. */
export function useStartDrink() {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async ({ name, school, ounceMl }: { name: string; school: School; ounceMl: number }) =>
      unwrap(
        await client.POST('/api/drinks', {
          body: {
            name,
            spec: { ...school.spec, name, ounce_ml: ounceMl },
            trial_name: school.name,
            reason: 'Where it starts: the school as it stands.',
            parents: [],
          },
        }),
      ),
    onSuccess: async (drink) => {
      queryClient.setQueryData(['drink', drink.id], drink);
      await queryClient.invalidateQueries({ queryKey: ['drinks'] });
    },
  });
}
