import { keepPreviousData } from '@tanstack/react-query';

import { api } from '../client';
import type { FixedSpec } from '../types';

/** A pasted text as a recipe, with what was said of its lines. */
export const recipeTextQuery = (text: string, mended: Record<string, FixedSpec>) =>
  api.queryOptions(
    'post',
    '/api/read',
    { body: { text, mended } },
    { enabled: text.trim() !== '', staleTime: 60_000, placeholderData: keepPreviousData, retry: false },
  );

/** Ingredients by any word of the trade for them. */
export const ingredientSearchQuery = (q: string) =>
  api.queryOptions(
    'get',
    '/api/find',
    { params: { query: { q } } },
    { enabled: q.trim() !== '', staleTime: 60_000, placeholderData: keepPreviousData },
  );
