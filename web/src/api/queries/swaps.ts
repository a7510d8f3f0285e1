import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';

import { api } from '../client';
import type { RebalanceRequest, Assumptions, Swaps, SwapsRequest } from '../types';
import { useSettings } from '@/hooks';
import { linesOf } from '../ndjson';

/** A board as far as it has come; `done` when every offer was searched. */
export type BoardSoFar = Swaps & { done: boolean };

const KEPT = { staleTime: 60_000, gcTime: 60_000 };

/**
 * The board of a pour: the likeliest rows are there at once, the rest follow. A question that was overtaken is dropped.
 */
export const swapsQuery = (body: SwapsRequest, query: Assumptions) =>
  queryOptions({
    queryKey: ['post', '/api/swaps/stream', { params: { query }, body }],
    queryFn: async ({ signal, client: cache, queryKey }): Promise<BoardSoFar> => {
      const parts: Swaps[] = [];
      for await (const part of linesOf<Swaps>('/api/swaps/stream', body, query, signal)) {
        parts.push(part);
        if (part.searched < part.total) cache.setQueryData(queryKey, joinedParts(parts));
      }
      return joinedParts(parts);
    },
    placeholderData: keepPreviousData,
    ...KEPT,
  });

function joinedParts(parts: Swaps[]): BoardSoFar {
  const [first, last] = [parts[0], parts.at(-1)];
  if (!first || !last) throw new Error('The server sent no swaps.');
  const { searched, total } = last;
  return { ...first, rows: parts.flatMap(({ rows }) => rows), searched, total, done: searched >= total };
}

/** Rows of a board with correctors that may join: asked for only where they are in view. */
export const correctorRowsQuery = (body: SwapsRequest, query: Assumptions, enabled: boolean) =>
  api.queryOptions('post', '/api/swaps', { params: { query }, body }, { enabled, ...KEPT });

/** What brings the present drink back to its target. */
export function useRebalance(body: RebalanceRequest, enabled = true) {
  const { supposed: query } = useSettings();
  return useQuery(
    api.queryOptions(
      'post',
      '/api/rebalance',
      { params: { query }, body },
      { placeholderData: keepPreviousData, enabled, ...KEPT },
    ),
  );
}
