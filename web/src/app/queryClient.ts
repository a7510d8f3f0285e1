import { MutationCache, notifyManager, QueryClient } from '@tanstack/react-query';

import { queryHash } from '@/api/queryHash';
import { connectivity } from '@/api/connectivity';

/** What is asked by a press and writes nothing. */
const ASKS = new Set<unknown>([
  '/api/mend',
  '/api/size',
  '/api/devices/{device}/read',
  '/api/cross',
  '/api/lots/{lot_id}/read/{device}',
  '/api/titration',
  '/api/prepare/scaled',
  '/api/adjust/brix',
  '/api/adjust/acid',
]);

// Answers are drawn in the task in which they come: a hand waits for them.
notifyManager.setScheduler(queueMicrotask);

/** The one cache of the window. What is written may change whatever is read, so all of it is then read anew where it is in sight. */
export function makeQueryClient(): QueryClient {
  const queryClient: QueryClient = new QueryClient({
    // The server is on this machine: a failure is an answer, not a hiccup of the network.
    defaultOptions: {
      queries: { retry: false, refetchOnWindowFocus: false, networkMode: 'always', queryKeyHashFn: queryHash },
      mutations: { networkMode: 'always' },
    },
    mutationCache: new MutationCache({
      onSuccess: (_data, _asked, _context, { options }) => {
        if (!ASKS.has(options.mutationKey?.[1])) void readAnew(queryClient);
      },
    }),
  });
  // What couldn't be read is read as soon as the server answers again, and what is in sight may have changed meanwhile.
  connectivity.subscribe(() => {
    if (!connectivity.isGone()) void queryClient.invalidateQueries();
  });
  return queryClient;
}

/** Reads anew what is in sight. What was being read for the first time meanwhile may tell of before: that is read once more. */
async function readAnew(queryClient: QueryClient) {
  const firsts = new Set(
    queryClient
      .getQueryCache()
      .findAll({ fetchStatus: 'fetching', predicate: ({ state }) => state.data === undefined }),
  );
  await queryClient.invalidateQueries();
  if (firsts.size > 0) await queryClient.invalidateQueries({ predicate: (query) => firsts.has(query) });
}
