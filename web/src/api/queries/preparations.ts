import { keepPreviousData } from '@tanstack/react-query';

import { api } from '../client';
import type { Preparation, Assumptions } from '../types';

const KEPT = { staleTime: 60_000, gcTime: 60_000, placeholderData: keepPreviousData };

export const preparationsQuery = (query: Assumptions) =>
  api.queryOptions('get', '/api/preparations', { params: { query } });

/** What a preparation comes to: it follows a hand. */
export const preparationOutcomeQuery = (body: Preparation) => api.queryOptions('post', '/api/prepare', { body }, KEPT);

/** What can go into a pot, by any word for it. */
export const kitchenIngredientsQuery = (q: string) =>
  api.queryOptions('get', '/api/kitchen', { params: { query: { q } } }, { ...KEPT, enabled: q.trim() !== '' });

/** Sugar or water that brings a liquid to a °Bx; asked for once one is wanted. */
export const adjustBrixQuery = (weight_g: number, brix: number, wanted: number | null) =>
  api.queryOptions(
    'post',
    '/api/adjust/brix',
    { body: { weight_g, brix, wanted_brix: wanted ?? 0 } },
    { ...KEPT, enabled: wanted !== null },
  );
