import { keepPreviousData } from '@tanstack/react-query';

import { api, type Supposed } from '../client';

/** The list made of today's lots. */
export const todayQuery = (grid: number, query: Supposed) =>
  api.queryOptions(
    'get',
    '/api/today',
    { params: { query: { ...query, grid } } },
    { placeholderData: keepPreviousData },
  );

/** Lots that are open, newest first; with `every` those that are used up too. */
export const lotsQuery = (every = false, ingredient = '') =>
  api.queryOptions('get', '/api/lots', { params: { query: { every, ingredient } } });

export const lotQuery = (id: number, query: Supposed) =>
  api.queryOptions('get', '/api/lots/{lot_id}', { params: { path: { lot_id: id }, query } });

export const currencyQuery = () => api.queryOptions('get', '/api/currency');
