import { keepPreviousData } from '@tanstack/react-query';

import { api } from '../client';
import type { BatchEntry, Assumptions } from '../types';

/** A batch as it is asked; what was worked out last stays in sight meanwhile. */
export const batchQuery = (body: BatchEntry, query: Assumptions) =>
  api.queryOptions(
    'post',
    '/api/batch',
    { params: { query }, body },
    { placeholderData: keepPreviousData, retry: false },
  );

/** The trial of a drink that is poured for many. */
export const pouredTrialQuery = (id: number) =>
  api.queryOptions('get', '/api/drinks/{drink_id}/poured', { params: { path: { drink_id: id } } });

/** Batches that are there, newest first; with `every` those that are used up too. */
export const batchesQuery = (every = false) =>
  api.queryOptions('get', '/api/batches', { params: { query: { every } } });

export const savedBatchQuery = (id: number) =>
  api.queryOptions('get', '/api/batches/{batch_id}', { params: { path: { batch_id: id } } });
