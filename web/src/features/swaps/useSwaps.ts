import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';

import {
  client,
  ProblemError,
  unwrap,
  type RebalanceRequest,
  type Spec,
  type Supposed,
  type Swaps,
  type SwapsRequest,
} from '../../api/client';
import { useSettings } from '../../lib/settings';

/** A board as far as it has come; `done` when every offer was searched. */
export type BoardSoFar = Swaps & { done: boolean };

/**
 * The board of a pour: the likeliest rows are there at once, the rest follow. A question that was overtaken is dropped.
 */
export const swapsQuery = (request: SwapsRequest, supposed: Supposed) =>
  queryOptions({
    queryKey: ['swaps', request, supposed],
    queryFn: async ({ signal, client: cache, queryKey }): Promise<BoardSoFar> => {
      const parts: Swaps[] = [];
      for await (const part of partsOf(request, supposed, signal)) {
        parts.push(part);
        if (part.searched < part.total) cache.setQueryData(queryKey, joinedParts(parts));
      }
      return joinedParts(parts);
    },
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    gcTime: 60_000,
  });

function joinedParts(parts: Swaps[]): BoardSoFar {
  const [first, last] = [parts[0], parts.at(-1)];
  if (!first || !last) throw new Error('The server gave no board.');
  const { searched, total } = last;
  return { ...first, rows: parts.flatMap(({ rows }) => rows), searched, total, done: searched >= total };
}

/** Rows of a board with correctors that may join: asked for only where they are in view. */
export const joinedQuery = (request: SwapsRequest, supposed: Supposed, enabled: boolean) =>
  queryOptions({
    queryKey: ['swaps joined', request, supposed],
    queryFn: async ({ signal }) =>
      unwrap(await client.POST('/api/swaps', { params: { query: supposed }, body: request, signal })),
    enabled,
    staleTime: 60_000,
    gcTime: 60_000,
  });

export const rebalanceQuery = (request: RebalanceRequest, supposed: Supposed) =>
  queryOptions({
    queryKey: ['rebalance', request, supposed],
    queryFn: async ({ signal }) =>
      unwrap(await client.POST('/api/rebalance', { params: { query: supposed }, body: request, signal })),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    gcTime: 60_000,
  });

/** What brings the present drink back to its target. */
export function useRebalance(request: RebalanceRequest) {
  const { supposed } = useSettings();
  return useQuery(rebalanceQuery(request, supposed));
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
  if (!answer.ok || !answer.body) {
    const problem = (await answer.json()) as { detail?: string; code?: string; path?: string };
    throw new ProblemError(problem.detail ?? 'The server gave no board.', problem.code ?? '', problem.path ?? '');
  }
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

/** The same spec with other pours. */
export function withPours(spec: Spec, pours: Spec['pours']): Spec {
  return { ...spec, pours };
}
