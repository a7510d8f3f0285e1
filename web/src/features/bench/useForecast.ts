import { keepPreviousData, queryOptions, useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';

import { client, unwrap, type Spec, type Unit } from '../../api/client';

const comparisonQuery = (spec: Spec, parent: Spec) =>
  queryOptions({
    queryKey: ['comparison', spec, parent],
    queryFn: async ({ signal }) => unwrap(await client.POST('/api/compare', { body: { spec, parent }, signal })),
    placeholderData: keepPreviousData,
    staleTime: 60_000,
    gcTime: 60_000,
  });

/**
 * The drink beside its parent. The last good figures stay until the next are there, also where the next are refused,
 * and an overtaken question is dropped.
 */
export function useComparison(spec: Spec, parent: Spec) {
  const { data, error } = useQuery(comparisonQuery(spec, parent));
  const [lastGood, setLastGood] = useState(data);
  if (data && data !== lastGood) setLastGood(data);
  return { comparison: data ?? lastGood, refusal: error };
}

/** Where a drink would stand: for the ghost of a candidate. */
export const predictionQuery = (spec: Spec | null) =>
  queryOptions({
    queryKey: ['prediction', spec],
    queryFn: async ({ signal }) => {
      if (spec === null) throw new Error('nothing to foresee');
      return unwrap(await client.POST('/api/predict', { body: spec, signal }));
    },
    enabled: spec !== null,
    staleTime: 60_000,
    gcTime: 60_000,
  });

/** Reads a typed amount ("3/4 oz", "2 dashes"); the server knows the measures. */
export function useReadAmount() {
  return useMutation({
    mutationFn: async (query: { text: string; unit: Unit; ingredient: string }) =>
      unwrap(await client.GET('/api/amount', { params: { query } })),
  });
}
