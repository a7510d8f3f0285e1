import { keepPreviousData, queryOptions, useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { client, unwrap, type Spec, type Supposed, type Unit, type Why } from '../../api/client';
import { useSettings } from '../../lib/settings';

const comparisonQuery = (spec: Spec, parent: Spec, supposed: Supposed) =>
  queryOptions({
    queryKey: ['comparison', spec, parent, supposed],
    queryFn: async ({ signal }) =>
      unwrap(await client.POST('/api/compare', { params: { query: supposed }, body: { spec, parent }, signal })),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    gcTime: 60_000,
  });

/**
 * The drink beside its parent. The last good figures stay until the next are there, also where the next are refused,
 * and an overtaken question is dropped.
 */
export function useComparison(spec: Spec, parent: Spec) {
  const { supposed } = useSettings();
  const { data, error, isPlaceholderData } = useQuery(comparisonQuery(spec, parent, supposed));
  const [lastGood, setLastGood] = useState(data);
  if (data && data !== lastGood) setLastGood(data);
  return { comparison: data ?? lastGood, refusal: error, fresh: data !== undefined && !isPlaceholderData };
}

/** Where a drink would stand: for the ghost of a candidate. */
export const forecastQuery = (spec: Spec | null, supposed: Supposed) =>
  queryOptions({
    queryKey: ['forecast', spec, supposed],
    queryFn: async ({ signal }) => {
      if (spec === null) throw new Error('nothing to foresee');
      return unwrap(await client.POST('/api/predict', { params: { query: supposed }, body: spec, signal }));
    },
    enabled: spec !== null,
    staleTime: 60_000,
    gcTime: 60_000,
  });

/** Twenty minutes in the glass: asked for when the pours rest for a moment, so that it never holds up the figures. */
export const courseQuery = (spec: Spec, supposed: Supposed) =>
  queryOptions({
    queryKey: ['course', spec, supposed],
    queryFn: async ({ signal }) =>
      unwrap(await client.POST('/api/course', { params: { query: supposed }, body: spec, signal })),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    gcTime: 60_000,
  });

export type Figure = 'abv' | 'sugar' | 'acid';

/** Why a figure is what it is. */
export const whyQuery = (spec: Spec, figure: Figure, supposed: Supposed) =>
  queryOptions({
    queryKey: ['why', spec, figure, supposed],
    queryFn: async ({ signal }): Promise<Why> =>
      unwrap(
        await client.POST('/api/why/{point}/{figure}', {
          params: { path: { point: 'served', figure }, query: supposed },
          body: spec,
          signal,
        }),
      ),
    staleTime: 60_000,
  });

/** The spec with a mend of one of its findings applied; the server knows what mends what. */
export function useMend() {
  const { supposed } = useSettings();
  return useMutation({
    mutationFn: async (body: { spec: Spec; parent: Spec; code: string; pour: number | null; mend: number }) =>
      unwrap(await client.POST('/api/mend', { params: { query: supposed }, body })),
  });
}

/** Reads a typed amount ("3/4 oz", "half a lime", "half the gin") beside the drink it stands in; the server knows the measures. */
export function useReadAmount() {
  return useMutation({
    mutationFn: async (body: { text: string; unit: Unit; spec: Spec; pour: number }) =>
      unwrap(await client.POST('/api/amount', { body })),
  });
}
