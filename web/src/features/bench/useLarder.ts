import { keepPreviousData, queryOptions } from '@tanstack/react-query';

import { client, unwrap } from '../../api/client';

/** Ingredients in which every typed word stands; no words, the whole larder. */
export const larderQuery = (q = '') =>
  queryOptions({
    queryKey: ['ingredients', q],
    queryFn: async ({ signal }) => unwrap(await client.GET('/api/ingredients', { params: { query: { q } }, signal })),
    staleTime: 60_000,
    placeholderData: keepPreviousData,
  });
