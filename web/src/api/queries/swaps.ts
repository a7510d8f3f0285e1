import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';

import { api, problemOf, type RebalanceRequest, type Supposed, type Swaps, type SwapsRequest } from '../client';
import { useSettings } from '../../lib/settings';

/** A board as far as it has come; `done` when every offer was searched. */
export type BoardSoFar = Swaps & { done: boolean };

const KEPT = { staleTime: 60_000, gcTime: 60_000 };

/**
 * The board of a pour: the likeliest rows are there at once, the rest follow. A question that was overtaken is dropped.
 */
export const swapsQuery = (body: SwapsRequest, query: Supposed) =>
  queryOptions({
    queryKey: ['post', '/api/swaps/stream', { params: { query }, body }],
    queryFn: async ({ signal, client: cache, queryKey }): Promise<BoardSoFar> => {
      const parts: Swaps[] = [];
      for await (const part of partsOf(body, query, signal)) {
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
  if (!first || !last) throw new Error('The server gave no board.');
  const { searched, total } = last;
  return { ...first, rows: parts.flatMap(({ rows }) => rows), searched, total, done: searched >= total };
}

/** Rows of a board with correctors that may join: asked for only where they are in view. */
export const joinedQuery = (body: SwapsRequest, query: Supposed, enabled: boolean) =>
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

/** The parts of a board as they come, a JSON object a line. */
async function* partsOf(request: SwapsRequest, supposed: Supposed, signal: AbortSignal): AsyncGenerator<Swaps> {
  const told = Object.entries(supposed).filter(([, value]) => value !== null);
  const query = new URLSearchParams(told.map(([name, value]) => [name, String(value)]));
  const answer = await fetch(`/api/swaps/stream?${query.toString()}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(request),
    signal,
  });
  if (!answer.ok || !answer.body) throw await problemOf(answer);
  const reader = answer.body.pipeThrough(new TextDecoderStream()).getReader();
  let rest = '';
  for (;;) {
    const { done, value } = await reader.read();
    const lines = (rest + (value ?? '')).split('\n');
    rest = lines.pop() ?? '';
    for (const line of lines) yield JSON.parse(line) as Swaps;
    if (done) return;
  }
}
