import { keepPreviousData, useMutation, useQueryClient } from '@tanstack/react-query';

import { api, client, unwrap, type DrinkDetail, type Sought, type Spec, type Supposed } from '../client';

const pathOf = (drink_id: number) => ({ params: { path: { drink_id } } });

/** Drinks in which every typed word is found, and all that is sought besides; with nothing sought, the whole book. */
export const drinksQuery = (sought: Sought = {}) =>
  api.queryOptions(
    'get',
    '/api/drinks',
    { params: { query: sought } },
    Object.keys(sought).length > 0 ? { placeholderData: keepPreviousData } : {},
  );

export const drinkQuery = (id: number) => api.queryOptions('get', '/api/drinks/{drink_id}', pathOf(id));
export const notebookQuery = (id: number) => api.queryOptions('get', '/api/drinks/{drink_id}/notebook', pathOf(id));
export const treeQuery = (family: string) =>
  api.queryOptions('get', '/api/tree', {
    params: { query: family ? { family: family as Spec['family'] } : {} },
  });
export const specCloudQuery = (id: number, query: Supposed) =>
  api.queryOptions('get', '/api/drinks/{drink_id}/spec-cloud', { params: { path: { drink_id: id }, query } });

/**
 * Shows everywhere what the server answered, at once and not after the book was read again: until the bench knows its new revision, a
 * change made there could not be saved.
 */
export function useTellDrink() {
  const queryClient = useQueryClient();
  return (drink: DrinkDetail) => {
    queryClient.setQueryData(drinkQuery(drink.id).queryKey, drink);
  };
}

/** Lays a spec on the bench as the draft, held against a trial of the drink, in place of what lies there. */
export function useLayOnBench(id: number) {
  const queryClient = useQueryClient();
  return useMutation({
    mutationFn: async ({ spec, parent }: { spec: Spec; parent: number }) => {
      const drink = unwrap(await client.GET('/api/drinks/{drink_id}', pathOf(id)));
      const body = { parent_trial_id: parent, spec, revision: drink.draft?.revision ?? 0 };
      return unwrap(await client.PUT('/api/drinks/{drink_id}/draft', { ...pathOf(id), body }));
    },
    // The bench opens with the draft that the drink has by then.
    onSuccess: () => queryClient.invalidateQueries({ queryKey: drinkQuery(id).queryKey }),
  });
}
