import { keepPreviousData, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useMemo, useState } from 'react';

import { api, client, unwrap } from '../client';
import type { Amount, Spec, Assumptions, Unit } from '../types';
import { type MethodDefaults, type Settings, useDebouncedValue, useSettings, useSwapTarget } from '@/hooks';

const KEPT = { staleTime: 60_000, gcTime: 60_000 };
const FOLLOWS = { placeholderData: keepPreviousData, ...KEPT };
/** Steps and ranges follow a hand a moment later than the figures. */
const RESTED_MS = 150;

/** Words go by the steps of whose palate is in use: `tongue` is his name, empty the house's, null the usual one. */
export const comparisonQuery = (spec: Spec, parent: Spec, query: Assumptions, tongue: string | null) =>
  api.queryOptions('post', '/api/compare', { params: { query }, body: { spec, parent, tongue } }, FOLLOWS);

/**
 * The drink beside its parent, and the spec of the figures. The last good ones stay until the next are there, also where those are refused,
 * and an overtaken question is dropped.
 */
export function useComparison(spec: Spec, parent: Spec) {
  const { supposed, palate } = useSettings();
  const query = useQuery(comparisonQuery(spec, parent, supposed, palate));
  const { spec: of, data } = useLastKnown(spec, query);
  return { known: useMemo(() => ({ spec: of, comparison: data }), [of, data]), refusal: query.error };
}

/**
 * Reads a typed amount ("3/4 oz", "half a lime", "half the gin") beside the drink it stands in and what the drink then is, in one
 * question: the answer waits for the drink that `changed` makes of it. The server knows the measures.
 */
export function useParsedAmount() {
  const queryClient = useQueryClient();
  const { supposed, palate: tongue } = useSettings();
  return useCallback(
    async (
      asked: { text: string; unit: Unit; spec: Spec; pour: number },
      parent: Spec,
      changed: (read: Amount) => Spec,
    ) => {
      const { spec, ...typed } = asked;
      const query = { params: { query: supposed } };
      const answer = unwrap(await client.POST('/api/compare', { ...query, body: { spec, parent, typed, tongue } }));
      if (!answer.typed) throw new Error('a typed amount is answered');
      const next = changed(answer.typed);
      queryClient.setQueryData(comparisonQuery(next, parent, supposed, tongue).queryKey, { ...answer, typed: null });
      return answer.typed;
    },
    [queryClient, supposed, tongue],
  );
}

/** Where a drink would stand: for the ghost of a candidate. */
export const landingQuery = (spec: Spec, query: Assumptions) =>
  api.queryOptions('post', '/api/predict', { params: { query }, body: spec }, KEPT);

/** Twenty minutes in the glass. */
export const courseQuery = (spec: Spec, query: Assumptions) =>
  api.queryOptions('post', '/api/course', { params: { query }, body: spec }, FOLLOWS);

export type Figure = 'abv' | 'sugar' | 'acid';

/** Why a figure is what it is. */
export const whyQuery = (spec: Spec, figure: Figure, query: Assumptions) =>
  api.queryOptions(
    'post',
    '/api/why/{point}/{figure}',
    { params: { path: { point: 'served', figure }, query }, body: spec },
    KEPT,
  );

/** The drink on each ice. */
export const servesQuery = (spec: Spec, query: Assumptions) =>
  api.queryOptions('post', '/api/serves', { params: { query }, body: spec }, KEPT);

const stepsQuery = (spec: Spec, way: MethodDefaults, shown: Settings['shown']) =>
  api.queryOptions('post', '/api/steps', { body: { spec, ...way, shown } }, FOLLOWS);

/** How the drink is made, by the house's schools, and the spec that is made so: it follows a hand a moment later. */
export function useSteps(spec: Spec) {
  const { way, shown } = useSettings();
  const rested = useDebouncedValue(spec, RESTED_MS);
  const { spec: of, data } = useLastKnown(rested, useQuery(stepsQuery(rested, way, shown)));
  return useMemo(() => ({ spec: of, steps: data ?? NONE }), [of, data]);
}

/** Garnishes that would suit the drink, each with its reason. */
export const garnishesQuery = (spec: Spec) =>
  api.queryOptions('post', '/api/garnishes', { body: { ...spec, serve: { ...spec.serve, garnish: [] } } }, KEPT);

/** The last answer that was to its own question and no placeholder, with the spec that was asked of. */
function useLastKnown<T>(spec: Spec, { data, isPlaceholderData }: { data: T | undefined; isPlaceholderData: boolean }) {
  const [known, setKnown] = useState({ spec, data });
  const settled = data !== undefined && !isPlaceholderData;
  if (settled && (data !== known.data || spec !== known.spec)) setKnown({ spec, data });
  return known;
}

export type Steps = ReturnType<typeof useSteps>;

const NONE: never[] = [];

/** What the ranges among the pours make of the drink, and where each should settle. */
export function useRanges(spec: Spec, parent: Spec) {
  const { supposed: query } = useSettings();
  const aim = useSwapTarget();
  const rested = useDebouncedValue(spec, RESTED_MS);
  const enabled = rested.pours.some(({ range }) => range);
  const body = { spec: rested, parent, grid: aim.grid };
  const { data } = useQuery(
    api.queryOptions('post', '/api/ranges', { params: { query }, body }, { ...FOLLOWS, enabled }),
  );
  return enabled && data ? data : NONE;
}

export const sideBySideQuery = (id: number, trials: number[], query: Assumptions) =>
  api.queryOptions(
    'post',
    '/api/drinks/{drink_id}/side-by-side',
    { params: { path: { drink_id: id }, query }, body: { trials } },
    { enabled: trials.length > 1, placeholderData: keepPreviousData },
  );

export const nextQuery = (id: number, trial: number, palate: string | null, grid: number, query: Assumptions) =>
  api.queryOptions('post', '/api/drinks/{drink_id}/trials/{trial_id}/next', {
    params: { path: { drink_id: id, trial_id: trial }, query },
    body: { palate, grid },
  });
