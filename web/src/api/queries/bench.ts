import { queryOptions, useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo } from 'react';

import { useSettings } from '@/hooks';
import { client, type ProblemError, unwrap } from '../client';
import type { Assumptions } from '../types';
import { drinkIngredientsQuery, drinkQuery, openingDraft, parentTrial } from './drinks';
import { comparisonQuery } from './forecast';
import { familyQuery, glassesQuery, rulesQuery } from './rules';

/** Fetches in one answer what the bench needs for its first figures, and lays each part where its own query finds it. */
const benchQuery = (drink_id: number, assumptions: Assumptions, tongue: string | null) =>
  queryOptions<boolean, ProblemError>({
    queryKey: ['get', '/api/drinks/{drink_id}/bench', { drink_id }],
    queryFn: async ({ client: cache, signal }) => {
      const params = { path: { drink_id }, query: { ...assumptions, ...(tongue !== null && { tongue }) } };
      const answer = unwrap(await client.GET('/api/drinks/{drink_id}/bench', { params, signal }));
      const { drink, family, ingredients, comparison, rules, glasses } = answer;
      cache.setQueryData(drinkQuery(drink_id).queryKey, drink);
      cache.setQueryData(familyQuery(drink.family).queryKey, family);
      cache.setQueryData(drinkIngredientsQuery(drink_id).queryKey, ingredients);
      cache.setQueryData(rulesQuery().queryKey, rules);
      cache.setQueryData(glassesQuery().queryKey, glasses);
      const { spec, parent_trial_id } = openingDraft(drink);
      const parent = parentTrial(drink, parent_trial_id).spec;
      if (comparison) cache.setQueryData(comparisonQuery(spec, parent, assumptions, tongue).queryKey, comparison);
      return true;
    },
    staleTime: Infinity,
    gcTime: 0,
  });

/** A drink with its family and its ingredients, for the bench; `enabled` once nothing of an earlier visit is still to be sent. */
export function useBenchData(id: number, enabled: boolean) {
  const { supposed, palate } = useSettings();
  const cache = useQueryClient();
  // A drink that was open in this window before is read anew by itself, so that a write refetches no more than it has to.
  const isFirst = useMemo(() => cache.getQueryData(drinkQuery(id).queryKey) === undefined, [cache, id]);
  const opening = useQuery({ ...benchQuery(id, supposed, palate), enabled: enabled && isFirst });
  const isOpen = enabled && (!isFirst || opening.isSuccess);
  const kept = isFirst ? { staleTime: Infinity } : {};
  const drink = useQuery({ ...drinkQuery(id), ...kept, enabled: isOpen });
  const ingredients = useQuery({ ...drinkIngredientsQuery(id), ...kept, enabled: isOpen });
  const slug = drink.data?.family;
  const family = useQuery({ ...familyQuery(slug ?? ''), enabled: slug !== undefined });
  // A draft from the last visit may be older than what another window saved since: wait for the fresh one.
  const isStale = drink.isFetching && !drink.isFetchedAfterMount;
  const isReady = isOpen && !isStale && drink.data && ingredients.data && family.data;
  return {
    data: isReady ? { drink: drink.data, larder: ingredients.data, family: family.data } : undefined,
    error: opening.error ?? drink.error ?? family.error ?? ingredients.error,
  };
}
