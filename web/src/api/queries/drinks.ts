import { infiniteQueryOptions, keepPreviousData, useQueryClient } from '@tanstack/react-query';

import { api, client, unwrap } from '../client';
import type { DrinkDetail, BookFilters, Spec, Assumptions, Trial } from '../types';

const pathOf = (drink_id: number) => ({ params: { path: { drink_id } } });

/** Drinks that are shown at once. */
export const A_PAGE = 60;

/** Drinks in which every typed word is found, and all that is sought besides, newest first, page by page; with nothing sought, the book. */
export const bookPages = (sought: BookFilters = {}) =>
  infiniteQueryOptions({
    queryKey: ['get', '/api/drinks', sought],
    queryFn: async ({ pageParam, signal }) => {
      const query = { ...sought, limit: A_PAGE, ...(pageParam && { before: pageParam }) };
      return unwrap(await client.GET('/api/drinks', { params: { query }, signal }));
    },
    initialPageParam: 0,
    getNextPageParam: (page) => (page.length === A_PAGE ? page.at(-1)?.id : undefined),
    placeholderData: keepPreviousData,
  });

/** How many there are in all. */
export const bookCount = (sought: BookFilters = {}) =>
  api.queryOptions('get', '/api/book', { params: { query: sought } }, { placeholderData: keepPreviousData });

/** The newest drinks of the book. */
export const newestQuery = () => api.queryOptions('get', '/api/drinks', { params: { query: { limit: A_PAGE } } });

export const drinkQuery = (id: number) => api.queryOptions('get', '/api/drinks/{drink_id}', pathOf(id));
export const drinkIngredientsQuery = (id: number) =>
  api.queryOptions('get', '/api/drinks/{drink_id}/ingredients', pathOf(id));
export const notebookQuery = (id: number) => api.queryOptions('get', '/api/drinks/{drink_id}/notebook', pathOf(id));
export const treeQuery = (family: string) =>
  api.queryOptions('get', '/api/tree', {
    params: { query: family ? { family: family as Spec['family'] } : {} },
  });
export const specCloudQuery = (id: number, query: Assumptions) =>
  api.queryOptions('get', '/api/drinks/{drink_id}/spec-cloud', { params: { path: { drink_id: id }, query } });

/** What the bench opens with: the draft, or the newest trial beside itself. */
export function openingDraft({ draft, trials }: DrinkDetail): { spec: Spec; parent_trial_id: number } {
  const newest = trials.at(-1);
  if (!newest) throw new Error('a drink has at least one trial');
  return draft ?? { spec: newest.spec, parent_trial_id: newest.id };
}

/** The trial that a draft is compared with; the first where that one is gone. */
export function parentTrial({ trials }: DrinkDetail, id: number): Trial {
  const parent = trials.find((trial) => trial.id === id) ?? trials[0];
  if (!parent) throw new Error('a drink has at least one trial');
  return parent;
}

/**
 * Shows everywhere what the server answered, at once and not after the book was read again: until the bench knows its new revision, a
 * change made there could not be saved.
 */
export function useShowDrink() {
  const queryClient = useQueryClient();
  return (drink: DrinkDetail) => {
    queryClient.setQueryData(drinkQuery(drink.id).queryKey, drink);
  };
}
