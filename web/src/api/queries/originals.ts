import { keepPreviousData, queryOptions } from '@tanstack/react-query';

import { api, type ProblemError } from '../client';
import type { Originals, MenuRequest, Assumptions, Criteria } from '../types';
import { linesOf } from '../ndjson';

const KEPT = { staleTime: 60_000, gcTime: 300_000, placeholderData: keepPreviousData };

/** Originals of a wish: a first handful at once, then that of the whole sample. A wish that was overtaken is dropped. */
export const originalsQuery = (body: Criteria, query: Assumptions) =>
  queryOptions<Originals, ProblemError>({
    queryKey: ['post', '/api/originals/stream', { params: { query }, body }],
    queryFn: async ({ signal, client: cache, queryKey }): Promise<Originals> => {
      let last: Originals | undefined;
      for await (const part of linesOf<Originals>('/api/originals/stream', body, query, signal)) {
        last = part;
        if (!part.done) cache.setQueryData(queryKey, part);
      }
      if (!last) throw new Error('The server sent no ideas.');
      return last;
    },
    ...KEPT,
  });

/** How many combinations a wish leaves. */
export const combinationCountQuery = (body: Criteria, query: Assumptions) =>
  api.queryOptions('post', '/api/originals/left', { params: { query }, body }, KEPT);

/** A list with its open places filled. */
export const menuQuery = (body: MenuRequest, query: Assumptions) =>
  api.queryOptions('post', '/api/originals/menu', { params: { query }, body }, KEPT);

export const criteriaQuery = (drinkId: number) =>
  api.queryOptions('get', '/api/drinks/{drink_id}/wish', { params: { path: { drink_id: drinkId } } });

export const pairingsQuery = () => api.queryOptions('get', '/api/kinship');
