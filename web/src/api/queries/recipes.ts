import { keepPreviousData } from '@tanstack/react-query';

import { api, type Mended } from '../client';

/** A pasted text as a recipe, with what was said of its lines. */
export const readQuery = (text: string, mended: Record<string, Mended>) =>
  api.queryOptions(
    'post',
    '/api/read',
    { body: { text, mended } },
    { enabled: text.trim() !== '', staleTime: 60_000, placeholderData: keepPreviousData, retry: false },
  );

/** Ingredients by any word of the trade for them. */
export const findQuery = (q: string) =>
  api.queryOptions(
    'get',
    '/api/find',
    { params: { query: { q } } },
    { enabled: q.trim() !== '', staleTime: 60_000, placeholderData: keepPreviousData },
  );
