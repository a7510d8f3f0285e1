import { queryOptions, useMutation, useQueryClient } from '@tanstack/react-query';

import { client, unwrap, type Label, type PartEntry, type ShelfState } from '../../api/client';

export const shelfQuery = () =>
  queryOptions({
    queryKey: ['shelf'],
    queryFn: async ({ signal }) => unwrap(await client.GET('/api/shelf', { signal })),
  });

export const partTastingsQuery = (slug: string) =>
  queryOptions({
    queryKey: ['part tastings', slug],
    queryFn: async ({ signal }) =>
      unwrap(await client.GET('/api/ingredients/{slug}/tastings', { params: { path: { slug } }, signal })),
  });

/** Keeps what an ingredient tasted of alone, and amends it where that is told. */
export function useTastePart(slug: string) {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: async (body: PartEntry) =>
      unwrap(await client.POST('/api/ingredients/{slug}/tastings', { params: { path: { slug } }, body })),
    onSuccess: () => cache.invalidateQueries(),
  });
}

export const sweetnessQuery = () =>
  queryOptions({
    queryKey: ['sweetness classes'],
    queryFn: async ({ signal }) => unwrap(await client.GET('/api/sweetness-classes', { signal })),
    staleTime: Infinity,
  });

/** Marks an ingredient as at hand, low or out, or takes it off the shelf. */
export function useShelve() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: async ({ slug, state, price }: { slug: string; state: ShelfState; price: number | null }) => {
      const answer = await client.PUT('/api/shelf/{slug}', {
        params: { path: { slug } },
        body: { state, price_per_litre: price },
      });
      if (answer.error) unwrap(answer);
    },
    onSuccess: () => whatStandsOnTheShelf(cache),
  });
}

/** Adds a bottle from its label. */
export function useAddBottle() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: async (body: Label) => unwrap(await client.POST('/api/bottles', { body })),
    onSuccess: () => whatStandsOnTheShelf(cache),
  });
}

/** Takes a bottle that was added by mistake out again. */
export function useRemoveBottle() {
  const cache = useQueryClient();
  return useMutation({
    mutationFn: async (slug: string) => {
      const answer = await client.DELETE('/api/bottles/{slug}', { params: { path: { slug } } });
      if (answer.error) unwrap(answer);
    },
    onSuccess: () => whatStandsOnTheShelf(cache),
  });
}

function whatStandsOnTheShelf(cache: ReturnType<typeof useQueryClient>) {
  return Promise.all(
    [['shelf'], ['ingredients'], ['swaps'], ['swaps joined']].map((queryKey) => cache.invalidateQueries({ queryKey })),
  );
}
