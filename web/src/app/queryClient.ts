import { MutationCache, notifyManager, QueryClient } from '@tanstack/react-query';

import { connectivity, queryHash } from '@/api';

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
        if (options.meta?.writes !== false) void readAnew(queryClient);
      },
    }),
  });
  // What couldn't be read is read as soon as the server answers again, and what is in sight may have changed meanwhile.
  connectivity.subscribe(() => {
    if (!connectivity.isUnreachable()) void queryClient.invalidateQueries();
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
