import { api } from '../client';
import type { Assumptions } from '../types';

/** Lots that are open, newest first; with `every` those that are used up too. */
export const lotsQuery = (every = false, ingredient = '') =>
  api.queryOptions('get', '/api/lots', { params: { query: { every, ingredient } } });

export const lotQuery = (id: number, query: Assumptions) =>
  api.queryOptions('get', '/api/lots/{lot_id}', { params: { path: { lot_id: id }, query } });
