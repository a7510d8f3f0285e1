import { keepPreviousData, queryOptions, useMutation, useQuery } from '@tanstack/react-query';

import { client, unwrap, type Spec, type Supposed } from '../../api/client';
import { useSettings, type Way } from '../../lib/settings';
import { useRested } from '../../ui/useRested';

const RESTED_MS = 150;

export const glassesQuery = () =>
  queryOptions({
    queryKey: ['glasses'],
    queryFn: async ({ signal }) => unwrap(await client.GET('/api/glasses', { signal })),
    staleTime: Infinity,
  });

export const stepsQuery = (spec: Spec, way: Way) =>
  queryOptions({
    queryKey: ['steps', spec, way],
    queryFn: async ({ signal }) => unwrap(await client.POST('/api/steps', { body: { spec, ...way }, signal })),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    gcTime: 60_000,
  });

/** How the drink is made, by the house's schools; it follows the pours a moment later than the figures. */
export function useSteps(spec: Spec) {
  const { way } = useSettings();
  const rested = useRested(spec, RESTED_MS);
  const { data } = useQuery(stepsQuery(rested, way));
  return data ?? [];
}

export const servesQuery = (spec: Spec, supposed: Supposed) =>
  queryOptions({
    queryKey: ['serves', spec, supposed],
    queryFn: async ({ signal }) =>
      unwrap(await client.POST('/api/serves', { params: { query: supposed }, body: spec, signal })),
    staleTime: 60_000,
    gcTime: 60_000,
  });

const rangesQuery = (spec: Spec, parent: Spec, grid: number, supposed: Supposed) =>
  queryOptions({
    queryKey: ['ranges', spec, parent, grid, supposed],
    queryFn: async ({ signal }) =>
      unwrap(await client.POST('/api/ranges', { params: { query: supposed }, body: { spec, parent, grid }, signal })),
    enabled: spec.pours.some(({ range }) => range),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    gcTime: 60_000,
  });

/** What the ranges among the pours make of the drink, and where each should settle. */
export function useRanges(spec: Spec, parent: Spec) {
  const { supposed, aim } = useSettings();
  const rested = useRested(spec, RESTED_MS);
  const { data } = useQuery(rangesQuery(rested, parent, aim.grid, supposed));
  return rested.pours.some(({ range }) => range) ? (data ?? []) : [];
}

/** The drink sized to its glass. */
export function useSizeToGlass() {
  const { supposed } = useSettings();
  return useMutation({
    mutationFn: async (body: Spec) => unwrap(await client.POST('/api/size', { params: { query: supposed }, body })),
  });
}
